import { type Knex } from 'knex';

/** Of jobs and sheets, whatever takes long to work out and can be worked out again from all else. */
export const workedOut = {
  name: '009-worked-out',
  async up(knex: Knex): Promise<void> {
    await knex.raw('drop table standing');
    await knex.raw(
      'create table worked_out (kind text not null, subject text not null, causes text not null, body text not null, primary key (kind, subject))',
    );
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
