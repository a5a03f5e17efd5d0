import { type Knex } from 'knex';
import { appendOnly } from './appendOnly';

/** Parts on the shelf with their movements, and what the jobs need. */
export const shelfAndNeeds = {
  name: '004-shelf-and-needs',
  async up(knex: Knex): Promise<void> {
    await knex.schema.createTable('stock_part', (table) => {
      table.increments('number').primary();
      table.text('id').notNullable().unique();
      table.text('typed').notNullable();
      table.text('kind').notNullable();
      table.text('drawer').notNullable();
      table.text('origin').notNullable();
      table.integer('count').notNullable().defaultTo(0);
      table.unique(['typed', 'drawer', 'origin']);
      table.index('kind');
    });
    await knex.schema.createTable('stock_figure', (table) => {
      table.text('part').notNullable().references('stock_part.id');
      table.text('name').notNullable();
      table.double('value').notNullable();
      table.primary(['name', 'value', 'part']);
    });
    await knex.schema.createTable('stock_move', (table) => {
      table.increments('seq').primary();
      table.text('id').notNullable().unique();
      table.text('part').notNullable().references('stock_part.id');
      table.integer('delta').notNullable();
      table.text('why').notNullable();
      table.text('need').nullable();
      table.text('undoes').nullable().unique();
      table.text('at').notNullable();
      table.index(['part', 'delta']);
    });
    await knex.schema.createTable('need', (table) => {
      table.text('id').primary();
      table.text('job').notNullable().references('job.id');
      table.text('typed').notNullable();
      table.integer('count').notNullable();
      table.text('at').notNullable();
      table.index('job');
    });
    await knex.schema.createTable('need_event', (table) => {
      table.increments('seq').primary();
      table.text('id').notNullable().unique();
      table.text('need').notNullable().references('need.id');
      table.text('state').notNullable();
      table.text('supplier').notNullable();
      table.text('due').notNullable();
      table.double('price').nullable();
      table.text('at').notNullable();
      table.index(['need', 'seq']);
    });
    const statements = [
      ...appendOnly('stock_move'),
      ...appendOnly('need_event'),
      // A count is the sum of its movements, kept beside them so that a list need not add up.
      'create trigger stock_count after insert on stock_move begin update stock_part set count = count + new.delta where id = new.part; end',
      'create index stock_part_there on stock_part ((count = 0), typed)',
      `create virtual table stock_search using fts5(typed, drawer, origin, content='stock_part', content_rowid='number', tokenize="unicode61 tokenchars '-.'", prefix='2 3')`,
      `create trigger stock_insert after insert on stock_part begin insert into stock_search(rowid, typed, drawer, origin) values (new.number, new.typed, new.drawer, new.origin); end`,
    ];
    for (const statement of statements) await knex.raw(statement);
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
