import * as yup from 'yup';
import { attempt, Refusal } from '@/core/quantity';
import { readPart, writePart } from '@/core/supply';

/** How a supplier’s order stands. */
export const orderStates = ['taken', 'back-ordered', 'sent', 'refused'] as const;
export type OrderState = (typeof orderStates)[number];

const number = () => yup.number().min(0).max(1e7);
const short = (most = 120) => yup.string().trim().max(most);
const date = () => yup.string().matches(/^\d{4}-\d{2}-\d{2}$/);

const item = yup.object({
  item: short().required(),
  typed: short(300).required(),
  breaks: yup
    .array(yup.object({ from: yup.number().integer().min(1).required(), price: number().required() }))
    .min(1)
    .max(20)
    .required(),
  stock: yup.number().integer().min(0).optional(),
  days: number().optional(),
});

/** What a supplier asks for sending, and what he has: `{ postage, freeFrom?, minimum?, days, items }`. */
export const offersAnswer = yup.object({
  postage: number().required(),
  freeFrom: number().optional(),
  minimum: number().optional(),
  days: number().required(),
  items: yup.array(item).max(5000).required(),
});
export type OffersAnswer = yup.InferType<typeof offersAnswer>;

/** The items that can be read as parts, written as we write them; what is sold under another name is no use here. */
export const readable = ({ items }: OffersAnswer): OffersAnswer['items'] =>
  items.flatMap((item) => {
    const part = attempt(() => readPart(item.typed));
    return part instanceof Refusal ? [] : [{ ...item, typed: writePart(part) }];
  });

/** What became of an order: `{ reference, lines: [{ item, state, due?, sent? }] }`; `sent` is what the delivery note says. */
export const orderAnswer = yup.object({
  reference: short().required(),
  lines: yup
    .array(
      yup.object({
        item: short().required(),
        state: yup.string().oneOf(orderStates).required(),
        due: date().optional(),
        sent: short(300).optional(),
      }),
    )
    .max(500)
    .required(),
});
export type OrderAnswer = yup.InferType<typeof orderAnswer>;

/** Prices that moved since they were told: `{ changed: [{ item, price }] }`, with status 409. */
export const changedAnswer = yup.object({
  changed: yup
    .array(yup.object({ item: short().required(), price: number().required() }))
    .min(1)
    .max(500)
    .required(),
});
