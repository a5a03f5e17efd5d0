import { count, list, optional, type Placed, type Read, record, sectionOf, text } from '../describe';
import { levelsByNet, statesBySign } from './states';

const protection = record({
  title: text(),
  watches: levelsByNet,
  cuts: list(text()),
  blinks: optional(count(0, { least: 1, most: 30 })),
  /** Seconds from start until it acts; a slow one leaves time to measure. */
  after: count(1, {
    least: 0,
    most: 3600,
    description: 'seconds from start until it acts; from 20 on there is time to measure',
  }),
  /** What is seen or heard while it acts. */
  signs: statesBySign,
});

/** A guard that cuts a supply when a net it watches is wrong. */
export type Protection = Placed<Read<typeof protection>>;

export const protections = sectionOf<Read<typeof protection>, Protection>(protection);
