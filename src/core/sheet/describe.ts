import { parseTolerance, type Tolerance, type Unit } from '../quantity';
import { type Field } from './field';
import { type Place } from './place';

/** A JSON Schema, as far as the sheet format needs it. */
export type JsonSchema = Readonly<Record<string, unknown>>;

/**
 * One description of a piece of the sheet format: what its text is read as, with every problem at its
 * line and column, and the JSON Schema of it. Type, reader, allowed keys and schema all come from it.
 */
export interface Format<T> {
  read(field: Field): T;
  readonly schema: JsonSchema;
  /** May be left out: what is not there is not in what is read. */
  readonly optional?: true;
}

/** What a format is read as. */
export type Read<F> = F extends Format<infer T> ? T : never;

type Keys<Members> = { [Key in keyof Members]: Members[Key] extends { optional: true } ? Key : never }[keyof Members];

/** What a record of members is read as; optional ones may be absent. */
type ReadMembers<Members> = {
  readonly [Key in Exclude<keyof Members, Keys<Members>>]: Read<Members[Key]>;
} & { readonly [Key in Keys<Members>]?: Read<Members[Key]> };

const notation = 'a number, or engineering notation such as 4k7 or 680u';

/** A word or a sentence. @param fallback where it is left out; without one it must be there */
export const text = (fallback?: string, more: JsonSchema = {}): Format<string> => ({
  read: (field) => field.text(fallback),
  schema: { type: 'string', ...more },
});

/** A value as it is written, number or words. */
export const written = (fallback?: string): Format<string> => ({
  read: (field) => field.text(fallback),
  schema: { type: ['number', 'string'], description: notation },
});

/** One of some words. */
export const oneOf = <const Word extends string>(words: readonly Word[], fallback?: Word): Format<Word> => ({
  read: (field) => field.oneOf(words, fallback),
  schema: { enum: words },
});

/** True or false. */
export const flag = (fallback: boolean): Format<boolean> => ({
  read: (field) => field.flag(fallback),
  schema: { type: 'boolean' },
});

/** A bare number within bounds. */
export const count = (
  fallback: number,
  { least, most, description }: { readonly least?: number; readonly most?: number; readonly description?: string } = {},
): Format<number> => ({
  read: (field) => field.number(fallback, least, most),
  schema: {
    type: 'number',
    ...(least === undefined ? {} : { minimum: least }),
    ...(most === undefined ? {} : { maximum: most }),
    ...(description === undefined ? {} : { description }),
  },
});

/** A quantity in engineering notation; the unit, where written, must be `unit`. */
export const quantity = (unit: Unit, fallback?: number): Format<number> => ({
  read: (field) => field.quantity(unit, fallback),
  schema: { type: ['number', 'string'], description: notation },
});

/** Where a net or a point names none. */
export const defaultTolerance: Tolerance = { relative: 0.05 };

/** `2%`, `±3 %` or `0.25 V`. */
export const tolerance = (fallback: Tolerance = defaultTolerance): Format<Tolerance> => ({
  read: (field) => field.attempt(parseTolerance, fallback),
  schema: { type: ['number', 'string'], description: notation },
});

/** Something that may be left out. */
export const optional = <T>({ read, schema }: Format<T>): Format<T> & { readonly optional: true } => ({
  read,
  schema,
  optional: true,
});

/** A list of the same, empty where it is left out. */
export const list = <T>(item: Format<T>, description?: string): Format<readonly T[]> => ({
  read: (field) => field.items().map((one) => item.read(one)),
  schema: { type: 'array', items: item.schema, ...(description === undefined ? {} : { description }) },
});

/** One value, or a list of them. */
export const oneOrMore = <T>(item: Format<T>): Format<readonly T[]> => ({
  read: (field) => (field.isScalar ? [item.read(field)] : field.items().map((one) => item.read(one))),
  schema: { anyOf: [item.schema, { type: 'array', items: item.schema }] },
});

/** Values by name, in the order of the text. */
export const mapOf = <T>(item: Format<T>): Format<ReadonlyMap<string, T>> => ({
  read: (field) => new Map(field.entries().map((entry) => [entry.name, item.read(entry)])),
  schema: { type: 'object', additionalProperties: item.schema },
});

/** Named members, and no others. */
export function record<Members extends Readonly<Record<string, Format<unknown>>>>(
  members: Members,
): Format<ReadMembers<Members>> {
  const names = Object.keys(members);
  return {
    read(field) {
      field.only(...names);
      return Object.fromEntries(
        names.flatMap((name) => {
          const member = field.get(name);
          const format = members[name]!;
          return format.optional && !member.present ? [] : [[name, format.read(member)]];
        }),
      ) as ReadMembers<Members>;
    },
    schema: {
      type: 'object',
      properties: Object.fromEntries(names.map((name) => [name, members[name]!.schema])),
      additionalProperties: false,
    },
  };
}

/** A record under a name of its own. */
export type Named<T> = T & { readonly id: string };

/** A record under a name, with where it is written. */
export type Placed<T> = Named<T> & { readonly place: Place };

/** Records by name. A name given as nothing is taken out of the sheet it extends, so that a schema allows it. */
export function sectionOf<T, Made extends { readonly id: string } = Placed<T>>(
  item: Format<T>,
  make: (entry: Field, read: T) => Made = (entry, read) =>
    ({ id: entry.name, ...read, place: entry.place }) as unknown as Made,
): Format<ReadonlyMap<string, Made>> {
  return {
    read: (field) => new Map(field.entries().map((entry) => [entry.name, make(entry, item.read(entry))])),
    schema: { type: 'object', additionalProperties: { ...item.schema, type: ['object', 'null'] } },
  };
}

/** The same text, read as something made of it. */
export const made = <T, Made>({ read, schema }: Format<T>, make: (read: T, field: Field) => Made): Format<Made> => ({
  read: (field) => make(read(field), field),
  schema,
});
