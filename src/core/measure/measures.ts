import { type Instrument } from '../quantity';
import { type Way } from './way';
import { ac } from './ways/ac';
import { blinks } from './ways/blinks';
import { capacitance } from './ways/capacitance';
import { dc } from './ways/dc';
import { diode } from './ways/diode';
import { esr } from './ways/esr';
import { hertz } from './ways/hertz';
import { emission } from './ways/emission';
import { hours } from './ways/hours';
import { look } from './ways/look';
import { ohms } from './ways/ohms';
import { picture } from './ways/picture';
import { press } from './ways/press';
import { thermal } from './ways/thermal';
import { rings } from './ways/rings';
import { ripple } from './ways/ripple';
import { sign } from './ways/sign';
import { swap } from './ways/swap';

const ways = {
  dc,
  ac,
  ripple,
  hertz,
  ohms,
  diode,
  esr,
  capacitance,
  rings,
  emission,
  hours,
  look,
  press,
  thermal,
  swap,
  sign,
  blinks,
  picture,
} as const satisfies Record<string, Way>;

/** How something is measured. */
export type Measure = keyof typeof ways;

/** Every way of measuring there is. */
export const measures: Readonly<Record<Measure, Way>> = ways;

/** Names of the ways of measuring. */
export const measureNames = Object.keys(ways) as Measure[];

/** The instrument that gives a number; undefined where eyes, ears and hands do. */
export function instrumentFor(measure: Measure): Instrument | undefined {
  const way = measures[measure];
  return way.kind === 'number' ? way.instrument : undefined;
}
