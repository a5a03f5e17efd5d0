import { type Check, liveCold } from '../../behaviour';
import { type Answer } from '../../measure';
import { seeded } from '../../statistics';
import { answerFrom } from '../answering';
import { type PracticeHunt } from './drawHunt';
import { noise } from './noise';

/** What every point of the set of a hunt reads before anything was done to it, in the state it is measured in. */
export function readingsOf({
  predictions,
  seed,
  set,
}: PracticeHunt): readonly { readonly check: Check; readonly answer: Answer }[] {
  const drawn = set();
  return [...predictions.checks.values()].map((check, place) => {
    const context = check.state === 'live' ? liveCold : { ...liveCold, power: 'proven' as const };
    const expectation = drawn.expectation(check, context, new Set());
    return { check, answer: answerFrom(expectation, noise, seeded(seed + 7919 * (place + 1))) };
  });
}
