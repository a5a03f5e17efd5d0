import { LineCounter, parseDocument } from 'yaml';
import { describe, expect, it } from 'vitest';
import { parseTolerance } from '../quantity';
import { Field, type SheetReading } from './field';
import { Places } from './sources';

function read(text: string): { root: Field; reading: SheetReading } {
  const lines = new LineCounter();
  const { contents } = parseDocument(text, { lineCounter: lines });
  const reading: SheetReading = { places: new Places(lines), problems: [] };
  return { root: new Field(reading, contents, 'sheet'), reading };
}
/** Problems after something was read, as `line:column message`. */
const said = ({ problems }: SheetReading) =>
  problems.map(({ line, column, message }) => `${line}:${column} ${message}`);

describe('a field', () => {
  it('reads words, numbers, flags and lists', () => {
    const { root, reading } = read('title: Set\nvolts: 4k7\nheat: true\nrefs: [C1, C2]\nnothing: null\n');
    expect(root.get('title').text()).toBe('Set');
    expect(root.get('volts').quantity('Ω')).toBe(4700);
    expect(root.get('heat').flag(false)).toBe(true);
    expect(root.get('refs').texts()).toEqual(['C1', 'C2']);
    expect(root.get('nothing').present).toBe(false);
    expect(root.get('absent').flag(true)).toBe(true);
    expect(root.entries().map(({ name }) => name)).toEqual(['title', 'volts', 'heat', 'refs', 'nothing']);
    expect(reading.problems).toEqual([]);
  });

  it('keeps a value as it was written: 0R22 and 1e3 are not changed by YAML', () => {
    const { root } = read('a: 0R22\nb: 012\nc: 1e3\nd: "on"\n');
    expect(['a', 'b', 'c', 'd'].map((name) => root.get(name).text())).toEqual(['0R22', '012', '1e3', 'on']);
  });

  it.each([
    ['a: {}', (root: Field) => root.get('a').text(), '1:4 "a" should be a word or a sentence'],
    ['a: maybe', (root: Field) => root.get('a').flag(false), '1:4 "a" should be true or false'],
    ['a: 12', (root: Field) => root.get('a').entries(), '1:4 "a" should be a list of "name: value" lines'],
    ['a: 12', (root: Field) => root.get('a').items(), '1:4 "a" should be a list in [brackets] or with dashes'],
    ['a: 3 V', (root: Field) => root.get('a').quantity('Ω'), '1:4 "a" is in ohms, not volts'],
    [
      'x: 1\na: nine',
      (root: Field) => root.get('a').number(0, 0, 9),
      '2:4 "nine" is not a value: write it like 186.2, -168, 4k7, 0R22, 680u, 1.2 mV or OL',
    ],
    ['a: 12', (root: Field) => root.get('a').number(0, 0, 9), '1:4 "a" is 12; it may be from 0 to 9'],
    [
      'a: green',
      (root: Field) => root.get('a').oneOf(['hot', 'cold'] as const),
      '1:4 "green" is not a a; it may be hot, cold',
    ],
    ['x: 1', (root: Field) => root.get('title').text(), '1:1 "title" is missing in "sheet"'],
    [
      'a: lots',
      (root: Field) => root.get('a').attempt(parseTolerance, { relative: 1 }),
      '1:4 "lots" is not a value: write it like 186.2, -168, 4k7, 0R22, 680u, 1.2 mV or OL',
    ],
    [
      'good: 1\nbda: 2',
      (root: Field) => root.only('good', 'bad'),
      '2:1 "bda" means nothing in "sheet"; it may have good, bad',
    ],
  ])('says where "%s" is wrong and what would be right', (text, go, problem) => {
    const { root, reading } = read(text);
    go(root);
    expect(said(reading)).toEqual([problem]);
  });

  it('goes on with its fallback after a problem, so that all are reported', () => {
    const { root, reading } = read('a: nine\nb: maybe\n');
    expect(root.get('a').number(7)).toBe(7);
    expect(root.get('b').flag(true)).toBe(true);
    expect(reading.problems).toHaveLength(2);
  });
});
