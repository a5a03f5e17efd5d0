import { readFileSync } from 'node:fs';
import path from 'node:path';
import Ajv from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';
import { parse } from 'yaml';
import { shippedSheets } from '@/sheets';
import { lintSheet, readSheet, SheetError, sheetSchema, withLabel } from '.';
import { smallSheet } from '../../../tests/fixtures/smallSheet';

const folder = path.join(process.cwd(), 'src', 'sheets');

/** Problems of the small sheet after one replacement. */
function problemsOf(from: string | RegExp, to: string): readonly { line: number; column: number; message: string }[] {
  try {
    readSheet(smallSheet.replace(from, to));
  } catch (error) {
    if (error instanceof SheetError) return error.problems;
    throw error;
  }
  return [];
}

describe('a sheet that extends another', () => {
  const child = (rest: string) => `format: tovrik-sheet/1\nid: child\nextends: small\n${rest}`;
  const textOf = (id: string) => (id === 'small' ? smallSheet : undefined);

  it('overrides, adds and takes out by name', () => {
    const sheet = readSheet(
      child(
        'title: Child set\nblocks:\n  load: { parts: { Q1: null, Q9: { kind: mosfet, faults: { open: { sets: { glow: dead } } } } } }\n' +
          'points:\n  vs-ohms: { expect: 33k }\n  look-all: { parts: [F1, C2, Q9] }\n',
      ),
      { textOf },
    );
    expect(sheet.title).toBe('Child set');
    expect(sheet.parts.has('Q1')).toBe(false);
    expect([...sheet.faults.keys()]).toContain('Q9.open');
    expect(sheet.points.get('vs-ohms')).toMatchObject({ expect: 33_000, net: 'vs' });
    expect(sheet.blocks.get('load')!.needs).toEqual(['vs']);
  });

  it.each([
    ['itself', 'format: tovrik-sheet/1\nid: child\nextends: child\n', /line 3.*extends itself/],
    ['in a circle', child(''), /circle: child → small → child/],
    ['what is not there', child('').replace('small', 'nobody'), /line 3.*no sheet "nobody"/],
    ['and takes out what is not there', child('boards:\n  attic: null\n'), /line 5.*"attic" is taken out of "boards"/],
    ['in another shape', child('blocks: [one, two]\n'), /line 4.*"blocks" overrides/],
    ['another technology', child('technology: crt-mono\n'), /line 4.*of technology plasma/],
    ['and gives a thing twice', child('boards: { x: { title: X } }\nboards: {}\n'), /line 5.*unique/],
  ])('complains where it extends %s', (what, text, message) => {
    const sources = {
      textOf: (id: string) =>
        what === 'in a circle' ? `format: tovrik-sheet/1\nid: small\nextends: child\n` : textOf(id),
    };
    expect(() => readSheet(text, sources)).toThrow(message);
  });

  it('says in which sheet a problem is', () => {
    const broken = { textOf: () => smallSheet.replace('volts: 230', 'volts: 230 ohms') };
    expect(() => readSheet(child(''), broken)).toThrow(/^in small, line 15/);
  });

  it('merges the chosen option, the first where none is chosen', () => {
    const text =
      smallSheet +
      'options:\n  size: { title: Size, choices: { s: { title: Small }, l: { title: Large, change: { nets: { vs: { volts: 210 } } } } } }\n';
    expect(readSheet(text).nets.get('vs')!.volts).toBe(180);
    expect(readSheet(text, { choices: { size: 'l' } }).nets.get('vs')!.volts).toBe(210);
    expect(() => readSheet(text, { choices: { size: 'xl' } })).toThrow(/no choice "xl"; it has s, l/);
    expect(() => readSheet(text, { choices: { colour: 'red' } })).toThrow(/no option "colour"; it has size/);
  });

  it('lets a choice take out what another choice brings or has taken out, and nothing else', () => {
    const withOptions = (taken: string) =>
      `${smallSheet}options:\n` +
      '  feed: { title: Feed, choices: { one: { title: One }, two: { title: Two, change: { boards: { second: { title: Second } } } } } }\n' +
      `  kind: { title: Kind, choices: { usual: { title: Usual }, bare: { title: Bare, change: { boards: { ${taken}: null } } } } }\n`;
    for (const feed of ['one', 'two'])
      expect(readSheet(withOptions('second'), { choices: { feed, kind: 'bare' } }).boards.has('second')).toBe(false);
    expect(() => readSheet(withOptions('third'), { choices: { kind: 'bare' } })).toThrow(/"third" is taken out/);
  });
});

