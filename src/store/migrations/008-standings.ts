import { type Knex } from 'knex';

/** Where each open job stands, as it was last worked out; it can be worked out again from all else. */
export const standings = {
  name: '008-standings',
  async up(knex: Knex): Promise<void> {
    await knex.raw(
      'create table standing (job text primary key references job(id), causes text not null, body text not null)',
    );
    await knex.raw('create index fault_note_sheet on fault_note (sheet, closed_at)');
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
