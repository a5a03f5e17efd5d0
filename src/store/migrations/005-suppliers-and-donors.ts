import { type Knex } from 'knex';
import { appendOnly } from './appendOnly';

/** Who sells parts, what was ordered of them and what they said of it; sets that parts are taken from. */
export const suppliersAndDonors = {
  name: '005-suppliers-and-donors',
  async up(knex: Knex): Promise<void> {
    await knex.schema.createTable('supplier', (table) => {
      table.text('id').primary();
      table.text('title').notNullable().unique();
      table.text('link').notNullable();
      table.double('postage').notNullable();
      table.double('free_from').nullable();
      table.double('minimum').nullable();
      table.integer('days').notNullable();
    });
    await knex.schema.createTable('supplier_item', (table) => {
      table.text('supplier').notNullable().references('supplier.id');
      table.text('item').notNullable();
      table.text('typed').notNullable();
      table.text('kind').notNullable();
      table.text('breaks').notNullable();
      table.integer('stock').nullable();
      table.double('days').nullable();
      table.text('seen').notNullable();
      table.primary(['supplier', 'item']);
      table.index(['supplier', 'kind']);
    });
    await knex.schema.createTable('supplier_order', (table) => {
      table.text('id').primary();
      table.text('supplier').notNullable().references('supplier.id');
      table.text('reference').notNullable();
      table.double('postage').notNullable();
      table.text('at').notNullable();
    });
    await knex.schema.createTable('order_line', (table) => {
      table.text('order').notNullable().references('supplier_order.id');
      table.text('need').notNullable().references('need.id');
      table.text('item').notNullable();
      table.text('typed').notNullable();
      table.integer('count').notNullable();
      table.integer('over').notNullable();
      table.double('price').notNullable();
      table.primary(['order', 'need']);
      table.index('need');
    });
    await knex.schema.createTable('order_word', (table) => {
      table.increments('seq').primary();
      table.text('order').notNullable().references('supplier_order.id');
      table.text('item').notNullable();
      table.text('state').notNullable();
      table.text('due').notNullable();
      table.text('sent').notNullable();
      table.text('at').notNullable();
      table.index(['order', 'item', 'seq']);
    });
    await knex.schema.createTable('donor', (table) => {
      table.text('id').primary();
      table.text('title').notNullable();
      table.text('place').notNullable();
      table.text('note').notNullable();
      table.text('at').notNullable();
    });
    await knex.schema.createTable('donor_part', (table) => {
      table.text('id').primary();
      table.text('donor').notNullable().references('donor.id');
      table.text('board').notNullable();
      table.text('typed').notNullable();
      table.text('kind').notNullable();
      table.text('condition').notNullable();
      table.double('minutes').notNullable();
      table.integer('count').notNullable().defaultTo(0);
      table.unique(['donor', 'board', 'typed', 'condition']);
      table.index('kind');
    });
    await knex.schema.createTable('donor_move', (table) => {
      table.increments('seq').primary();
      table.text('id').notNullable().unique();
      table.text('part').notNullable().references('donor_part.id');
      table.integer('delta').notNullable();
      table.text('why').notNullable();
      table.text('need').nullable();
      table.text('undoes').nullable().unique();
      table.text('at').notNullable();
      table.index('part');
    });
    const statements = [
      ...['supplier_order', 'order_line', 'order_word', 'donor_move'].flatMap(appendOnly),
      'create trigger donor_count after insert on donor_move begin update donor_part set count = count + new.delta where id = new.part; end',
    ];
    for (const statement of statements) await knex.raw(statement);
  },
  async down(): Promise<void> {
    throw new Error('migrations only go forward: restore a backup instead');
  },
};
