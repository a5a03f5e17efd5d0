import { type Soaked } from '../../log';
import { chanceOfFailures } from '../../soak';
import { type Hypothesis } from './hypothesis';

/** How often a set that is cured fails in a soak all the same: by something else, or as somebody took it. */
const failsCured = 0.03;

/**
 * How likely a soak is under some hypotheses, as logarithms: what is still there fails as often as before, what was
 * dealt with no more.
 *
 * @param cured faults that had been dealt with by then
 */
export function soakLogs(
  { before, hours, failures }: Soaked,
  cured: ReadonlySet<string>,
  hypotheses: readonly Hypothesis[],
): Float64Array {
  const still = Math.log(chanceOfFailures(before, failures, hours));
  const gone = Math.log(failures > 0 ? failsCured : 1);
  return Float64Array.from(hypotheses, ({ faults, despite }) =>
    despite || faults.some(({ id }) => !cured.has(id)) ? still : gone,
  );
}

/** What a soak came to, in words. */
export function soakText({ before, hours, failures }: Soaked): string {
  const often = failures === 1 ? 'once' : `${failures} times`;
  const ended = failures > 0 ? `and failed ${often}` : 'without failing';
  return `Ran ${figure(hours)} h ${ended}, before that ${before.failures} in ${figure(before.hours)} h`;
}

const figure = (hours: number): string => String(Number(hours.toFixed(1)));
