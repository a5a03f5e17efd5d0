import { type BenchState } from '../log';

/** The path of a job, in the order of the work. */
export const steps = ['taken in', 'first look', 'measuring', 'repaired', 'verified', 'soaking', 'closed'] as const;
export type JobStep = (typeof steps)[number];

export interface ProgressFacts {
  readonly bench: BenchState;
  /** Have all readings that had to change been taken again, and are they right? */
  readonly verified: boolean;
  readonly soaking: boolean;
  readonly closed: boolean;
}

/** Where a job stands, from what its log holds. */
export function stepOf({ bench, verified, soaking, closed }: ProgressFacts): JobStep {
  if (closed) return 'closed';
  if (soaking) return 'soaking';
  if (bench.repairs.length > 0) return verified ? 'verified' : 'repaired';
  const measured = bench.readings.some(({ answer }) => answer.kind === 'number');
  if (measured) return 'measuring';
  return bench.readings.length > 0 || bench.since !== undefined ? 'first look' : 'taken in';
}
