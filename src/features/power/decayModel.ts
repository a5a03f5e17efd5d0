import { provenBelow } from '@/core/log';
import { timeToFall, voltsAfter } from '@/core/safety';
import { type StoreRow } from './powerModel';

/** A point of a chart: seconds since the plug was pulled, and volts. */
export type DecayPoint = readonly [seconds: number, volts: number];

/** How a store has fallen, and should fall on. */
export interface Decay {
  readonly predicted: readonly DecayPoint[];
  readonly measured: readonly DecayPoint[];
}

/** A chart shows at least so long a while, and no more, in seconds. */
const span = { least: 60, most: 30 * 60 };
const points = 60;

/**
 * A store since the plug was pulled: from its last reading on, or from its working volts where nobody has
 * measured it, by what drains it.
 *
 * @param unpluggedAt and `now` on the clock of the readings, in seconds
 */
export function decayOf({ store, readings, bleed }: StoreRow, unpluggedAt: number, now: number): Decay {
  const measured = readings.map(({ seconds, volts }): DecayPoint => [seconds - unpluggedAt, Math.abs(volts)]);
  const [from, volts] = measured[measured.length - 1] ?? [0, Math.abs(store.volts)];
  const drained = bleed === undefined || volts <= 0 ? undefined : { farads: store.farads, volts, ohms: bleed };
  const low = drained && volts > provenBelow ? timeToFall(drained, provenBelow) * 1.15 : 0;
  const long = Math.min(span.most, Math.max(span.least, now - unpluggedAt - from, low));
  const predicted = Array.from({ length: points + 1 }, (_, index): DecayPoint => {
    const after = (long * index) / points;
    return [from + after, drained ? voltsAfter(drained, after) : volts];
  });
  return { predicted, measured };
}

/** The store whose fall is worth watching: the fullest of those not yet low. */
export const watchedStore = (rows: readonly StoreRow[]): StoreRow | undefined =>
  rows.find(({ stand }) => stand.kind === 'holds' || stand.kind === 'recovered') ??
  rows.find(({ stand, store }) => stand.kind === 'unmeasured' && store.farads > 1e-7) ??
  rows.find(({ readings }) => readings.length > 0);
