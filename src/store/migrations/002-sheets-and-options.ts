import { type Knex } from 'knex';

/** The shop's own chassis sheets, every version kept, and the options chosen for a job. */
export const sheetsAndOptions = {
  name: '002-sheets-and-options',
  async up(knex: Knex): Promise<void> {
    await knex.schema.createTable('sheet_version', (table) => {
      table.text('id').notNullable();
      table.integer('version').notNullable();
      table.text('text').notNullable();
      table.text('at').notNullable();
      table.primary(['id', 'version']);
    });
    for (const verb of ['update', 'delete'])
      await knex.raw(
        `create trigger sheet_version_no_${verb} before ${verb} on sheet_version begin select raise(abort, 'sheet_version is append-only'); end`,
      );
    await knex.schema.alterTable('job', (table) => {
      table.text('options').notNullable().defaultTo('{}');
    });
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