describe('reading a sheet', () => {
  it('gives rails their label values and tolerances', () => {
    const sheet = readSheet(smallSheet);
    expect(sheet.nets.get('vs')).toMatchObject({
      volts: 180,
      tolerance: { relative: 0.01 },
      label: 'vs',
      source: 'label',
    });
    expect(withLabel(sheet, { vs: 187 }).nets.get('vs')!.volts).toBe(187);
    // What was not read stands for the label where the sheet says nothing, and is a guess where it says so.
    expect(withLabel(sheet, {}).nets.get('vs')).toMatchObject({ volts: 180, source: 'label' });
    const guessed = readSheet(smallSheet.replace('tolerance: 1% }', 'tolerance: 1%, source: guess }'));
    expect(withLabel(guessed, {}).nets.get('vs')).toMatchObject({ source: 'guess', tolerance: { relative: 0.25 } });
    expect(withLabel(guessed, { vs: 187 }).nets.get('vs')).toMatchObject({ volts: 187, source: 'label' });
    expect(sheet.parts.get('C2')).toMatchObject({ size: 100e-6, voltage: 250 });
  });

  it.each([
    ['an unknown net', 'needs: [mains]', 'needs: [mians]', 20, /net "mians"/],
    ['a misspelt member', 'regulates: true', 'regulate: true', 20, /"regulate" means nothing/],
    ['a fault that is none', 'short: { shorts', 'shrot: { shorts', 21, /"shrot" is not a fault/],
    ['a wrong unit', 'bleed: 470k', 'bleed: 470 V', 13, /in ohms, not volts/],
    ['a value that is none', 'farads: 100u', 'farads: lots', 13, /"lots" is not a value/],
    ['a missing label field', 'label.vs', 'label.va', 16, /label has no field "va"/],
    ['a net made twice', 'makes: [glow]', 'makes: [glow, vs]', 21, /made by "supply" and by "load"/],
    ['broken YAML', 'nets:', 'nets: {', 15, /./],
    ['another format', 'tovrik-sheet/1', 'tovrik-sheet/9', 1, /knows "format: tovrik-sheet\/1"/],
    ['a technology nobody makes', 'plasma', 'candle', 4, /"candle" is not a technology/],
  ])('says where: %s', (_, from, to, line, message) => {
    const [first] = problemsOf(from, to);
    expect(first?.message).toMatch(message);
    expect(Math.abs((first?.line ?? 0) - line)).toBeLessThanOrEqual(1);
  });

  it('finds blocks that need each other in a circle', () => {
    const looped = problemsOf('makes: [mains], parts', 'needs: [glow], makes: [mains], parts');
    expect(looped[0]?.message).toMatch(/circle/);
  });

  it('reports every problem of a sheet at once, in file order', () => {
    const broken = smallSheet.replace('bleed: 470k', 'bleed: soon').replace('expect: 22k', 'expect: few');
    expect(() => readSheet(broken)).toThrow(/and 1 more/);
  });

  it('refuses a sheet that is far too long before reading it', () => {
    expect(() => readSheet(smallSheet + '# '.padEnd(600 * 1024, 'x'))).toThrow(/may have at most 512 KB/);
  });
});

