import * as yup from 'yup';
import { Refusal } from '../quantity';
import { readDocument, unknownKey } from '../supply';
import { type Rail, type Touch } from './rails';

const volts = () => yup.number().typeError('${path} is a number of volts');
const name = () => yup.string().required('${path} is a name').typeError('${path} is a name, as text');
const readings = () => yup.object().required('${path} is missing: what every rail reads, as { vs: 186.2, va: 62.9 }');

const schema = yup
  .object({
    rails: yup
      .array(
        yup
          .object({
            id: name(),
            target: volts().required('${path} is missing: a rail is set to a target'),
            within: yup
              .number()
              .positive('${path} is more than 0')
              .typeError('${path} is a number of volts')
              .required('${path} is missing: the volts it may be off'),
            limit: volts().optional(),
            control: name(),
            clockwise: yup.string().oneOf(['raises', 'lowers'], '${path} is raises or lowers').optional(),
          })
          .noUnknown(unknownKey),
      )
      .min(1, '${path} has one rail at least')
      .max(24, '${path} has 24 rails at most')
      .required('rails are missing: what is to be set'),
    reads: readings(),
    touches: yup
      .array(
        yup
          .object({
            control: name(),
            turn: yup.number().typeError('${path} is a number of turns, clockwise up').optional(),
            reads: readings(),
            end: yup.boolean().default(false),
          })
          .noUnknown(unknownKey),
      )
      .max(500, '${path} has 500 touches at most')
      .default([]),
  })
  .noUnknown(unknownKey)
  .required();

/** Readings of all rails; refused where one is missing, or is no number. */
function readAll(rails: readonly { readonly id: string }[], reads: object, where: string): ReadonlyMap<string, number> {
  const given = new Map(Object.entries(reads));
  for (const id of given.keys())
    if (!rails.some((rail) => rail.id === id)) throw new Refusal(`${where} reads "${id}", and no rail is called that`);
  return new Map(
    rails.map(({ id }) => {
      const value: unknown = given.get(id);
      if (typeof value !== 'number' || !Number.isFinite(value))
        throw new Refusal(`${where} says nothing of "${id}": give what it reads in volts`);
      return [id, value];
    }),
  );
}

/** What is to be set, and what was turned so far. */
export interface RailsProblem {
  readonly rails: readonly Rail[];
  readonly touches: readonly Touch[];
}

/**
 * Reads rails with their controls and what was turned: `{ rails: [{ id, target, within, limit?, control, clockwise? }], reads: {
 * id: volts }, touches: [{ control, turn?, reads, end? }] }`, as YAML or JSON. `reads` at the top is before the first touch.
 *
 * @throws Refusal with what is wrong and where
 */
export function readRails(text: string): RailsProblem {
  const read = readDocument(text, schema);
  const ids = new Set(read.rails.map(({ id }) => id));
  const controls = new Set(read.rails.map(({ control }) => control));
  if (ids.size < read.rails.length) throw new Refusal('two rails have the same id: give each its own');
  if (controls.size < read.rails.length)
    throw new Refusal('two rails have the same control: each is set by one of its own');
  let before = readAll(read.rails, read.reads, 'the start');
  const touches = (read.touches ?? []).map(({ control, turn, reads, end = false }, index): Touch => {
    if (!controls.has(control))
      throw new Refusal(`touch ${index + 1} turns "${control}", which sets none of the rails`);
    const after = readAll(read.rails, reads, `touch ${index + 1}`);
    const touch = { control, turn, before, after, end };
    before = after;
    return touch;
  });
  return {
    rails: read.rails.map(({ id, target, within, limit, control, clockwise }): Rail => {
      if (limit !== undefined && Math.abs(limit) <= Math.abs(target))
        throw new Refusal(`the limit of "${id}", ${limit} V, is not beyond its target of ${target} V`);
      const clockwiseRaises = clockwise === undefined ? undefined : clockwise === 'raises';
      return { id, target, within, limit, control, clockwiseRaises, reads: before.get(id)! };
    }),
    touches,
  };
}
