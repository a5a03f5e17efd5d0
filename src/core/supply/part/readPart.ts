import { Refusal } from '../../quantity';
import { type FigureValue } from './figure';
import { type SupplyKind, supplyKinds } from './kinds';

/** A part by its figures: what is not known of it is left out. */
export interface SupplyPart {
  readonly kind: SupplyKind;
  readonly figures: Readonly<Record<string, FigureValue>>;
}

const kindsByWord = new Map(
  Object.entries(supplyKinds).flatMap(([kind, { words }]) => words.map((word) => [word, kind as SupplyKind] as const)),
);

const articleFor = (title: string) => `${/^[aeiou]/.test(title) ? 'an' : 'a'} ${title}`;

/** The kind of a part as it is typed, without reading the rest; undefined where its first word is none. */
export const kindTyped = (text: string): SupplyKind | undefined =>
  kindsByWord.get(
    inOneSpelling(text)
      .split(/[\s,;]+/, 1)[0]!
      .toLowerCase(),
  );

/**
 * Reads a part as it is typed: a letter or word for its kind, then its figures in any order.
 *
 *     C 680u 50V 105 lowesr 12.5x25/5
 *     Q npn 1500V 8A 50W damper
 *
 * @throws Refusal naming the word that fits nothing, with what would
 */
export function readPart(text: string): SupplyPart {
  const [first = '', ...rest] = inOneSpelling(text).split(/[\s,;]+/);
  const kind = kindsByWord.get(first.toLowerCase());
  if (!kind) {
    const examples = Object.values(supplyKinds).map(({ words, title }) => `${words[0]!.toUpperCase()} ${title}`);
    throw new Refusal(
      `${first === '' ? 'nothing is written' : `"${first}" is no kind of part`}: begin with one of ${examples.join(', ')}; as in "${supplyKinds.capacitor.example}"`,
    );
  }
  const { figures, title, example } = supplyKinds[kind];
  const found: Record<string, FigureValue> = {};
  // The word that names a kind may say its type as well: a bridge, a zener.
  const words =
    'type' in figures && figures.type!.word === undefined && figures.type!.read(first) !== undefined
      ? [first, ...rest]
      : rest;
  for (let at = 0; at < words.length; at += 1) {
    const word = words[at]!;
    const named = Object.entries(figures).find(([, figure]) => figure.word === word.toLowerCase().replace(/=$/, ''));
    let read: readonly [string, FigureValue] | undefined;
    if (named && words[at + 1] !== undefined) {
      const value = named[1].read(words[at + 1]!);
      if (value === undefined)
        throw new Refusal(`"${word} ${words[at + 1]}" is no ${named[1].title}: write it like "${named[1].example}"`);
      at += 1;
      read = [named[0], value];
    } else read = readWord(figures, word);
    if (!read) {
      throw new Refusal(`"${word}" is nothing that is said of ${articleFor(title)}: write one like "${example}"`);
    }
    const [name, value] = read;
    if (name in found) throw new Refusal(`${figures[name]!.title} is given twice, the second time as "${word}"`);
    found[name] = value;
  }
  if (Object.keys(found).length === 0) throw new Refusal(`nothing is said of the ${title}: write it like "${example}"`);
  return { kind, figures: found };
}

/** What separates a number from its unit, a fraction of a watt, volts about their letter, a pitch beside a body. */
function inOneSpelling(text: string): string {
  return text
    .trim()
    .replace(/(\d)\s+(?=(?:[GMkmuµnp]?(?:V|VAC|VDC|F|A|W|Hz|H|Ω|ohms?|s|J)|°C|mm|hours?|%)(?:[\s,;]|$))/g, '$1')
    .replace(/\blow[ -]esr\b/gi, 'lowesr')
    .replace(/\b1\/([248])\s*W\b/gi, (_, part: string) => `${1 / Number(part)}W`)
    .replace(/\b(\d+)V(\d+)\b/g, '$1.$2V')
    .replace(/(\d)VDC\b/gi, '$1V')
    .replace(/(\d)\s*hours?\b/gi, '$1h')
    .replace(/(\d(?:mm)?)\s+pitch\s+(\d)/gi, (_, body: string, pitch: string) => `${body.replace('mm', '')}/${pitch}`)
    .replace(/(^f\s.*?|^fuse\s.*?)\b([TFM])(\d+(?:\.\d+)?m?A)\b/i, '$1$2 $3')
    .replace(/(\d+(?:\.\d+)?)(uF|nF|pF|u|n|p)\/(\d+(?:\.\d+)?)\s*V\b/gi, '$1$2 $3V');
}

/** The figure that one word gives: `50V`, `lowesr`, or with its word joined on, `esr0.05`. */
function readWord(
  figures: (typeof supplyKinds)[SupplyKind]['figures'],
  word: string,
): readonly [string, FigureValue] | undefined {
  for (const [name, figure] of Object.entries(figures)) {
    const [, joined] = new RegExp(`^${figure.word}=?(\\d.*)$`, 'i').exec(word) ?? [];
    const text = figure.word === undefined ? word : joined;
    const value = text === undefined ? undefined : figure.read(text);
    if (value !== undefined) return [name, value];
  }
  for (const [name, figure] of Object.entries(figures)) {
    const value = figure.readAlone?.(word);
    if (value !== undefined) return [name, value];
  }
  return undefined;
}

/** A part as one would type it; `readPart` gives it back. */
export function writePart({ kind, figures }: SupplyPart): string {
  const { words, figures: known } = supplyKinds[kind];
  const written = Object.entries(known).flatMap(([name, figure]) =>
    figures[name] === undefined ? [] : [figure.write(figures[name])],
  );
  return [words[0]!.toUpperCase(), ...written].join(' ');
}
