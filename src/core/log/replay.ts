import { BenchInMaking, type BenchState } from './bench';
import { type LogEntry, slotsOf } from './entry';
import { kindOf } from './kinds';

/**
 * Works out where a job stands: each line, in the place it took over, is folded into the bench.
 *
 * @param log in the order in which it was recorded
 * @param stores of the sheet that must be proven for the set to count as proven dead
 */
export function replay(log: readonly LogEntry[], stores: readonly string[]): BenchState {
  const bench = new BenchInMaking(stores);
  for (const { versions } of slotsOf(log)) {
    for (const { body, ...stamp } of versions.slice(0, -1)) kindOf(body).foldSuperseded?.(bench, body, stamp);
    const { body, ...stamp } = versions[versions.length - 1]!;
    kindOf(body).fold?.(bench, body, stamp);
  }
  return bench.done();
}
