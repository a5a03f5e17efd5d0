import { attempt, parseQuantity, Refusal } from '../quantity';

/** Powers of a thousand by the letter that is written for them. */
const prefixes: readonly [letter: string, factor: number][] = [
  ['p', 1e-12],
  ['n', 1e-9],
  ['u', 1e-6],
  ['µ', 1e-6],
  ['m', 1e-3],
  ['', 1],
  ['r', 1],
  ['k', 1e3],
  ['m', 1e6],
];
const units = ['', 'f', 'v', 'ohm', 'ω', 'h', 'w'];

/** How a number is written: `4.7`, and `4k7` with the letter at the point. */
function spellings(value: number): string[] {
  const found = new Set<string>();
  for (const [letter, factor] of prefixes) {
    const mantissa = Number((value / factor).toPrecision(6));
    if (!(mantissa >= 0.01 && mantissa < 10_000)) continue;
    const [whole = '', part] = String(mantissa).split('.');
    // The search cuts words at a point.
    for (const unit of units)
      found.add(part === undefined ? `${whole}${letter}${unit}` : `${whole} ${part}${letter}${unit}`);
    if (part !== undefined && letter !== '') for (const unit of units) found.add(`${whole}${letter}${part}${unit}`);
  }
  return [...found];
}

/** A word that is a value, in all the ways it may have been written down; any other word is itself alone. */
function waysOf(word: string): string[] {
  if (!/^\d/.test(word)) return [word];
  const read = attempt(() => parseQuantity(word.replace(/(?<=[a-zµ])f$/i, '')));
  if (read instanceof Refusal || !/[a-zµ.]/i.test(word) || !(Math.abs(read.value) > 0) || !Number.isFinite(read.value))
    return [word];
  return [...new Set([word, ...spellings(Math.abs(read.value))])];
}

/** Letters and digits alone, so that no query syntax leaks in. */
const plain = (text: string): string => (text.match(/[\p{L}\p{N}]+/gu) ?? []).join(' ');

/** Words of what was typed, split as the search splits a text; a value keeps its point. */
export const wordsOf = (typed: string): string[] =>
  (typed.match(/\d+\.\d+[\p{L}]*|[\p{L}\p{N}]+/gu) ?? []).map((word) => word.toLowerCase());

/**
 * A full-text query from words: every word must occur, the last may be unfinished. A value is found however it was
 * written: `680u` finds `680 µF` as `680uF`, `4k7` finds `4.7 kΩ`.
 */
export function searchQuery(words: readonly string[]): string {
  return words
    .map((word, index) => {
      const ways = waysOf(word).map(plain);
      const [first = '', ...more] = [...new Set(ways)].filter((way) => way !== '');
      const open = index === words.length - 1 ? '*' : '';
      const all = [`"${first}"${open}`, ...more.map((way) => `"${way}"`)];
      return all.length === 1 ? all[0]! : `(${all.join(' OR ')})`;
    })
    .join(' AND ');
}

/**
 * How many letters lie between two words: put in, left out, changed, or two beside each other swapped
 * (Damerau 1964, restricted); more than `most` is said as `most + 1`.
 */
export function lettersApart(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, at) => at);
  for (let i = 1; i <= a.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const change = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + change);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) least = Math.min(least, before[j - 2]! + 1);
      row.push(least);
    }
    [before, last] = [last, row];
  }
  return Math.min(last[b.length]!, most + 1);
}

/** The word there is that is nearest to one that was typed: one letter off in a short word, two in a long one. */
export function nearestWord(
  typed: string,
  words: Iterable<{ readonly word: string; readonly count: number }>,
): string | undefined {
  const most = typed.length < 4 ? 0 : typed.length < 8 ? 1 : 2;
  let best: { word: string; apart: number; count: number } | undefined;
  for (const { word, count } of words) {
    // An unfinished word is as near as its beginning.
    const apart = Math.min(
      lettersApart(typed, word, most),
      word.length > typed.length ? lettersApart(typed, word.slice(0, typed.length), most) : most + 1,
    );
    if (apart > most) continue;
    if (!best || apart < best.apart || (apart === best.apart && count > best.count)) best = { word, apart, count };
  }
  return best?.word;
}
