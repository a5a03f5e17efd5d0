import {
  flag,
  type Format,
  list,
  mapOf,
  oneOf,
  optional,
  type Placed,
  type Read,
  record,
  sectionOf,
  text,
} from '../describe';
import { readNetlist } from '../../circuit';
import { type Field } from '../field';
import { type SheetSources } from '../sources';
import { type Side, sides } from '../words';
import { type Board } from './board';
import { partsSchema } from './part';
import { levelsByNet, ratiosByNet } from './states';

/** An exception to what a block does by default: what it makes while its needs are at certain levels. */
const rule = record({ when: levelsByNet, makes: ratiosByNet });

const stage = record({
  /** Which of the stages that ship. */
  netlist: text(''),
  /** Its own netlist, where it is none of those. */
  circuit: text(''),
  /** Parameters of the netlist that are the volts of a net: as it was read, or as the sheet has it. */
  given: mapOf(text()),
  /** Parameters of the netlist that are the nominal volts of a net, whatever was read: what the stage is built for. */
  nominal: mapOf(text()),
  /** Nets, by node of the netlist. */
  nodes: mapOf(text()),
  /** Parts, by element of the netlist as it is written there. */
  parts: mapOf(text()),
});

/** A netlist inside a block, and what its names stand for in the sheet. */
export type BlockStage = Omit<Read<typeof stage>, 'circuit'> & {
  /** Its text; absent where no such stage is at hand. */
  readonly text?: string;
};

/** Parts are read by themselves, with their faults. */
const parts: Format<undefined> = { read: () => undefined, schema: partsSchema };

const block = record({
  title: text(),
  /** At most about fourteen letters, for the line. */
  short: optional(text(undefined, { maxLength: 14 })),
  board: text(),
  /** Its own side where its board has both. */
  side: optional(oneOf(sides)),
  needs: list(text()),
  makes: list(text()),
  /** Holds its outputs while its inputs are above four fifths. */
  regulates: flag(false),
  rules: list(rule),
  stage: optional(stage),
  parts,
});

/** A stage of the set on a board: it needs nets and makes others. */
export type Block = Omit<Placed<Read<typeof block>>, 'parts' | 'short' | 'side' | 'stage'> & {
  readonly short: string;
  readonly side: Side;
  /** What is inside it, where that is known. */
  readonly stage?: BlockStage;
};

/** A stage with its text: of those that ship, or its own. */
function insideOf(
  { circuit, ...inside }: Read<typeof stage>,
  field: Field,
  netlistOf: SheetSources['netlistOf'],
): BlockStage {
  if ((inside.netlist === '') === (circuit === ''))
    field.fail('a stage names a netlist that ships, or has a circuit of its own');
  if (circuit !== '') {
    field.get('circuit').attempt<unknown>(readNetlist, undefined);
    return { ...inside, text: circuit };
  }
  const shipped = netlistOf?.(inside.netlist);
  if (netlistOf && shipped === undefined)
    field.get('netlist').fail(`there is no netlist "${inside.netlist}" among the stages`);
  return { ...inside, ...(shipped === undefined ? {} : { text: shipped }) };
}

/** Blocks, each with the text of its netlist where it is at hand. */
export const blocks = (
  boards: ReadonlyMap<string, Board>,
  { netlistOf }: SheetSources,
): Format<ReadonlyMap<string, Block>> =>
  sectionOf<Read<typeof block>, Block>(block, (entry, { parts: _, stage: inside, short, side, ...read }) => {
    return {
      id: entry.name,
      ...read,
      short: short ?? read.title,
      side: side ?? boards.get(read.board)?.side ?? 'cold',
      ...(inside ? { stage: insideOf(inside, entry.get('stage'), netlistOf) } : {}),
      place: entry.place,
    };
  });
