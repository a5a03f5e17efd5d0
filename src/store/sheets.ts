import { Refusal } from '@/core/quantity';
import { type Knex } from 'knex';
import { parse } from 'yaml';

/** One version of a chassis sheet of the shop's own. */
export interface SheetVersion {
  readonly id: string;
  /** From 1. */
  readonly version: number;
  readonly text: string;
  /** ISO instant. */
  readonly at: string;
}

/** The sheet was saved elsewhere since it was opened. */
export class StaleSheet extends Refusal {
  override readonly name = 'StaleSheet';
  constructor(readonly latest: number) {
    super(`version ${latest} was saved since this one was opened: open it again; your text is kept here`);
  }
}

/** The newest version of every sheet of the shop's own, by id. */
export async function ownSheets(database: Knex): Promise<SheetVersion[]> {
  const newest = database('sheet_version').select('id').max('version as version').groupBy('id').as('newest');
  return database<SheetVersion>('sheet_version')
    .select('sheet_version.*')
    .join(newest, function () {
      this.on('newest.id', 'sheet_version.id').andOn('newest.version', 'sheet_version.version');
    })
    .orderBy('sheet_version.id') as unknown as Promise<SheetVersion[]>;
}

/** All versions of a sheet, the newest first. */
export async function versionsOf(database: Knex, id: string): Promise<SheetVersion[]> {
  return database<SheetVersion>('sheet_version').where({ id }).orderBy('version', 'desc');
}

/**
 * Stores a new version of a sheet.
 *
 * @param seen the version it was made from; 0 for a sheet that is new
 * @throws StaleSheet when another version was saved meanwhile
 */
export async function saveSheet(
  database: Knex,
  sheet: { readonly id: string; readonly text: string; readonly at: string },
  seen: number,
): Promise<number> {
  return database.transaction(async (work) => {
    const row = await work<SheetVersion>('sheet_version').where({ id: sheet.id }).max('version as latest').first();
    const latest = (row as unknown as { latest: number | null }).latest ?? 0;
    if (latest !== seen) throw new StaleSheet(latest);
    await work('sheet_version').insert({ ...sheet, version: latest + 1 });
    return latest + 1;
  });
}

/**
 * The shop’s own sheets that a set needs: its own and those that it lies upon.
 *
 * @throws Refusal when there is no such set
 */
export async function sheetsOfJob(database: Knex, job: string): Promise<string[]> {
  const row = await database<{ id: string; sheet: string }>('job').where({ id: job }).first('sheet');
  if (!row) throw new Refusal(`there is no set ${job}`);
  const texts = new Map((await ownSheets(database)).map(({ id, text }) => [id, text]));
  const needed = new Set<string>();
  const reach = (id: string) => {
    if (needed.has(id) || !texts.has(id)) return;
    needed.add(id);
    for (const base of [(parse(texts.get(id)!) as { extends?: string | string[] }).extends ?? []].flat()) reach(base);
  };
  reach(row.sheet);
  return [...needed];
}
