import { type Model } from './model';

/** kT/q at 27 °C, in volts. */
export const thermalVolts = (1.38064852e-23 * 300.15) / 1.6021766208e-19;

/** A junction as it is worked out: saturation current in amperes, the rest in volts. */
export interface Junction {
  readonly saturation: number;
  /** Emission coefficient times kT/q. */
  readonly slope: number;
  /** Voltage above which steps are limited. */
  readonly critical: number;
  /** Where breakdown begins, corrected for its current; absent where there is none. */
  readonly breakdown?: number;
  /** Forward current, in amperes, from which it grows with half the slope; absent where there is none. */
  readonly knee?: number;
}

/** Current and its slope at a voltage; written into, so that nothing is allocated while solving. */
export interface Operating {
  amperes: number;
  siemens: number;
}

export function junctionOf(saturation: number, emission: number): Junction {
  const slope = emission * thermalVolts;
  return { saturation, slope, critical: slope * Math.log(slope / (Math.SQRT2 * saturation)) };
}

/** The junction of a diode model, zeners by BV and IBV. */
export function diodeJunction({ values }: Model, area: number): Junction {
  const saturation = (values.get('is') ?? 1e-14) * area;
  const knee = (values.get('ikf') ?? 0) * area;
  const junction = { ...junctionOf(saturation, values.get('n') ?? 1), ...(knee > 0 ? { knee } : {}) };
  const rated = values.get('bv');
  if (rated === undefined) return junction;
  const current = Math.max((values.get('ibv') ?? 1e-3) * area, (saturation * rated) / junction.slope);
  // The exponential must pass through the rated current at the rated voltage.
  let breakdown = rated - junction.slope * Math.log(1 + current / saturation);
  for (let turn = 0; turn < 25; turn += 1)
    breakdown = rated - junction.slope * Math.log(current / saturation + 1 - breakdown / junction.slope);
  return { ...junction, breakdown };
}

/** Current through a junction at `volts` (Nagel 1975), with the cubic that joins it to its reverse current. */
export function junctionCurrent(junction: Junction, volts: number, into: Operating): void {
  const { saturation, slope, breakdown, knee } = junction;
  if (volts >= -3 * slope) {
    const grown = saturation * Math.exp(Math.min(volts / slope, 300));
    into.amperes = grown - saturation;
    into.siemens = grown / slope;
    if (knee === undefined || into.amperes <= 0) return;
    // High injection: I/(1 + √(I/knee)).
    const root = Math.sqrt(into.amperes / knee);
    into.siemens *= (1 + root / 2) / ((1 + root) * (1 + root));
    into.amperes /= 1 + root;
  } else if (breakdown === undefined || volts >= -breakdown) {
    const ratio = (3 * slope) / (volts * Math.E);
    const cubed = ratio * ratio * ratio;
    into.amperes = -saturation * (1 + cubed);
    into.siemens = (saturation * 3 * cubed) / volts;
  } else {
    const grown = saturation * Math.exp(Math.min(-(breakdown + volts) / slope, 300));
    into.amperes = -grown;
    into.siemens = grown / slope;
  }
}

/** A junction voltage held to what one step may bring (Nagel 1975). */
export function limited(junction: Junction, volts: number, before: number): number {
  const { breakdown, slope } = junction;
  if (breakdown !== undefined && volts < Math.min(0, -breakdown + 10 * slope))
    return -(limitForward(junction, -(volts + breakdown), -(before + breakdown)) + breakdown);
  return limitForward(junction, volts, before);
}

function limitForward({ slope, critical }: Junction, volts: number, before: number): number {
  if (volts <= critical || Math.abs(volts - before) <= 2 * slope) return volts;
  if (before <= 0) return slope * Math.log(Math.max(volts / slope, 1e-9));
  const grown = 1 + (volts - before) / slope;
  return grown > 0 ? before + slope * Math.log(grown) : critical;
}
