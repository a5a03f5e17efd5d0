import { attempt, formatQuantity, parseQuantity, Refusal, type Unit } from '../../quantity';

/** Millimetres of a body, the largest first as they are written, and of its lead pitch. */
export interface Size {
  readonly body: readonly number[];
  readonly pitch?: number;
}

/** What a figure of a part is: a number, a word, a range, a size, or simply so. */
export type FigureValue = number | string | true | readonly [number, number] | Size;

/** One figure of a kind of part, as it is called, typed and written. */
export interface Figure {
  readonly title: string;
  /** How it is typed, for messages and help. */
  readonly example: string;
  /** A word that is typed before its value; the two may stand together or apart. */
  readonly word?: string;
  /** Its value where `text` is one of it; undefined where it is something else. */
  read(text: string): FigureValue | undefined;
  /** The same for a figure with a word, where its form alone tells it: `75ns` of a diode. Asked last. */
  readAlone?(text: string): FigureValue | undefined;
  write(value: FigureValue): string;
}

const positive = (value: number) => value > 0 && Number.isFinite(value);

function quantity(text: string) {
  const read = attempt(() => parseQuantity(text));
  return read instanceof Refusal ? undefined : read;
}

/** Letters that fall for a unit: ohms are typed Ω, R or ohm. */
const spelt = (text: string) => text.replace(/ohms?$/i, 'Ω');

/** Watts are never milli on a part: 0.5W. */
const written = (value: number, unit: Unit) =>
  unit === 'W' ? `${Number(value.toPrecision(9))}W` : formatQuantity(value, unit, 9).replace(' ', '');

interface NumberTold {
  readonly title: string;
  readonly unit: Unit;
  readonly example: string;
  readonly word?: string;
  /** The figure a part of its kind is called by needs no unit: with a prefix, or plain. */
  readonly bare?: 'prefixed' | 'plain';
  /** Its unit tells it among the figures of its kind, without its word. */
  readonly alone?: true;
}

/** A figure in a unit. */
export const inUnit = ({ unit, bare, alone, ...told }: NumberTold): Figure => ({
  ...told,
  ...(alone && {
    readAlone: (text: string) => {
      const read = quantity(spelt(text));
      return read?.unit === unit && positive(read.value) ? read.value : undefined;
    },
  }),
  read: (text) => {
    const read = quantity(spelt(text));
    if (!read || !positive(read.value)) return undefined;
    if (read.unit === unit) return read.value;
    const mayBeBare = told.word !== undefined || bare === 'plain' || (bare === 'prefixed' && /[a-zµ]/i.test(text));
    return read.unit === undefined && mayBeBare ? read.value : undefined;
  },
  write: (value) => `${told.word ? `${told.word} ` : ''}${written(value as number, unit)}`,
});

interface SuffixTold {
  readonly title: string;
  readonly example: string;
  readonly word?: string;
  /** What stands after the number, as a regular expression; the first group of the whole is the number. */
  readonly suffix: string;
  readonly written: string;
  readonly factor?: number;
}

/** A figure in something that is none of the bench’s units: hours, degrees, millimetres. */
export const inSuffix = ({ title, example, word, suffix, written, factor = 1 }: SuffixTold): Figure => {
  const form = new RegExp(`^(\\d+(?:\\.\\d+)?)${suffix}$`, 'i');
  return {
    title,
    example,
    ...(word === undefined ? {} : { word }),
    read: (text) => {
      const value = Number(form.exec(text)?.[1]) * factor;
      return positive(value) ? value : undefined;
    },
    write: (value) => `${word ? `${word} ` : ''}${Number(((value as number) / factor).toPrecision(6))}${written}`,
  };
};

/** A figure that is said by one of a few words. */
export const oneWord = (title: string, words: Readonly<Record<string, readonly string[]>>): Figure => ({
  title,
  example: Object.keys(words).join(', '),
  read: (text) => Object.entries(words).find(([name, others]) => [name, ...others].includes(text.toLowerCase()))?.[0],
  write: (value) => value as string,
});

/** A figure that a part has or has not. */
export const flag = (title: string, word: string, ...others: readonly string[]): Figure => ({
  title,
  example: word,
  read: (text) => ([word, ...others].includes(text.toLowerCase()) ? true : undefined),
  write: () => word,
});

/** A least and a most: `hfe 40-120`. */
export const range = (title: string, word: string, example: string): Figure => ({
  title,
  word,
  example,
  read: (text) => {
    const [, least, most] = /^(\d+(?:\.\d+)?)(?:(?:-|–|\.\.\.?|to)(\d+(?:\.\d+)?))?%?$/.exec(text) ?? [];
    const found = [Number(least), Number(most ?? least)] as const;
    return least !== undefined && found[0] > 0 && found[0] <= found[1] ? found : undefined;
  },
  write: (value) => `${word} ${(value as readonly [number, number]).join('-')}`,
});

/** Body and lead pitch in millimetres: `12.5x25/5`. */
export const size = (): Figure => ({
  title: 'size',
  example: '12.5x25/5',
  read: (text) => {
    const [, body = '', pitch] =
      /^(\d+(?:\.\d+)?(?:x\d+(?:\.\d+)?){1,2})(?:\/(\d+(?:\.\d+)?))?(?:mm)?$/i.exec(text) ?? [];
    const sides = body.split(/x/i).map(Number);
    return body !== '' && sides.every(positive)
      ? { body: sides, ...(pitch === undefined ? {} : { pitch: Number(pitch) }) }
      : undefined;
  },
  write: (value) => {
    const { body, pitch } = value as Size;
    return `${body.join('x')}${pitch === undefined ? '' : `/${pitch}`}`;
  },
});

/**
 * A name as it is printed: a number, a revision, a type.
 *
 * @param alone what tells it without its word
 */
export const printed = (title: string, word: string, example: string, alone?: RegExp): Figure => ({
  title,
  word,
  example,
  ...(alone && { readAlone: (text: string) => (alone.test(text) ? text.toUpperCase() : undefined) }),
  read: (text) => (/^[\w.+/-]+$/.test(text) ? text.toUpperCase() : undefined),
  write: (value) => `${word} ${value as string}`,
});

/** Pins in the order in which they stand, from the left of the marking: `BCE`. */
export const pinOrder = (letters: string): Figure => ({
  title: 'pin order',
  example: letters,
  read: (text) => {
    const order = text.toUpperCase();
    return [...order].sort().join() === [...letters].sort().join() ? order : undefined;
  },
  write: (value) => value as string,
});
