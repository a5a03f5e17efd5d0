import { appearances, type FaultMode, faultModeNames } from '../../parts';
import { count, type Format, list, mapOf, oneOf, optional, quantity, type Read, record, text } from '../describe';
import { type Field } from '../field';
import { faultTitle } from '../faultTitle';
import { type Place } from '../place';
import { ratiosByNet, statesBySign } from './states';

const fault = record({
  title: optional(text()),
  /** Multiplies the base rate of the part kind and mode. */
  weight: count(1, { least: 0, most: 1000 }),
  appears: oneOf(appearances, 'always'),
  /** What nets are multiplied by. */
  sets: ratiosByNet,
  shorts: list(text()),
  ripples: list(text()),
  opens: list(text()),
  signs: statesBySign,
  shows: list(text()),
  /** Faults it is likely to bring about in other parts. */
  harms: list(text(), 'faults it is likely to bring about, as part.mode'),
  /** Overrides of single predictions: point → value. */
  reads: mapOf(quantity('')),
});

/** A way for one part to fail, and what that does to the set. */
export interface Fault extends Omit<Read<typeof fault>, 'title'> {
  /** `part.mode`. */
  readonly id: string;
  readonly part: string;
  readonly mode: FaultMode;
  readonly title: string;
  readonly place: Place;
  /** The fault of which this is another degree: what goes dead by it keeps some of its volts, what is altered is so by more. */
  readonly degreeOf?: string;
  /** The listed fault that something unlisted does the same as. */
  readonly like?: string;
}

/** Is it what no sheet lists, in a block or acting on a net from elsewhere? */
export const isUnlisted = ({ mode }: Pick<Fault, 'mode'>): boolean => mode === 'unlisted' || mode === 'elsewhere';

/** Is it a fault that a sheet lists, and not one that may lie beside those? */
export const isListed = (fault: Pick<Fault, 'mode' | 'degreeOf'>): boolean =>
  !isUnlisted(fault) && fault.degreeOf === undefined;

/** The faults of a part, by mode. */
export const faultsSchema: Format<unknown>['schema'] = {
  type: 'object',
  propertyNames: { enum: faultModeNames },
  additionalProperties: { ...fault.schema, type: ['object', 'null'] },
};

/** Reads what happens to a part, and what that does. */
export function readFault(entry: Field, part: { readonly id: string; readonly title: string }): Fault {
  const mode = faultModeNames.find((word) => word === entry.name);
  if (mode === undefined) entry.fail(`"${entry.name}" is not a fault; it may be ${faultModeNames.join(', ')}`);
  const read = fault.read(entry);
  return {
    ...read,
    id: `${part.id}.${entry.name}`,
    part: part.id,
    mode: mode ?? 'dead',
    title: read.title ?? faultTitle(part, mode ?? 'dead'),
    place: entry.place,
  };
}
