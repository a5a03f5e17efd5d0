/** How a set really is, against what its sheet says of it. */
export interface World {
  /** The culprit is on no sheet: the advice is given from one without it. */
  readonly unlisted?: true;
  /** Values that the sheet guesses are others, the mains what it is somewhere; siblings share what they are off by. */
  readonly offset?: true;
  /** What fails does so by degrees: rails at a part of their volts, afloat or reversed, parts off their value by less. */
  readonly degrees?: true;
  /** Several parts are bad at once: a cause with its casualties, or parts of one kind and age. */
  readonly many?: true;
  /** The fault comes and goes. */
  readonly intermittent?: true;
  /** Somebody was at it before: beside the fault a trimmer is turned, a plug or screw loose, something missing. */
  readonly meddled?: true;
  /** Chance that a reading is a slip of the hand or the eye. */
  readonly slips: number;
}

/** The worlds in which the advice has to hold. It is never told in which one it is. */
export const worlds = {
  listed: { slips: 0.05 },
  unlisted: { unlisted: true, slips: 0 },
  offset: { offset: true, slips: 0 },
  degrees: { degrees: true, slips: 0 },
  many: { many: true, slips: 0 },
  intermittent: { intermittent: true, slips: 0 },
  slips: { slips: 0.05 },
  mixed: { unlisted: true, offset: true, degrees: true, slips: 0.05 },
} as const satisfies Record<string, World>;

export type WorldName = keyof typeof worlds;
export const worldNames = Object.keys(worlds) as WorldName[];
