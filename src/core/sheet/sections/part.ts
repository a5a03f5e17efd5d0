import { partKindNames } from '../../parts';
import { count, flag, type Format, type Named, oneOf, optional, type Read, record, text, written } from '../describe';
import { type Field } from '../field';
import { readPartValue } from '../partValue';
import { type Fault, faultsSchema, readFault } from './fault';

/** Read one by one, since each takes its title from the part. */
const faults: Format<undefined> = { read: () => undefined, schema: faultsSchema };

const part = record({
  kind: oneOf(partKindNames),
  title: text(''),
  /** As marked, e.g. `100u 35V`. */
  value: written(''),
  /** Runs hot: joints crack and capacitors dry sooner. */
  heat: flag(false),
  /** Found in a set by whoever had it on the bench: it stands for some of what the sheet did not list of its block. */
  own: flag(false),
  /** Of a new one, in the shop's money. */
  price: optional(count(0, { least: 0 })),
  board: optional(text()),
  /** What it is in the netlist of its block, where that does not say so itself. */
  element: optional(text()),
  faults,
});

/** A part of a block. */
export interface Part extends Named<Omit<Read<typeof part>, 'faults' | 'price' | 'board' | 'element'>> {
  readonly block: string;
  readonly board: string;
  readonly price: number | undefined;
  readonly element: string | undefined;
  /** Main quantity of the value, in base units. */
  readonly size?: number;
  /** Rated volts. */
  readonly voltage?: number;
}

export const partsSchema: Format<unknown>['schema'] = {
  type: 'object',
  additionalProperties: { ...part.schema, type: ['object', 'null'] },
};

/** Reads a part of a block with its faults. */
export function readPart(
  entry: Field,
  block: { readonly id: string; readonly board: string },
): { readonly part: Part; readonly faults: readonly Fault[] } {
  const { kind, title, value, heat, own, price, board = block.board, element } = part.read(entry);
  const found: Part = {
    id: entry.name,
    title: title === '' ? entry.name : title,
    kind,
    block: block.id,
    board,
    value,
    heat,
    own,
    price,
    element,
    ...entry.get('value').attempt((marked) => readPartValue(kind, marked), {}),
  };
  return {
    part: found,
    faults: entry
      .get('faults')
      .entries()
      .map((fault) => readFault(fault, found)),
  };
}
