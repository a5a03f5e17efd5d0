import { type Knex } from 'knex';

/** Columns of a fault note that search looks into. */
const searched = 'title chassis symptom cause proof cure misled parts remember accepted'.split(' ');

/** A set that came back, what a note keeps for next time, and what other shops count. */
export const returnsAndOtherShops = {
  name: '006-returns-and-other-shops',
  async up(knex: Knex): Promise<void> {
    await knex.schema.alterTable('fault_note', (table) => {
      table.text('remember').notNullable().defaultTo('');
      table.text('accepted').notNullable().defaultTo('');
    });
    await knex.schema.createTable('lent_count', (table) => {
      table.text('source').notNullable();
      table.text('sheet').notNullable();
      table.text('fault').notNullable();
      table.integer('count').notNullable();
      table.text('at').notNullable();
      table.primary(['source', 'sheet', 'fault']);
      table.index(['sheet', 'fault']);
    });
    const columns = searched.join(', ');
    const fresh = searched.map((column) => `new.${column}`).join(', ');
    const stale = searched.map((column) => `old.${column}`).join(', ');
    const statements = [
      // Knex would make the table anew for this, and every reference to it would be cut.
      'alter table job add column former text references job(id)',
      'create index job_former on job (former)',
      'drop trigger note_insert',
      'drop trigger note_update',
      'drop table note_search',
      `create virtual table note_search using fts5(${columns}, content='fault_note', content_rowid='number', tokenize='unicode61 remove_diacritics 2', prefix='2 3')`,
      `create trigger note_insert after insert on fault_note begin insert into note_search(rowid, ${columns}) values (new.number, ${fresh}); end`,
      `create trigger note_update after update on fault_note begin insert into note_search(note_search, rowid, ${columns}) values ('delete', old.number, ${stale}); insert into note_search(rowid, ${columns}) values (new.number, ${fresh}); end`,
      "insert into note_search(note_search) values ('rebuild')",
      "create virtual table note_search_word using fts5vocab('note_search', 'row')",
    ];
    for (const statement of statements) await knex.raw(statement);
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
