import { chargeReckonings } from './charge';
import { mainsReckonings } from './mains';
import { meterReckonings } from './meter';
import { resistorsReckonings } from './resistors';
import { signalsReckonings } from './signals';
import { supplyReckonings } from './supply';
import { tuningReckonings } from './tuning';
import { type Reckoning } from './reckoning';

export { type Reckoning, type ReckonField, type ReckonLine, type Typed } from './reckoning';

const groups = [
  chargeReckonings,
  mainsReckonings,
  resistorsReckonings,
  tuningReckonings,
  signalsReckonings,
  meterReckonings,
  supplyReckonings,
];

/** What the bench asks most often comes first. */
const often = ['discharge', 'bleed', 'lamp', 'line-output', 'side-by-side', 'chain', 'nearest', 'reservoir', 'esr'];
const rank = ({ id }: Reckoning) => (often.includes(id) ? often.indexOf(id) : often.length);

/** All that can be reckoned, as it is offered. */
export const reckonings: readonly Reckoning[] = groups.flat().sort((a, b) => rank(a) - rank(b));
