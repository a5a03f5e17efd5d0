/**
 * How a cathode gives current. Two things bound it: the space charge before it, which the voltage draws off, and what the hot
 * oxide gives at its temperature. The lesser rules; near each other they blend as 1/I² = 1/Iₛ² + 1/Iₜ².
 */

/**
 * Microamperes a V^1.5 that a picture tube's gun gives with the grid at the cathode, drawn by its cut-off voltage
 * (Child–Langmuir with the triode's geometry; 2.5 to 4 on real guns).
 */
const perveance = 3;

/** Microamperes that space charge lets through, grid at the cathode, of a gun with a cut-off in volts. */
export const drawnBy = (cutOff: number): number => perveance * cutOff ** 1.5;

/**
 * What is left of a cathode's saturation current with the heater's voltage a tenth lower. Its power falls as V²/R with R as
 * T, and leaves by radiation as T⁴: T goes with V^0.4. Saturation goes as T² exp(−φ/kT) (Richardson), with φ of 1.05 eV for
 * an oxide cathode at 1050 K.
 */
export const leftWhenStarved = (() => {
  const [hot, work] = [1050, 1.05 / 8.617e-5];
  const cool = hot * 0.9 ** 0.4;
  return (cool / hot) ** 2 * Math.exp(work / hot - work / cool);
})();

/** Share of what space charge lets through that a cathode gives which could give `reserve` times that. */
export const shareGiven = (reserve: number): number => 1 / Math.hypot(1, 1 / reserve);

/** What a tenth less heater leaves of its emission. */
export const starvedRatio = (reserve: number): number => shareGiven(leftWhenStarved * reserve) / shareGiven(reserve);
