import { type BenchState, changesMade } from '../log';

/** What was changed about a set for a try and is not yet as it was: each in a few words. */
export function leftUndone({ context }: Pick<BenchState, 'context'>): string[] {
  return [...changesMade(context), ...(context.lamp ? ['series lamp in'] : [])];
}