describe('lint', () => {
  it('warns of what is usable but likely not meant', () => {
    const odd = readSheet(
      smallSheet
        .replace('faults: { dry: { sets: { vs: 0.8 } } }', 'faults: { dry: { weight: 0 } }')
        .replace('  glow: {', '  lost: { title: Lost, volts: 5 }\n  glow: {'),
    );
    const messages = lintSheet(odd)
      .map(({ message }) => message)
      .join('\n');
    expect(messages).toMatch(/no block makes net "lost"/);
    expect(messages).toMatch(/"C2.dry" changes nothing/);
    expect(messages).toMatch(/rail "lost" has no point/);
  });

  it('warns of a code that never shows, because another protection acts first', () => {
    const guarded = (late: string) => {
      const text = smallSheet.replace('picture: {', `  late: { title: Late, ${late} }\npicture: {`);
      return lintSheet(readSheet(text)).map(({ message }) => message);
    };
    const never = 'code 5 can never show: "guard" acts first on all it watches';
    expect(guarded('watches: { vs: [dead] }, cuts: [vs], blinks: 5')).toEqual([never]);
    expect(guarded('watches: { vs: [dead], glow: [dead] }, cuts: [vs], blinks: 5')).toEqual([]);
    expect(guarded('watches: { vs: [dead] }, cuts: [vs], blinks: 5, after: 0')).toEqual([]);
  });

  it.each([
    ['rings', 'a word of the bench'],
    ['vs', 'one of point "vs-dc"'],
  ])('warns of the alias "%s", which is %s already', (alias, what) => {
    const crowded = readSheet(smallSheet.replace('parts: [C2] }', `parts: [C2], aliases: [${alias}] }`));
    expect(lintSheet(crowded).map(({ message }) => message)).toContainEqual(
      expect.stringContaining(`alias "${alias}" of point "C2-esr" is ${what} as well`),
    );
  });
});

describe('shipped sheets', () => {
  const schema = JSON.parse(readFileSync(path.join(folder, 'tovrik-sheet.schema.json'), 'utf8')) as object;
  const validate = new Ajv({ allErrors: true, strict: false }).compile(schema);

  it('is the one that the description of the format gives: npm run schema writes it', () => {
    expect(schema).toEqual(JSON.parse(JSON.stringify(sheetSchema)));
  });

  it.each([...shippedSheets().values()].map((sheet) => [sheet.title, sheet] as const))(
    '%s obeys the schema and calls no two points alike',
    (_, sheet) => {
      validate(parse(readFileSync(path.join(folder, `${sheet.id}.yaml`), 'utf8')));
      expect(validate.errors ?? []).toEqual([]);
      const names = [...sheet.points.values()].flatMap((point) => point.aliases.map((alias) => alias.toLowerCase()));
      expect(names.filter((name, index) => names.indexOf(name) !== index)).toEqual([]);
    },
  );
});

describe.each([...shippedSheets().values()].map((sheet) => [sheet.title, sheet] as const))('%s', (_, sheet) => {
  it('has enough to start any such set with: faults, points, cold checks, stores, codes, kit and quirks', () => {
    expect(sheet.faults.size).toBeGreaterThanOrEqual(60);
    expect(sheet.points.size).toBeGreaterThanOrEqual(70);
    const measures = new Set([...sheet.points.values()].map(({ measure }) => measure));
    for (const measure of ['dc', 'ac', 'ohms', 'diode', 'esr', 'look', 'press', 'swap'] as const)
      expect(measures.has(measure), measure).toBe(true);
    expect(sheet.stores.size).toBeGreaterThan(0);
    expect(sheet.protections.length).toBeGreaterThan(0);
    expect(Math.min(sheet.setUp.length, sheet.kit.length, sheet.quirks.length)).toBeGreaterThan(0);
  });

  it('has no point out of reach and nothing that lint complains of but rails read elsewhere', () => {
    const serious = lintSheet(sheet).filter(({ message }) => !message.includes('no point to measure it at'));
    expect(serious).toEqual([]);
  });
});
