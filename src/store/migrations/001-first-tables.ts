import { type Knex } from 'knex';
import { appendOnly } from './appendOnly';

/** Columns of a fault note that search looks into. */
const searched = ['title', 'chassis', 'symptom', 'cause', 'proof', 'cure', 'misled', 'parts'];

/** Jobs, their append-only log, fault notes with full-text search, settings. */
export const firstTables = {
  name: '001-first-tables',
  async up(knex: Knex): Promise<void> {
    await knex.schema.createTable('job', (table) => {
      table.text('id').primary();
      table.text('title').notNullable();
      table.text('place').notNullable();
      table.text('sheet').notNullable();
      table.text('label').notNullable();
      table.text('complaint').notNullable();
      table.text('words').notNullable();
      table.text('owner').notNullable();
      table.double('value').notNullable();
      table.double('money_limit').notNullable();
      table.text('waiting');
      table.text('created_at').notNullable();
      table.text('closed_at');
      table.index('closed_at');
    });
    await knex.schema.createTable('log_entry', (table) => {
      table.increments('seq').primary();
      table.text('id').notNullable().unique();
      table.text('job').notNullable().references('job.id');
      table.text('at').notNullable();
      table.text('supersedes').unique().references('log_entry.id');
      table.text('body').notNullable();
      table.index(['job', 'seq']);
    });
    await knex.schema.createTable('fault_note', (table) => {
      table.increments('number').primary();
      table.text('job').notNullable().unique().references('job.id');
      table.text('sheet').notNullable();
      for (const column of searched) table.text(column).notNullable();
      table.text('fault');
      table.double('money').notNullable();
      table.double('minutes').notNullable();
      table.text('outcome').notNullable();
      table.text('closed_at').notNullable();
      table.index(['sheet', 'fault']);
    });
    await knex.schema.createTable('setting', (table) => {
      table.text('name').primary();
      table.text('value').notNullable();
    });
    const columns = searched.join(', ');
    const fresh = searched.map((column) => `new.${column}`).join(', ');
    const stale = searched.map((column) => `old.${column}`).join(', ');
    const statements = [
      ...appendOnly('log_entry'),
      `create virtual table note_search using fts5(${columns}, content='fault_note', content_rowid='number', tokenize='unicode61 remove_diacritics 2', prefix='2 3')`,
      `create trigger note_insert after insert on fault_note begin insert into note_search(rowid, ${columns}) values (new.number, ${fresh}); end`,
      `create trigger note_update after update on fault_note begin insert into note_search(note_search, rowid, ${columns}) values ('delete', old.number, ${stale}); insert into note_search(rowid, ${columns}) values (new.number, ${fresh}); end`,
    ];
    for (const statement of statements) await knex.raw(statement);
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
