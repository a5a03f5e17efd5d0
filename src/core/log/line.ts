import * as yup from 'yup';
import { type Check, type Context } from '../behaviour';
import { type Sheet } from '../sheet';
import { type BenchInMaking } from './bench';
import { type LogStamp } from './stamp';

/** What is sent is never changed after it was made. */
type Frozen<T> = T extends readonly (infer Item)[]
  ? readonly Frozen<Item>[]
  : T extends object
    ? { readonly [Key in keyof T]: Frozen<T[Key]> }
    : T;

/** The body of a line of a kind, from the schema of its fields. */
export type LineOf<Kind extends string, Fields extends yup.AnySchema> = {
  readonly kind: Kind;
} & Frozen<yup.InferType<Fields>>;

/** What names in a line must lead to. */
export interface KnownNames {
  readonly sheet: Sheet;
  readonly checks: ReadonlyMap<string, Check>;
}

/** Where a change of the set is typed. */
export interface TypedAt {
  /** The words as they were typed, for messages. */
  readonly typed: readonly string[];
  readonly sheet: Sheet;
  /** Of the bench; undefined in a list that leaves out the switching on and off. */
  readonly context: Context | undefined;
}

/** What bench time goes into. */
export const workSteps = [
  'powering',
  'measuring',
  'repairing',
  'taking apart',
  'tracing',
  'setting up',
  'writing',
] as const;
export type WorkStep = (typeof workSteps)[number];

/** Everything about one kind of line of a job's log. */
export interface LineKind<Body extends { readonly kind: string }> {
  /** Its fields, as they are sent and stored. */
  readonly fields: yup.AnyObjectSchema;
  /** What the time went into that such a line ends. */
  readonly work: WorkStep;
  /** The first name in it that the sheet does not know, as a message. Without it a line names nothing. */
  unknown?(body: Body, known: KnownNames): string | undefined;
  /** What it does to the bench. Without it a line stands in the log alone. */
  fold?(bench: BenchInMaking, body: Body, stamp: LogStamp): void;
  /** A version of it that a later line corrected or took back. */
  foldSuperseded?(bench: BenchInMaking, body: Body, stamp: LogStamp): void;
  /** How it is said in a list of what happened. */
  said(body: Body): string;
  /**
   * The line that typed words, in small letters, come to; undefined where they are none of this kind.
   *
   * @throws Refusal where they are, but cannot be taken
   */
  typed?(words: readonly string[], at: TypedAt): Body | undefined;
  /** Puts back what JSON cannot carry. */
  revive?(body: Body): Body;
}

/** A text of at most so many letters. */
export const text = (most: number) => yup.string().defined().max(most);
/** A name, which is never empty. */
export const name = (most = 80) => text(most).min(1);
/** A number between two. */
export const between = (least: number, most: number) => yup.number().min(least).max(most).required();

/** Is what `name` stands for put in, taken out, or not spoken of: `lamp in`? */
export function putInOrOut([word, where, ...more]: readonly string[], name: string): boolean | undefined {
  return word === name && more.length === 0 && (where === 'in' || where === 'out') ? where === 'in' : undefined;
}
