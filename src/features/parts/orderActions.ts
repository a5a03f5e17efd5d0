'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { Refusal } from '@/core/quantity';
import { readPart, writePart } from '@/core/supply';
import { type OrderAnswer, SupplierLink } from '@/instruments/suppliers';
import { addOrder, database, keepWords, openNeeds, openOrders, saveSupplier, suppliers } from '@/store';
import { answered, type Answered } from '@/workshop/answer';

const id = () => yup.string().uuid('every step needs an id of its own').required('every step needs an id of its own');
const now = () => new Date().toISOString();
const money = (what: string) =>
  yup
    .number()
    .min(0, `${what} is money, from 0 on`)
    .max(1e6, `${what} is at most a million`)
    .typeError(`${what} is money, as 3.50`);
const whole = (what: string) =>
  yup.number().integer(`${what} is a whole number`).typeError(`${what} is a whole number`);
const date = () => yup.string().matches(/^\d{4}-\d{2}-\d{2}$/, 'the date is written 2026-12-02');

const order = yup.object({
  id: id(),
  supplier: yup.string().required('choose a supplier'),
  postage: money('postage').required(),
  lines: yup
    .array(
      yup.object({
        item: yup.string().max(120).default(''),
        typed: yup.string().max(300).required(),
        count: whole('a count').min(1).max(100_000).required(),
        price: money('a price').required(),
        due: date().required(),
        over: whole('what is over').min(0).required(),
        needs: yup
          .array(yup.object({ need: yup.string().required(), count: whole('a count').min(1).required() }))
          .min(1, 'every line is for somebody')
          .required(),
      }),
    )
    .min(1, 'there is nothing to order')
    .max(200)
    .required(),
});

/** Orders at a supplier: at his service where he has one, and in the book; the same id orders once. */
export async function placeOrder(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { id: own, supplier, postage, lines } = order.validateSync(input);
    const db = await database();
    const seller = (await suppliers(db)).find((one) => one.id === supplier);
    if (!seller) throw new Refusal('there is no such supplier');
    await refuseGone(
      own,
      lines.flatMap(({ needs }) => needs.map(({ need }) => need)),
    );
    let taken: OrderAnswer | undefined;
    if (seller.link !== '')
      taken = await new SupplierLink(seller.title, seller.link).order(
        own,
        lines.map(({ item, count, price }) => ({ item, count, price })),
      );
    await addOrder(db, {
      id: own,
      supplier,
      reference: taken?.reference ?? '',
      postage,
      at: now(),
      lines: lines.flatMap(({ item, typed, price, due, over, needs }) =>
        needs.map(({ need, count }, index) => ({
          need,
          item,
          typed: writePart(readPart(typed)),
          count,
          over: index === 0 ? over : 0,
          price,
          due: taken?.lines.find((line) => line.item === item)?.due ?? due,
        })),
      ),
    });
    if (taken) await keepAnswer(own, taken);
    revalidatePath('/parts');
    revalidatePath('/');
    return undefined;
  });
}

/** @throws Refusal where something is not wanted any more, so that nothing is ordered in vain; an order that stands may be sent again */
async function refuseGone(order: string, wanted: readonly string[]): Promise<void> {
  const db = await database();
  if ((await openOrders(db)).some((one) => one.id === order)) return;
  const needs = new Map((await openNeeds(db)).map((need) => [need.id, need]));
  for (const id of wanted) {
    const need = needs.get(id);
    if (need?.state !== 'wanted')
      throw new Refusal(
        `${need ? `${need.typed} for ${need.set} is ${need.state}` : 'something of it is gone'}: look again before you order`,
      );
  }
}

async function keepAnswer(own: string, { lines }: OrderAnswer): Promise<void> {
  const db = await database();
  const placed = (await openOrders(db)).find((one) => one.id === own);
  if (!placed) return;
  const words = lines.map(({ item, state, due = '', sent = '' }) => ({ item, state, due, sent }));
  await keepWords(db, placed, words, now());
}

/** Asks a supplier how an order stands, and keeps what he says. */
export async function askOrder(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { id: own } = yup.object({ id: id() }).validateSync(input);
    const db = await database();
    const placed = (await openOrders(db)).find((one) => one.id === own);
    const seller = (await suppliers(db)).find((one) => one.id === placed?.supplier);
    if (!placed || !seller || seller.link === '' || placed.reference === '')
      throw new Refusal('this order is not open at a supplier who could be asked');
    await keepAnswer(own, await new SupplierLink(seller.title, seller.link).stateOf(placed.reference));
    revalidatePath('/parts');
    return undefined;
  });
}

const supplier = yup.object({
  id: id(),
  title: yup.string().trim().max(60, 'a supplier has at most 60 letters').required('what is the supplier called?'),
  link: yup.string().trim().max(300, 'an address has at most 300 letters').default(''),
  postage: money('postage').default(0),
  freeFrom: money('free postage').nullable().default(null),
  minimum: money('the least order').nullable().default(null),
  days: whole('days').min(0, 'days are from 0 on').max(3650, 'days are at most 3650').default(3),
});

/** Writes a supplier down, or his terms. */
export async function keepSupplier(input: unknown): Promise<Answered> {
  return answered(async () => {
    const row = supplier.validateSync(input);
    if (row.link !== '') new SupplierLink(row.title, row.link);
    await saveSupplier(await database(), row);
    revalidatePath('/parts');
    return undefined;
  });
}
