import { type World } from '../worlds/world';

/** What is wrong with a set one practises on: one part as its sheet has it, or as real sets have it. */
export const troubles = {
  one: { slips: 0 },
  several: { many: true, slips: 0 },
  degrees: { degrees: true, slips: 0 },
  intermittent: { intermittent: true, slips: 0 },
  unlisted: { unlisted: true, slips: 0 },
  meddled: { meddled: true, slips: 0 },
} as const satisfies Record<string, World>;

export type Trouble = keyof typeof troubles;
export const troubleNames = Object.keys(troubles) as Trouble[];
