import { type Ohms, requirePositive, type Volts, type Watts } from '../quantity';

/** A tungsten lamp by what is printed on it. */
export interface Lamp {
  readonly watts: Watts;
  readonly volts: Volts;
}

/** What stands behind the lamp. */
export type LampLoad =
  | { readonly kind: 'ohms'; readonly ohms: Ohms }
  /** A switched supply draws the same power at any voltage it runs at. */
  | { readonly kind: 'watts'; readonly watts: Watts }
  | { readonly kind: 'short' };

/** Where lamp and load settle. */
export interface LampPoint {
  readonly lampVolts: Volts;
  readonly loadVolts: Volts;
  readonly amperes: number;
  /** Light against full, ∝ V^3.4. */
  readonly brightness: number;
}

/** A filament's current grows as the 0.57th power of its voltage (0.55–0.6 for tungsten in gas). */
const filament = 0.57;
const turns = 80;

/** Current through a lamp at a voltage, I = I0·(V/V0)^0.57. */
export function lampCurrent({ watts, volts }: Lamp, across: Volts): number {
  return (watts / volts) * (across / volts) ** filament;
}

/**
 * Where a load behind a series lamp settles: none where a supply cannot start behind it.
 *
 * A resistance has one point. A load of constant power has two or none; the one with the less voltage
 * across the lamp is where it runs. In volts and amperes r.m.s., the load taken without phase.
 *
 * @throws Refusal when a quantity is not positive
 */
export function seriesLampPoint(lamp: Lamp, mains: Volts, load: LampLoad): LampPoint | undefined {
  requirePositive({ 'lamp watts': lamp.watts, 'lamp volts': lamp.volts, mains });
  const at = (lampVolts: Volts): LampPoint => ({
    lampVolts,
    loadVolts: mains - lampVolts,
    amperes: lampCurrent(lamp, lampVolts),
    brightness: (lampVolts / lamp.volts) ** 3.4,
  });
  if (load.kind === 'short') return at(mains);
  // What the lamp lets through less what the load takes: it rises with the volts across the lamp.
  const spare = (lampVolts: Volts) =>
    load.kind === 'ohms'
      ? lampCurrent(lamp, lampVolts) - (mains - lampVolts) / load.ohms
      : lampCurrent(lamp, lampVolts) * (mains - lampVolts) - load.watts;
  if (load.kind === 'ohms') requirePositive({ 'load resistance': load.ohms });
  else requirePositive({ 'load watts': load.watts });
  // The power a lamp passes on is greatest where V^0.57·(mains − V) is: at 0.57/1.57 of the mains.
  let high = load.kind === 'ohms' ? mains : (mains * filament) / (1 + filament);
  if (spare(high) < 0) return undefined;
  let low = 0;
  for (let turn = 0; turn < turns; turn += 1) {
    const middle = (low + high) / 2;
    if (spare(middle) < 0) low = middle;
    else high = middle;
  }
  return at(high);
}
