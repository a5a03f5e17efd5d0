import { type Shape } from '@/core/measure';
import { type Check } from '@/core/behaviour';
import { gaussian, type Random } from '@/core/statistics';
import { type MeterReading } from '../meterLine';

/** Readings a second, and for how long a stand-in sends them. */
export const standInRate = 10;
export const standInSeconds = 6;

/** Noise of a reading at rest, how a meter follows the touch, and how a brief rail stands and goes, in seconds. */
export const noise = 0.002;
const follows = 0.12;
const stands = 1.3;
const tail = 0.15;
/** How a rail's capacitors charge through the meter: time constant in seconds, and where they begin. */
const charges = { tau: 0.7, from: 0.3 };
/** What a live set drifts by in a second as it warms. */
const drifts = 3e-4;
/** Chance that the probe slips once as it is put on. */
const bounces = 0.2;
const count = 0.0004;

/** Ends of the ranges of a meter that finds its own, in volts and in ohms. */
const ranges = { V: [0.2, 2, 20, 200, 1000, 50_000], Ω: [200, 2e3, 20e3, 200e3, 2e6, 20e6] } as const;

/** The range a meter shows a value in; undefined for what it has no ranges for. */
export function rangeFor(value: number, unit: string): number | undefined {
  const ends = unit === 'V' || unit === 'Ω' ? ranges[unit] : undefined;
  return ends?.find((end) => Math.abs(value) <= end) ?? ends?.[ends.length - 1];
}

/**
 * What a multimeter would send: the touch, now and then a bounce, capacitors that charge through it, a slow
 * drift, the value at rest, or a rail that is there at the start and then taken away.
 */
export function multimeterReadings(
  { unit, measure, point }: Check,
  { value, shape }: { readonly value: number; readonly shape: Shape },
  random: Random,
): MeterReading[] {
  const slips = random() < bounces ? 0.2 + 0.3 * random() : undefined;
  const charging = measure === 'ohms' && point?.net !== undefined;
  const range = rangeFor(value, unit);
  const ranged = range === undefined ? {} : { range };
  const steady = (at: number) =>
    charging
      ? value * (1 - (1 - charges.from) * Math.exp(-at / charges.tau))
      : value * (1 - Math.exp(-at / follows)) * (1 + (measure === 'dc' ? drifts * at : 0));
  return Array.from({ length: standInSeconds * standInRate }, (_, index): MeterReading => {
    const at = index / standInRate;
    if (value === Infinity) return { at, value, unit, ...ranged };
    const off = slips !== undefined && at >= slips && at < slips + 0.2;
    const level = shape === 'brief' && at > stands ? value * Math.exp(-(at - stands) / tail) : steady(at);
    // A lifted probe reads nothing in volts, and open in ohms.
    if (off && unit === 'Ω') return { at, value: Infinity, unit, ...ranged };
    const shown = off ? 0 : level;
    return { at, value: shown + (noise * Math.abs(shown) + count) * gaussian(random), unit, ...ranged };
  });
}

/** A hand that turns a trimmer: how fast it comes near, and how far off it lets go, as a share of the value. */
const turning = { tau: 0.5, begins: 0.6, leaves: 5e-4 };

/** What a meter on a rail would send while its trimmer is turned from one voltage to another. */
export function turningReadings(from: number, to: number, random: Random): MeterReading[] {
  const end = to * (1 + turning.leaves * gaussian(random));
  return Array.from({ length: standInSeconds * standInRate }, (_, index): MeterReading => {
    const at = index / standInRate;
    const left = Math.exp(-Math.max(0, at - turning.begins) / turning.tau);
    return { at, value: (end + (from - end) * left) * (1 + 0.25 * noise * gaussian(random)), unit: 'V' };
  });
}

/** The discharge resistor takes about so long on any store, in seconds, and leaves so many volts. */
const dischargeTime = 0.25;
const left = 2.4;

/** What a meter on a store would send while it is discharged through a resistor. */
export function dischargeReadings(volts: number, random: Random): MeterReading[] {
  return Array.from({ length: standInSeconds * standInRate }, (_, index) => {
    const at = index / standInRate;
    const falls = Math.abs(volts) * Math.exp(-at / dischargeTime) + left;
    return { at, value: falls * (1 + noise * (2 * random() - 1)), unit: 'V' };
  });
}

/** Leads and contacts, in ohms, and how long it takes to find a pin, in seconds. */
const leads = { least: 0.1, more: 0.5 };
const finds = 0.6;

/** What a meter on ohms would send between two pins of a cold board: leads where they are one node, else beyond its range. */
export function beepReadings(joined: boolean, random: Random): MeterReading[] {
  const ohms = leads.least + leads.more * random();
  return Array.from({ length: standInSeconds * standInRate }, (_, index): MeterReading => {
    const at = index / standInRate;
    const value = joined && at > finds ? ohms * (1 + 5 * noise * gaussian(random)) : Infinity;
    return { at, value, unit: 'Ω', range: ranges.Ω[0] };
  });
}

/** A figure that is left on a meter while a set soaks: how long it is sent for, and when a set that is not cured gives in. */
const soaks = { seconds: 1800, dips: 12, for: 0.8, fails: 20 } as const;

/** What a meter that is left on a rail of a soaking set would send; a set that is not cured dips, then goes. */
export function soakReadings(value: number, fails: boolean, random: Random): MeterReading[] {
  return Array.from({ length: soaks.seconds * standInRate }, (_, index): MeterReading => {
    const at = index / standInRate;
    const away = fails && (at >= soaks.fails || (at >= soaks.dips && at < soaks.dips + soaks.for));
    return { at, value: (away ? 0.02 : 1) * value * (1 + noise * gaussian(random)), unit: 'V' };
  });
}
