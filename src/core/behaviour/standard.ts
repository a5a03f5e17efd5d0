import { judge, toleranceWidth, type Verdict } from '../quantity';
import { type Check } from './checks';
import { expect } from './expect';
import { type Expectation, type Shape } from './expectation';
import { esrLimitOf } from './partReading';
import { type Behaviour } from './simulate';

/**
 * The limits a numeric reading is judged by, from what a good set shows in the same context.
 *
 * Limits are on the size of the reading in the direction of `nominal`.
 */
export interface NumberStandard {
  readonly kind: 'number';
  readonly scale: 'linear' | 'log';
  readonly nominal: number;
  readonly deadBelow: number;
  readonly lowBelow: number;
  readonly highAbove: number;
}

/** The answer a good set gives to a check with choices. */
export interface ChoiceStandard {
  readonly kind: 'choice';
  readonly right: string;
}

export type Standard = NumberStandard | ChoiceStandard | { readonly kind: 'picture' };

function mainValue(expectation: Expectation): number {
  if (expectation.kind !== 'number') return 0;
  return expectation.components.reduce((best, one) => (one.chance > best.chance ? one : best)).value;
}

/** Limits for `check` from the good set's behaviour in the context of the reading. */
export function standardOf(healthy: Behaviour, check: Check): Standard {
  const expectation = expect(healthy, check);
  if (expectation.kind === 'picture') return { kind: 'picture' };
  if (expectation.kind === 'choice') {
    const [right] = [...expectation.chances].reduce((best, one) => (one[1] > best[1] ? one : best));
    return { kind: 'choice', right };
  }
  const nominal = mainValue(expectation);
  return { kind: 'number', scale: expectation.scale, nominal, ...limits(healthy, check, nominal) };
}

type Limits = Pick<NumberStandard, 'deadBelow' | 'lowBelow' | 'highAbove'>;

function limits(healthy: Behaviour, check: Check, nominal: number): Limits {
  const point = check.point!;
  const size = Math.abs(nominal);
  switch (check.measure) {
    case 'esr':
      return { deadBelow: 0, lowBelow: 0, highAbove: esrLimitOf(healthy.model.sheet.parts.get(point.parts[0]!)!) };
    case 'ripple':
      return {
        deadBelow: 0,
        lowBelow: 0,
        highAbove: 0.025 * Math.abs(healthy.model.sheet.nets.get(point.net!)!.volts),
      };
    case 'diode':
      return { deadBelow: 0.08, lowBelow: nominal - 0.17, highAbove: nominal + 0.25 };
    case 'rings':
      return { deadBelow: 0.5, lowBelow: 0.65 * nominal, highAbove: Infinity };
    case 'ohms':
      return ohmLimits(point.net !== undefined, nominal);
    default: {
      const net = point.net === undefined ? undefined : healthy.model.sheet.nets.get(point.net);
      const full = Math.abs(point.expect ?? net?.volts ?? nominal);
      if (size < 0.01 * full) return { deadBelow: 0, lowBelow: 0, highAbove: Math.max(0.05 * full, 0.05) };
      const width = healthy.context.lamp
        ? 0.4 * size
        : toleranceWidth(point.tolerance ?? net?.tolerance ?? { relative: 0.05 }, nominal);
      return { deadBelow: 0.06 * size, lowBelow: size - width, highAbove: size + width };
    }
  }
}

/** A rail's load varies from set to set; a part's own resistance does not. */
function ohmLimits(rail: boolean, nominal: number): Limits {
  if (rail) return { deadBelow: 4, lowBelow: 0.35 * nominal, highAbove: 3 * nominal };
  if (nominal >= 1e6) return { deadBelow: 4, lowBelow: 1e5, highAbove: Infinity };
  if (nominal < 20) return { deadBelow: 0, lowBelow: nominal < 2 ? 0 : 0.6 * nominal, highAbove: nominal * 1.35 + 0.5 };
  return { deadBelow: Math.min(4, 0.1 * nominal), lowBelow: 0.92 * nominal, highAbove: 1.1 * nominal };
}

/** Classes a numeric reading can fall in. */
export type NumberClass = Exclude<Verdict, 'odd'> | 'brief' | 'odd';

/** The class of a reading by a standard. */
export function classify(standard: NumberStandard, value: number, shape: Shape): NumberClass {
  if (shape === 'brief') return 'brief';
  if (value === Infinity) return standard.highAbove === Infinity ? 'within' : 'open';
  const towards = standard.nominal < 0 ? -value : value;
  if (towards > standard.highAbove * (1 + 1e-9)) return 'high';
  if (towards >= standard.lowBelow * (1 - 1e-9))
    return standard.lowBelow === 0 && towards < -standard.highAbove ? 'odd' : 'within';
  if (Math.abs(towards) < standard.deadBelow) return 'dead';
  return towards < 0 ? 'odd' : 'low';
}

/** The relative distance of a reading from nominal; undefined where nominal is 0 or the reading OL. */
export function deviation(standard: NumberStandard, value: number): number | undefined {
  return judge(value, standard.nominal, { relative: 0 }).deviation;
}
