import { Refusal } from './refusal';
const e12 = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2];

/** Preferred values of one decade by IEC 60063. */
const decades = {
  E3: [1, 2.2, 4.7],
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: e12,
  E24: [
    1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1,
  ],
  E96: Array.from({ length: 96 }, (_, step) => Number((10 ** (step / 96)).toPrecision(3))),
} as const satisfies Record<string, readonly number[]>;

export type Series = keyof typeof decades;

/**
 * The preferred value nearest to `value` by ratio.
 *
 * @throws Refusal when `value` is not positive and finite
 */
export function nearestPreferred(value: number, series: Series): number {
  if (!(value > 0) || !Number.isFinite(value))
    throw new Refusal(`a preferred value needs a positive size, not ${value}`);
  const exponent = Math.floor(Math.log10(value));
  const candidates = [exponent - 1, exponent, exponent + 1].flatMap((power) =>
    decades[series].map((step) => Number(`${step}e${power}`)),
  );
  const distance = (candidate: number) => Math.abs(Math.log(candidate / value));
  return candidates.reduce((best, candidate) => (distance(candidate) < distance(best) ? candidate : best));
}

/** Preferred values from `least` to `most`, smallest first. @throws Refusal unless 0 < least */
export function preferredWithin(least: number, most: number, series: Series): number[] {
  if (!(least > 0)) throw new Refusal(`preferred values begin above 0, not at ${least}`);
  const found: number[] = [];
  for (let power = Math.floor(Math.log10(least)); power <= Math.log10(most); power += 1)
    for (const step of decades[series]) {
      const value = Number(`${step}e${power}`);
      if (value >= least && value <= most) found.push(value);
    }
  return found;
}
