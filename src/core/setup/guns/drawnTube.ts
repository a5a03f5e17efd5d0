import { type Gun } from '../../log';
import { gaussian, type Random } from '../../statistics';
import { drawnBy, leftWhenStarved, shareGiven, starvedRatio } from './emission';
import { type GunReadings } from './judge';

/** A tube with guns of known reserve, as a tester reads it. */
export interface DrawnTube {
  readonly tube: ReadonlyMap<Gun, GunReadings>;
  /** What each gun truly emits of what a good one would. */
  readonly shares: ReadonlyMap<Gun, number>;
  /** Emission of a good tube of the type, where the drawer has one. */
  readonly good: number | undefined;
}

/** Draws a colour tube: three guns in ten are worn, each for itself or, as often, all of one tube together. */
export function drawTube(random: Random): DrawnTube {
  const noisy = (spread: number) => Math.exp(spread * gaussian(random));
  const type = noisy(0.25);
  const middle = 90 + 50 * random();
  const together = random() < 0.5 ? random() < 0.3 : undefined;
  const readings = (reserve: number): GunReadings => {
    const cutOff = middle * noisy(0.06);
    const emission = drawnBy(cutOff) * type * shareGiven(reserve) * noisy(0.08);
    return {
      emission,
      cutOff: cutOff * noisy(0.01),
      starved: emission * starvedRatio(reserve * noisy(0.05 * (1 - leftWhenStarved))) * noisy(0.02),
      warmUp: 12 * shareGiven(reserve) ** -0.8 * noisy(0.3),
    };
  };
  const drawn = (['red', 'green', 'blue'] as const).map((gun) => {
    const worn = together ?? random() < 0.3;
    const reserve = worn ? 0.1 + 0.75 * random() : 2 + 8 * random();
    return { gun, reserve, readings: readings(reserve) };
  });
  return {
    tube: new Map(drawn.map(({ gun, readings: read }) => [gun, read])),
    shares: new Map(drawn.map(({ gun, reserve }) => [gun, shareGiven(reserve)])),
    good: random() < 0.3 ? drawnBy(middle) * type * noisy(0.12) : undefined,
  };
}
