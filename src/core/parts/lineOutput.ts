import {
  type Farads,
  type Henries,
  type Hertz,
  requirePositive,
  type Ratio,
  type Seconds,
  type Volts,
  Refusal,
} from '../quantity';

/** A line output stage by what decides its retrace. */
export interface LineOutput {
  readonly supply: Volts;
  /** Deflection coil and transformer primary in parallel. */
  readonly inductance: Henries;
  /** All retrace capacitors together. */
  readonly capacitance: Farads;
  readonly line: Hertz;
}

/** What comes of it. */
export interface Retrace {
  readonly seconds: Seconds;
  /** Peak on the collector. */
  readonly peak: Volts;
}

/**
 * Retrace time and peak voltage of a line output stage.
 *
 * Half a period of the coil with the retrace capacitor, t_r = π√(LC). The current reaches
 * I = V_B·t_s/(2L) over the scan t_s and swings into the capacitor, V_peak = V_B + √(V_B² + I²L/C);
 * for a retrace much shorter than the scan that is V_B·(1 + π·t_s/(2·t_r)). No losses.
 *
 * @throws Refusal when a quantity is not positive, or the retrace takes the whole line
 */
export function retrace({ supply, inductance, capacitance, line }: LineOutput): Retrace {
  requirePositive({ supply, inductance, capacitance, line });
  const seconds = Math.PI * Math.sqrt(inductance * capacitance);
  const scan = 1 / line - seconds;
  if (scan <= 0) throw new Refusal('the retrace would take the whole line: less capacitance or inductance');
  const swing = scan / (2 * Math.sqrt(inductance * capacitance));
  return { seconds, peak: supply * (1 + Math.sqrt(1 + swing * swing)) };
}

/** How a changed stage stands to the one before. */
export interface RetraceChange {
  readonly before: Retrace;
  readonly after: Retrace;
  /** High voltage follows the peak. */
  readonly eht: Ratio;
  /** Width ∝ V_B·t_s / (L·√EHT): a stiffer beam is bent less. */
  readonly width: Ratio;
}

/**
 * What adding (positive) or losing (negative) retrace capacitance does.
 *
 * @throws Refusal when nothing is left of the capacitance
 */
export function changeRetrace(stage: LineOutput, added: Farads): RetraceChange {
  const before = retrace(stage);
  if (stage.capacitance + added <= 0)
    throw new Refusal('with no retrace capacitor left the peak has no limit but the transistor');
  const after = retrace({ ...stage, capacitance: stage.capacitance + added });
  const eht = after.peak / before.peak;
  const scan = ({ seconds }: Retrace) => 1 / stage.line - seconds;
  return { before, after, eht, width: scan(after) / scan(before) / Math.sqrt(eht) };
}
