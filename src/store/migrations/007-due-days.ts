import { type Knex } from 'knex';

/** The day a set is due, and whether it was put first by hand. */
export const dueDays = {
  name: '007-due-days',
  async up(knex: Knex): Promise<void> {
    await knex.raw("alter table job add column due text not null default ''");
    await knex.raw('alter table job add column pinned integer not null default 0');
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
