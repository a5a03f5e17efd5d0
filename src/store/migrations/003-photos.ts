import { type Knex } from 'knex';

/** Photographs attached to jobs. */
export const photos = {
  name: '003-photos',
  async up(knex: Knex): Promise<void> {
    await knex.schema.createTable('photo', (table) => {
      table.text('id').primary();
      table.text('job').notNullable().index();
      table.text('at').notNullable();
      table.text('type').notNullable();
      table.binary('bytes').notNullable();
    });
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
