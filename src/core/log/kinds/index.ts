import { type LineKind } from '../line';
import { apart } from './apart';
import { back } from './back';
import { compared } from './compared';
import { connector } from './connector';
import { grey } from './grey';
import { gun } from './gun';
import { inside } from './inside';
import { intervention } from './intervention';
import { isolation } from './isolation';
import { lamp } from './lamp';
import { mains } from './mains';
import { note } from './note';
import { part } from './part';
import { photo } from './photo';
import { plan } from './plan';
import { power } from './power';
import { reading } from './reading';
import { repair } from './repair';
import { shape } from './shape';
import { soak } from './soak';
import { step } from './step';
import { store } from './store';
import { traced } from './traced';
import { turned } from './turned';
import { unreachable } from './unreachable';
import { warmth } from './warmth';
import { withdrawn } from './withdrawn';
import { worked } from './worked';

/** Every kind of line there is, by the word it is stored under. */
export const kinds = {
  reading,
  unreachable,
  power,
  store,
  connector,
  intervention,
  warmth,
  lamp,
  isolation,
  mains,
  repair,
  inside,
  compared,
  turned,
  shape,
  grey,
  gun,
  part,
  plan,
  step,
  worked,
  soak,
  apart,
  back,
  traced,
  photo,
  note,
  withdrawn,
} as const;

type BodyOf<Kind> = Kind extends LineKind<infer Body> ? Body : never;

/** What one line of a job's log records. */
export type LogBody = BodyOf<(typeof kinds)[keyof typeof kinds]>;

/** The body of a line of one kind. */
export type BodyNamed<Kind extends LogBody['kind']> = Extract<LogBody, { readonly kind: Kind }>;

/** The kind of a line, with its body's type forgotten: what is asked of it is asked with its own body. */
export const kindOf = ({ kind }: LogBody): LineKind<LogBody> => kinds[kind] as unknown as LineKind<LogBody>;
