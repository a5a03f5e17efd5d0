import { type Measure, measureNames, measures } from '../../measure';
import { type Tolerance } from '../../quantity';
import {
  count,
  type Format,
  list,
  oneOf,
  optional,
  type Read,
  record,
  sectionOf,
  text,
  tolerance,
  written,
} from '../describe';
import { readPartValue } from '../partValue';
import { type Place } from '../place';
import { type Ground, grounds, type SetState, setStates, type Source, sources } from '../words';

/** Ways of measuring that a sheet gives a place to; the others are asked of every set. */
const pointMeasures = measureNames.filter((name) => {
  const way = measures[name];
  return way.kind === 'number' || way.ofParts !== undefined;
});

/** 0 none, 1 mind your fingers, 2 live high voltage, 3 lethal at once. */
export type Danger = 0 | 1 | 2 | 3;
const danger: Format<Danger> = {
  read: (field) => field.number(0, 0, 3) as Danger,
  schema: { enum: [0, 1, 2, 3] },
};

const point = record({
  title: text(''),
  /** Where to put the red lead. */
  where: text(''),
  measure: oneOf(pointMeasures),
  net: optional(text()),
  parts: list(text()),
  board: optional(text()),
  ground: optional(oneOf(grounds)),
  state: optional(oneOf(setStates)),
  minutes: count(1, { least: 0, most: 600 }),
  danger,
  /** Chance that the check does not show what is there. */
  miss: optional(count(0, { least: 0, most: 0.95 })),
  aliases: list(text()),
  /** Overrides what the net or part would give. */
  expect: optional(written()),
  tolerance: optional(tolerance()),
  source: optional(oneOf(sources)),
  page: optional(written()),
});

/** Where to measure what. */
export interface Point extends Omit<Read<typeof point>, 'ground' | 'state' | 'miss' | 'expect'> {
  readonly id: string;
  readonly measure: Measure;
  readonly ground: Ground;
  readonly state: SetState;
  readonly miss: number;
  readonly expect?: number;
  readonly tolerance?: Tolerance;
  readonly source?: Source;
  readonly place: Place;
}

export const points: Format<ReadonlyMap<string, Point>> = sectionOf<Read<typeof point>, Point>(
  point,
  (entry, { ground, state, miss, expect, title, ...read }) => {
    const way = measures[read.measure];
    return {
      id: entry.name,
      title: title === '' ? entry.name : title,
      ...read,
      ground: ground ?? (way.kind === 'number' ? way.ground : 'none'),
      state: state ?? way.state,
      miss: miss ?? way.miss,
      place: entry.place,
      ...(expect === undefined ? {} : { expect: entry.get('expect').attempt(anyQuantity, 0) }),
    };
  },
);

const anyQuantity = (value: string): number => readPartValue('resistor', value).size ?? 0;
