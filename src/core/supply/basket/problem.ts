import * as yup from 'yup';
import { Refusal } from '../../quantity';
import { readDocument, unknownKey } from '../readDocument';

/** Something that is needed: so many of it, in so many days at the latest. */
export interface NeededLine {
  readonly id: string;
  readonly needs: number;
  readonly by: number | undefined;
  /** What goes without it is worth so much: left out where nobody can deliver. */
  readonly job: string | undefined;
}

/** What one supplier asks for one line, from a number of pieces on. */
export interface Offer {
  readonly line: string;
  /** The supplier’s own number of it. */
  readonly item?: string;
  readonly breaks: readonly { readonly from: number; readonly price: number }[];
  readonly stock: number | undefined;
  readonly days: number | undefined;
}

export interface Supplier {
  readonly id: string;
  readonly postage: number;
  /** Goods from which on postage is free. */
  readonly freeFrom: number | undefined;
  /** The least that goods must come to. */
  readonly minimum: number | undefined;
  readonly days: number;
  readonly offers: readonly Offer[];
}

/** What is to be bought where. Money is in the shop’s own. */
export interface BasketProblem {
  readonly lines: readonly NeededLine[];
  readonly suppliers: readonly Supplier[];
}

const name = (what: string) =>
  yup.string().required(`\${path} is the name of a ${what}`).typeError(`\${path} is the name of a ${what}, as text`);
const money = () => yup.number().min(0, '${path} is money, from 0 on').typeError('${path} is money, as 3.50');
const days = () =>
  yup
    .number()
    .min(0, '${path} is a number of days, from 0 on')
    .max(3650, '${path} is a number of days, at most 3650')
    .typeError('${path} is a number of days, as 4');
const count = () =>
  yup
    .number()
    .integer('${path} is a whole number')
    .min(1, '${path} is a whole number, from 1 on')
    .max(100_000, '${path} is at most 100000')
    .typeError('${path} is a whole number, from 1 on');

const offer = yup
  .object({
    line: name('line'),
    price: money().optional(),
    breaks: yup
      .array(
        yup
          .object({ from: count().required('${path} is missing'), price: money().required('${path} is missing') })
          .noUnknown(unknownKey),
      )
      .min(1, '${path} has one price at least')
      .max(20, '${path} has 20 prices at most')
      .optional(),
    stock: yup
      .number()
      .integer('${path} is a whole number')
      .min(0, '${path} is a whole number, from 0 on')
      .typeError('${path} is a whole number')
      .optional(),
    days: days().optional(),
  })
  .noUnknown(unknownKey);

const schema = yup
  .object({
    lines: yup
      .array(
        yup
          .object({
            id: name('line'),
            needs: count().required('${path} is missing: how many are needed'),
            by: days().optional(),
            job: yup.string().optional(),
          })
          .noUnknown(unknownKey),
      )
      .min(1, '${path} has one line at least')
      .max(500, '${path} has 500 lines at most')
      .required('lines are missing: what is needed, as - { id: can, needs: 4 }'),
    suppliers: yup
      .array(
        yup
          .object({
            id: name('supplier'),
            postage: money().default(0),
            freeFrom: money().optional(),
            minimum: money().optional(),
            days: days().default(0),
            offers: yup.array(offer).required('${path} is missing: what this supplier has'),
          })
          .noUnknown(unknownKey),
      )
      .min(1, '${path} has one supplier at least')
      .max(50, '${path} has 50 suppliers at most')
      .required('suppliers are missing'),
  })
  .noUnknown(unknownKey)
  .required();

/**
 * Reads what is needed and who offers it: `{ lines: [{ id, needs, by? }], suppliers: [{ id, postage, freeFrom?, minimum?, days,
 * offers: [{ line, price | breaks: [{ from, price }], stock?, days? }] }] }`, as YAML or JSON.
 *
 * @throws Refusal with the line of the first thing that is wrong
 */
export function readBasket(text: string): BasketProblem {
  const read = readDocument(text, schema);
  const lines = read.lines.map(({ id, needs, by, job }): NeededLine => ({ id, needs, by, job }));
  unique('line', lines);
  unique('supplier', read.suppliers);
  const ids = new Set(lines.map(({ id }) => id));
  const suppliers = read.suppliers.map(({ id, postage = 0, freeFrom, minimum, days: own = 0, offers }): Supplier => ({
    id,
    postage,
    freeFrom,
    minimum,
    days: own,
    offers: offers.map(({ line, price, breaks, stock, days: later }): Offer => {
      if (!ids.has(line)) throw new Refusal(`supplier "${id}" offers "${line}", and no line is called that`);
      if ((price === undefined) === (breaks === undefined))
        throw new Refusal(`what supplier "${id}" asks for "${line}" is a price or breaks, one of the two`);
      const asked = breaks ?? [{ from: 1, price: price! }];
      return { line, breaks: [...asked].sort((a, b) => a.from - b.from), stock, days: later };
    }),
  }));
  return { lines, suppliers };
}

function unique(what: string, named: readonly { readonly id: string }[]): void {
  const seen = new Set<string>();
  for (const { id } of named) {
    if (seen.has(id)) throw new Refusal(`two ${what}s are called "${id}": give each a name of its own`);
    seen.add(id);
  }
}
