import { netlistRefusal } from './netlistRefusal';
import { placed } from '../../quantity';

import { evaluate, readNumber } from './expression';

/** A logical line of a netlist. */
export interface Line {
  readonly number: number;
  readonly text: string;
  /** The comment it stands under. */
  readonly section: string;
}

/** What names and values within a subcircuit, or at the top, stand for. */
export interface Scope {
  readonly path: string;
  /** The path as it was written. */
  readonly label: string;
  readonly nodes: ReadonlyMap<string, string>;
  readonly parameters: ReadonlyMap<string, number>;
  readonly depth: number;
}

/** Logical lines: comments taken off but remembered as headings, continuations joined; the first line is the title. */
export function logicalLines(text: string): { title: string; lines: Line[] } {
  const rows = text.split(/\r?\n/);
  const title = (rows[0] ?? '').replace(/^\*\s*/, '').trim();
  const lines: Line[] = [];
  let section = '';
  rows.forEach((row, index) => {
    const bare = row
      .replace(/;.*$/, '')
      .replace(/\s\$.*$/, '')
      .trim();
    if (index === 0 || bare === '') return;
    if (bare.startsWith('*')) {
      section = bare.replace(/^\*+\s*/, '');
      return;
    }
    if (bare.startsWith('+')) {
      const last = lines.pop();
      if (!last) throw netlistRefusal(index + 1, 'a line that goes on (+) needs one before it');
      lines.push({ ...last, text: `${last.text} ${bare.slice(1)}` });
    } else lines.push({ number: index + 1, text: bare, section });
  });
  return { title, lines };
}

/** Words of a line: parentheses, commas and equal signs part them; braces and quotes hold together. */
export function wordsOf({ number, text }: Line): string[] {
  const words = text.replace(/\s*=\s*/g, '=').match(/(?:[^\s(),={}']|=|\{[^}]*\}|'[^']*')+/g);
  if (!words) throw netlistRefusal(number, `"${text}" has no word: a line begins with an element or a directive`);
  return words.map((word) => word.toLowerCase());
}

/** An element's name as it is written. */
export const writtenName = (line: Line): string => line.text.split(/\s+/)[0]!;

/** What there is, at the end of a message of what there is not. */
export const listed = (names: readonly string[]): string => (names.length > 0 ? `; there are ${names.join(', ')}` : '');

/** The words `name=value` among words. */
export const assignments = (words: readonly string[]): [string, string][] =>
  words.flatMap((word): [string, string][] => {
    const at = word.indexOf('=');
    return at > 0 ? [[word.slice(0, at), word.slice(at + 1)]] : [];
  });

/** The node of the whole circuit that a name stands for. */
export function nodeIn({ path, nodes }: Scope, node: string): string {
  if (node === '0' || node === 'gnd') return '0';
  return nodes.get(node) ?? `${path}${node}`;
}

/** A number, or an expression of parameters. @throws Refusal */
export function valueOf(word: string | undefined, line: Line, parameters: ReadonlyMap<string, number>): number {
  if (word === undefined || word === '') throw netlistRefusal(line.number, 'a value is missing, like 4.7k');
  const inner = /^\{(.*)\}$|^'(.*)'$/.exec(word);
  const plain = readNumber(word);
  if (plain !== undefined) return plain;
  return placed(`line ${line.number}`, () => evaluate(inner ? (inner[1] ?? inner[2] ?? '') : word, parameters), {
    line: line.number,
  });
}
