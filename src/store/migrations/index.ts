import { type Knex } from 'knex';
import { firstTables } from './001-first-tables';
import { photos } from './003-photos';
import { shelfAndNeeds } from './004-shelf-and-needs';
import { suppliersAndDonors } from './005-suppliers-and-donors';
import { sheetsAndOptions } from './002-sheets-and-options';
import { returnsAndOtherShops } from './006-returns-and-other-shops';
import { dueDays } from './007-due-days';
import { standings } from './008-standings';
import { workedOut } from './009-worked-out';

interface Migration extends Knex.Migration {
  readonly name: string;
}

/** Forward only, oldest first. A migration that has been released is never edited. */
const all: readonly Migration[] = [
  firstTables,
  sheetsAndOptions,
  photos,
  shelfAndNeeds,
  suppliersAndDonors,
  returnsAndOtherShops,
  dueDays,
  standings,
  workedOut,
];

/** Names of all there are. */
export const migrationNames: readonly string[] = all.map(({ name }) => name);

/** Migrations come from code, not from a folder, so that they follow the server into its bundle. */
export const migrations: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...all]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve(migration),
};
