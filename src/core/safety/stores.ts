import { provenBelow } from '../log';
import { type Joules, type Ohms, type Seconds, type Volts, type Watts } from '../quantity';
import { type Store } from '../sheet';
import { peakPower, storedEnergy, timeConstant, timeToFall, voltsAfter } from './discharge';

/** What a discharge resistor does on a store. */
export interface ToolOn {
  /** Until it is below what counts as discharged. */
  readonly seconds: Seconds;
  readonly peak: Watts;
  /** Over that time. */
  readonly average: Watts;
  readonly joules: Joules;
  /** High voltage: no wire-wound resistor is a tool for it. */
  readonly highVoltage: boolean;
  /** Beyond what a wire-wound resistor takes for a moment, four times its rating. */
  readonly tooHot: boolean;
}

const momentary = 4;
/** A wire-wound resistor takes the energy of so many seconds at its rating in one pulse. */
const pulseSeconds: Seconds = 1;
const wireWoundUpTo: Volts = 1000;

export function toolOn({ farads, volts }: Pick<Store, 'farads' | 'volts'>, tool: { ohms: Ohms; watts: Watts }): ToolOn {
  const size = Math.abs(volts);
  const seconds = timeToFall({ farads, volts: size, ohms: tool.ohms }, provenBelow);
  const joules = storedEnergy({ farads, volts: size });
  const left = storedEnergy({ farads, volts: Math.min(size, provenBelow) });
  const peak = peakPower({ volts: size, ohms: tool.ohms });
  return {
    seconds,
    peak,
    average: seconds === 0 ? 0 : (joules - left) / seconds,
    joules,
    highVoltage: size > wireWoundUpTo,
    tooHot: peak > momentary * tool.watts && joules > pulseSeconds * tool.watts,
  };
}

/** A reading of a store with its moment, in seconds since any start. */
export interface MeasuredStore {
  readonly volts: Volts;
  readonly seconds: Seconds;
}

/** Readings closer than this tell no decay. */
const leastApart = 5;

/** What drained a store is taken for the tool, and not for the set's own, within this share of the tool's ohms. */
const toolLike = 0.4;

/**
 * The resistance that drains a store by itself, learnt from its last two readings; undefined where they tell no
 * decay, or the discharge tool was on between them.
 */
export function learntBleed(readings: readonly MeasuredStore[], farads: number, tool: Ohms): Ohms | undefined {
  const [before, last] = readings.slice(-2);
  if (!before || !last) return undefined;
  const [first, second] = [Math.abs(before.volts), Math.abs(last.volts)];
  const apart = last.seconds - before.seconds;
  if (apart < leastApart || second <= 0 || second > 0.98 * first) return undefined;
  const ohms = timeConstant(first, second, apart) / farads;
  return ohms < tool * (1 + toolLike) ? undefined : ohms;
}

/** How a store stands after its readings since the plug was pulled. */
export type StoreStand =
  /** Nobody has measured it; `volts` is what may be left. */
  | { readonly kind: 'unmeasured'; readonly volts: Volts }
  /** Measured above what counts as discharged. */
  | { readonly kind: 'holds'; readonly volts: Volts }
  /** It was low and has come up again, above what counts as discharged. */
  | { readonly kind: 'recovered'; readonly volts: Volts; readonly from: Volts }
  /** Measured low; `again` is left until it should be measured once more, 0 when that is due. */
  | { readonly kind: 'low'; readonly volts: Volts; readonly again: Seconds }
  /** Measured low twice, apart. */
  | { readonly kind: 'low twice'; readonly volts: Volts };

/** A store recovers charge from its dielectric for about so long. */
export const recoveryTime: Seconds = 60;

/**
 * @param readings of the store since the plug was pulled, the oldest first
 * @param now on the clock of the readings
 * @param unpluggedAt on the same clock
 */
export function standOf(
  store: Store,
  readings: readonly MeasuredStore[],
  now: Seconds,
  unpluggedAt: Seconds,
  bleed = store.bleed,
): StoreStand {
  const last = readings[readings.length - 1];
  if (!last) {
    const volts = Math.abs(store.volts);
    const left =
      bleed === undefined
        ? volts
        : voltsAfter({ farads: store.farads, volts, ohms: bleed }, Math.max(0, now - unpluggedAt));
    return { kind: 'unmeasured', volts: left };
  }
  const low = ({ volts }: MeasuredStore) => Math.abs(volts) < provenBelow;
  if (!low(last)) {
    const before = readings[readings.length - 2];
    return before && low(before)
      ? { kind: 'recovered', volts: last.volts, from: before.volts }
      : { kind: 'holds', volts: last.volts };
  }
  // The run of low readings that the last one ends.
  const since = readings.slice(readings.findLastIndex((one) => !low(one)) + 1);
  const apart = last.seconds - since[0]!.seconds;
  if (apart >= recoveryTime / 2) return { kind: 'low twice', volts: last.volts };
  return { kind: 'low', volts: last.volts, again: Math.max(0, since[0]!.seconds + recoveryTime - now) };
}
