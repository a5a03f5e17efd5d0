import { checkReferences } from './checkReferences';
import { count, mapOf, oneOf, oneOrMore, text } from './describe';
import { Field, type SheetReading } from './field';
import { SheetError } from './problem';
import { blocks } from './sections/block';
import { boards } from './sections/board';
import { connectors } from './sections/connector';
import { type Fault } from './sections/fault';
import { kit, quirks, setUp } from './sections/guidance';
import { label } from './sections/label';
import { nets } from './sections/net';
import { options } from './sections/option';
import { type Part, readPart } from './sections/part';
import { points } from './sections/point';
import { protections } from './sections/protection';
import { drivers } from './sections/driver';
import { siblings } from './sections/siblings';
import { signs } from './sections/sign';
import { stores } from './sections/store';
import { type Sheet } from './sheet';
import { withOwnElements } from './ownElements';
import { mergeSheet, type SheetSources } from './sources';
import { sheetFormat, technologies } from './words';

/**
 * Reads a chassis sheet.
 *
 * @param source YAML in the `tovrik-sheet/1` format
 * @param from the sheets it may extend, its netlists, and the choices of its options
 * @throws SheetError with every problem found, each with its line and column
 */
export function readSheet(source: string, from: SheetSources = {}): Sheet {
  const { root: map, places } = mergeSheet(source, from);
  const reading: SheetReading = { places, problems: [] };
  const sheet = readRoot(new Field(reading, map, 'sheet'), from);
  // Names are followed only in a sheet whose every value could be read: the rest would be noise.
  if (reading.problems.length === 0) checkReferences(sheet, reading.problems);
  if (reading.problems.length > 0) {
    throw new SheetError([...reading.problems].sort((a, b) => a.line - b.line || a.column - b.column));
  }
  return sheet;
}

/** Share of what goes wrong that a sheet lists where it does not say. */
const usuallyListed = 0.7;

/** Sections that are read by themselves. */
const sections = {
  id: text(),
  title: text(),
  technology: oneOf(technologies),
  size: text(''),
  summary: text(''),
  complete: count(usuallyListed, { least: 0.3, most: 1, description: 'share of what goes wrong that is listed here' }),
  options,
  label,
  boards,
  connectors,
  stores,
  nets: nets(new Map()),
  blocks: blocks(new Map(), {}),
  points,
  signs,
  protections,
  picture: mapOf(oneOrMore(text())),
  siblings,
  drivers,
  setup: setUp,
  kit,
  quirks,
} as const;

function readRoot(root: Field, from: SheetSources): Sheet {
  root.only('format', ...Object.keys(sections));
  const part = <Key extends keyof typeof sections>(key: Key) =>
    sections[key].read(root.get(key)) as ReturnType<(typeof sections)[Key]['read']>;
  const labelled = part('label');
  const onBoards = part('boards');
  const ofBlocks = blocks(onBoards, from).read(root.get('blocks'));
  const { parts, faults } = readParts(root, ofBlocks);
  return {
    id: part('id'),
    title: part('title'),
    technology: part('technology'),
    size: part('size'),
    summary: part('summary'),
    complete: part('complete'),
    options: [...part('options').values()],
    label: labelled,
    boards: onBoards,
    connectors: part('connectors'),
    stores: part('stores'),
    nets: nets(labelled).read(root.get('nets')),
    blocks: withOwnElements(ofBlocks, parts),
    parts,
    faults,
    points: part('points'),
    signs: part('signs'),
    protections: [...part('protections').values()],
    picture: part('picture'),
    siblings: [...part('siblings').values()],
    drivers: [...part('drivers').values()],
    setUp: part('setup'),
    kit: part('kit'),
    quirks: part('quirks'),
  };
}

/** The parts of all blocks, with their faults, in the order of the text. */
function readParts(root: Field, ofBlocks: Sheet['blocks']): { parts: Map<string, Part>; faults: Map<string, Fault> } {
  const parts = new Map<string, Part>();
  const faults = new Map<string, Fault>();
  for (const block of root.get('blocks').entries())
    for (const entry of block.get('parts').entries()) {
      if (parts.has(entry.name)) entry.fail(`part "${entry.name}" is described twice`);
      const { part, faults: ofPart } = readPart(entry, ofBlocks.get(block.name)!);
      parts.set(part.id, part);
      for (const fault of ofPart) faults.set(fault.id, fault);
    }
  return { parts, faults };
}

/** The JSON Schema of the format, as it ships with the sheets. */
export const sheetSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: sheetFormat,
  title: 'Chassis sheet',
  description: 'How a kind of set is built, how it fails and where to measure it.',
  type: 'object',
  required: ['format', 'id'],
  properties: {
    format: { const: sheetFormat },
    extends: {
      type: 'string',
      description: 'id of the sheet this one is laid over; a name given as null is taken out',
    },
    ...Object.fromEntries(Object.entries(sections).map(([key, { schema }]) => [key, schema])),
  },
  additionalProperties: false,
};
