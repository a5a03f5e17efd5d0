import { chargeReckonings } from './charge';
import { mainsReckonings } from './mains';
import { resistorsReckonings } from './resistors';
import { signalsReckonings } from './signals';
import { tuningReckonings } from './tuning';
import { type Reckoning } from './reckoning';

export { type Reckoning, type ReckonField, type ReckonLine, type Typed } from './reckoning';

const byId = new Map(
  [...chargeReckonings, ...mainsReckonings, ...resistorsReckonings, ...tuningReckonings, ...signalsReckonings].map(
    (one) => [one.id, one],
  ),
);

/** All that can be reckoned, as it is offered: what the bench asks most often first. */
export const reckonings: readonly Reckoning[] = [
  'discharge',
  'bleed',
  'lamp',
  'line-output',
  'side-by-side',
  'chain',
  'nearest',
  'reservoir',
  'esr',
  'tuned',
  'can',
  'thermistor',
  'decibels',
  'line-timing',
  'marks',
].map((id) => byId.get(id)!);
