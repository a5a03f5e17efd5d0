import { parseTolerance } from '../quantity';
import { checkReferences } from './checkReferences';
import { Field, type Reading } from './field';
import { SheetError } from './problem';
import { mergeSheet, type SheetSources } from './sources';
import { readFault, readPart } from './readPart';
import { defaultTolerance, readPoint, readSign } from './readPoint';
import { readLevels, readRatios, readSigns } from './readStates';
import {
  type Block,
  type BlockStage,
  type Board,
  type Connector,
  type Fault,
  type LabelField,
  type Net,
  type Option,
  type Part,
  type Protection,
  type Rule,
  type Sheet,
  sides,
  signalClasses,
  sources,
  type Store,
  technologies,
} from './sheet';

/**
 * Reads a chassis sheet.
 *
 * @param text YAML in the `tovrik-sheet/1` format
 * @param sources the sheets it may extend and the choices of its options
 * @throws SheetError with every problem found, each with its line and column
 */
export function readSheet(text: string, sources: SheetSources = {}): Sheet {
  const { root: map, places } = mergeSheet(text, sources);
  const reading: Reading = { places, problems: [] };
  const root = new Field(reading, map, 'sheet');
  const sheet = readRoot(root, sources);
  // Names are followed only in a sheet whose every value could be read: the rest would be noise.
  if (reading.problems.length === 0) checkReferences(sheet, reading.problems);
  if (reading.problems.length > 0) {
    throw new SheetError([...reading.problems].sort((a, b) => a.line - b.line || a.column - b.column));
  }
  return sheet;
}

function keyed<T extends { id: string }>(section: Field, read: (entry: Field) => T): Map<string, T> {
  return new Map(section.entries().map((entry) => [entry.name, read(entry)]));
}

function readRoot(root: Field, from: SheetSources): Sheet {
  root.only(
    'format',
    'id',
    'title',
    'technology',
    'size',
    'summary',
    'options',
    'label',
    'boards',
    'connectors',
    'stores',
    'nets',
    'blocks',
    'points',
    'signs',
    'protections',
    'picture',
    'siblings',
    'setup',
    'kit',
    'quirks',
  );
  const label = keyed(root.get('label'), readLabelField);
  const boards = keyed(root.get('boards'), readBoard);
  const blocks = keyed(root.get('blocks'), (entry) => readBlock(entry, boards, from));
  const parts = new Map<string, Part>();
  const faults = new Map<string, Fault>();
  for (const blockField of root.get('blocks').entries()) {
    const block = blocks.get(blockField.name)!;
    for (const partField of blockField.get('parts').entries()) {
      if (parts.has(partField.name)) partField.fail(`part "${partField.name}" is described twice`);
      const part = readPart(partField, block);
      parts.set(part.id, part);
      for (const faultField of partField.get('faults').entries()) {
        const fault = readFault(faultField, part);
        faults.set(fault.id, fault);
      }
    }
  }
  return {
    id: root.get('id').text(),
    title: root.get('title').text(),
    technology: root.get('technology').oneOf(technologies),
    size: root.get('size').text(''),
    summary: root.get('summary').text(''),
    options: root.get('options').entries().map(readOption),
    label,
    boards,
    connectors: keyed(root.get('connectors'), readConnector),
    stores: keyed(root.get('stores'), readStore),
    nets: keyed(root.get('nets'), (entry) => readNet(entry, label)),
    blocks,
    parts,
    faults,
    points: keyed(root.get('points'), readPoint),
    signs: keyed(root.get('signs'), readSign),
    protections: root.get('protections').entries().map(readProtection),
    picture: new Map(
      root
        .get('picture')
        .entries()
        .map((entry) => [entry.name, entry.isScalar ? [entry.text()] : entry.texts()]),
    ),
    siblings: root
      .get('siblings')
      .entries()
      .map((entry) => ({
        id: entry.name,
        title: entry.get('title').text(),
        columns: entry.get('columns').texts(),
        rows: entry
          .get('rows')
          .items()
          .map((row) => ({
            title: row.get('title').text(),
            points: row.get('points').texts(),
            parts: row
              .get('parts')
              .items()
              .map((cell) => cell.texts()),
          })),
      })),
    setUp: root
      .get('setup')
      .items()
      .map((step) => {
        const point = step.get('point').optionalText();
        return {
          title: step.get('title').text(),
          target: step.get('target').text(''),
          how: step.get('how').text(''),
          ...(point === undefined ? {} : { point }),
        };
      }),
    kit: root
      .get('kit')
      .items()
      .map((line) => ({
        refs: line.get('refs').texts(),
        value: line.get('value').text(),
        note: line.get('note').text(''),
      })),
    quirks: root
      .get('quirks')
      .items()
      .map((quirk) => ({
        title: quirk.get('title').text(),
        note: quirk.get('note').text(''),
      })),
  };
}

function readOption(entry: Field): Option {
  entry.only('title', 'choices');
  return {
    id: entry.name,
    title: entry.get('title').text(),
    choices: entry
      .get('choices')
      .entries()
      .map((choice) => {
        choice.only('title', 'tell', 'change');
        return { id: choice.name, title: choice.get('title').text(), tell: choice.get('tell').text('') };
      }),
  };
}

