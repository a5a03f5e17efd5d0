/** A net as it settles. Ratios are to nominal. */
export interface NetState {
  readonly ratio: number;
  /** What it rises to before a protection takes it; equals `ratio` where none does. */
  readonly peak: number;
  /** Rises at start and is then taken away. */
  readonly brief: boolean;
  readonly rippled: boolean;
  /** Held down to ground by a fault. */
  readonly shorted: boolean;
}

/** Under this ratio a net counts as dead. */
export const deadRatio = 0.1;

/** What a check of a sign can answer. */
export const signStates = ['no', 'weak', 'brief', 'yes'] as const;
export type SignState = (typeof signStates)[number];