function readLabelField(entry: Field): LabelField {
  entry.only('title', 'nominal', 'tolerance');
  return {
    id: entry.name,
    title: entry.get('title').text(entry.name),
    unit: 'V',
    nominal: entry.get('nominal').quantity('V'),
    tolerance: entry.get('tolerance').attempt(parseTolerance, defaultTolerance),
  };
}

function readBoard(entry: Field): Board {
  entry.only('title', 'aliases', 'side', 'value', 'removal');
  return {
    id: entry.name,
    title: entry.get('title').text(),
    aliases: entry.get('aliases').texts(),
    side: entry.get('side').oneOf(sides, 'cold'),
    value: entry.get('value').number(0, 0),
    removal: entry.get('removal').number(10, 0),
  };
}

function readConnector(entry: Field): Connector {
  entry.only('title', 'from', 'to', 'carries', 'minutes', 'unplug');
  return {
    id: entry.name,
    title: entry.get('title').text(entry.name),
    from: entry.get('from').text(),
    to: entry.get('to').text(),
    carries: entry.get('carries').texts(),
    minutes: entry.get('minutes').number(1, 0),
    unplug: entry.get('unplug').flag(false),
  };
}

function readStore(entry: Field): Store {
  entry.only('title', 'farads', 'volts', 'bleed', 'side', 'place');
  const bleed = entry.get('bleed').optionalQuantity('Ω');
  return {
    id: entry.name,
    title: entry.get('title').text(entry.name),
    farads: entry.get('farads').quantity('F'),
    volts: entry.get('volts').quantity('V'),
    side: entry.get('side').oneOf(sides, 'hot'),
    place: entry.get('place').text(''),
    ...(bleed === undefined ? {} : { bleed }),
  };
}

function readNet(entry: Field, label: ReadonlyMap<string, LabelField>): Net {
  entry.only('title', 'kind', 'signal', 'volts', 'tolerance', 'source');
  const volts = entry.get('volts');
  const written = volts.text('1');
  const labelled = written.startsWith('label.') ? written.slice('label.'.length) : undefined;
  const field = labelled === undefined ? undefined : label.get(labelled);
  if (labelled !== undefined && !field)
    volts.fail(`the label has no field "${labelled}"; it has ${[...label.keys()].join(', ')}`);
  const signal = entry.get('signal').present ? entry.get('signal').oneOf(signalClasses) : undefined;
  return {
    id: entry.name,
    title: entry.get('title').text(entry.name),
    kind: entry.get('kind').oneOf(['rail', 'signal'] as const, signal === undefined ? 'rail' : 'signal'),
    volts: labelled === undefined ? volts.quantity('V', 1) : (field?.nominal ?? 1),
    tolerance: entry.get('tolerance').attempt(parseTolerance, field?.tolerance ?? defaultTolerance),
    source: entry.get('source').oneOf(sources, field ? 'label' : 'manual'),
    place: entry.place,
    ...(signal === undefined ? {} : { signal }),
    ...(field ? { label: field.id } : {}),
  };
}

function readBlock(entry: Field, boards: ReadonlyMap<string, Board>, from: SheetSources): Block {
  entry.only('title', 'short', 'board', 'side', 'needs', 'makes', 'regulates', 'rules', 'stage', 'parts');
  const stage = entry.get('stage');
  return {
    id: entry.name,
    title: entry.get('title').text(),
    short: entry.get('short').text(entry.get('title').text('')),
    board: entry.get('board').text(),
    side: entry.get('side').oneOf(sides, boards.get(entry.get('board').text(''))?.side ?? 'cold'),
    needs: entry.get('needs').texts(),
    makes: entry.get('makes').texts(),
    regulates: entry.get('regulates').flag(false),
    rules: entry.get('rules').items().map(readRule),
    ...(stage.present ? { stage: readBlockStage(stage, from) } : {}),
    place: entry.place,
  };
}

function readBlockStage(field: Field, { netlistOf }: SheetSources): BlockStage {
  field.only('netlist', 'given', 'nodes', 'parts');
  const names = (key: string) =>
    new Map(
      field
        .get(key)
        .entries()
        .map((entry) => [entry.name, entry.text()]),
    );
  const netlist = field.get('netlist').text();
  const text = netlistOf?.(netlist);
  if (netlistOf && text === undefined) field.get('netlist').fail(`there is no netlist "${netlist}" among the stages`);
  return {
    netlist,
    ...(text === undefined ? {} : { text }),
    given: names('given'),
    nodes: names('nodes'),
    parts: names('parts'),
  };
}

function readRule(item: Field): Rule {
  item.only('when', 'makes');
  return {
    when: new Map(
      item
        .get('when')
        .entries()
        .map((entry) => [entry.name, readLevels(entry)]),
    ),
    makes: readRatios(item.get('makes')),
  };
}

function readProtection(entry: Field): Protection {
  entry.only('title', 'watches', 'cuts', 'blinks', 'after', 'signs');
  return {
    id: entry.name,
    title: entry.get('title').text(),
    watches: new Map(
      entry
        .get('watches')
        .entries()
        .map((watch) => [watch.name, readLevels(watch)]),
    ),
    cuts: entry.get('cuts').texts(),
    blinks: entry.get('blinks').present ? entry.get('blinks').number(0, 1, 30) : undefined,
    after: entry.get('after').number(1, 0, 3600),
    signs: readSigns(entry.get('signs')),
  };
}
