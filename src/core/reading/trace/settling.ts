import { type Sample } from './trace';

/** Readings of this long a while must agree before they are taken, in seconds. */
const holds = 0.3;
const window = 0.5;
/** How far the halves of that while may lie apart: a share of the value, and an absolute floor in the unit read. */
const apart = { share: 0.012, floor: 0.004 };
/** Noise beyond this share of the value is no reading at rest. */
const loudest = 0.03;
/** With fewer readings the noise is not known. */
const forNoise = 5;

const meanOf = (part: readonly Sample[]) => part.reduce((sum, { value }) => sum + value, 0) / part.length;

/**
 * Watches a meter and says when its reading has settled, so that it can be recorded with both hands
 * on the probes. What settled is told once; the next is waited for after the reading has moved away.
 */
export class SettleWatch {
  private recent: Sample[] = [];
  private told: number | undefined;

  /** @returns the settled value, the first time it is one */
  take(sample: Sample): number | undefined {
    if (!Number.isFinite(sample.value)) {
      this.recent = [];
      this.told = undefined;
      return undefined;
    }
    // One reading before the window is kept, so that a slow meter is judged by two.
    const first = this.recent.findIndex(({ at }) => at >= sample.at - window);
    this.recent = [...(first < 0 ? this.recent.slice(-1) : this.recent.slice(first)), sample];
    const value = restingValue(this.recent);
    const allowed = Math.max(apart.floor, apart.share * Math.abs(sample.value));
    if (this.told !== undefined && value !== undefined && Math.abs(this.told - value) > 4 * allowed)
      this.told = undefined;
    if (this.told !== undefined || value === undefined) return undefined;
    this.told = value;
    return value;
  }
}

/** The value at which readings rest; undefined while they move. */
function restingValue(samples: readonly Sample[]): number | undefined {
  const half = samples.length >> 1;
  if (half === 0 || samples[samples.length - 1]!.at - samples[0]!.at < holds) return undefined;
  const value = meanOf(samples);
  const allowed = Math.max(apart.floor, apart.share * Math.abs(value));
  const noise = samples.length >= forNoise ? noiseOf(samples) : 0;
  if (noise > Math.max(apart.floor, loudest * Math.abs(value))) return undefined;
  const moved = Math.abs(meanOf(samples.slice(-half)) - meanOf(samples.slice(0, half)));
  return moved <= allowed + 2 * noise * Math.sqrt(2 / half) ? value : undefined;
}

/** From the differences of neighbours, in which what moves slowly vanishes. */
function noiseOf(samples: readonly Sample[]): number {
  const squares = samples.slice(1).reduce((sum, { value }, index) => sum + (value - samples[index]!.value) ** 2, 0);
  return Math.sqrt(squares / (2 * (samples.length - 1)));
}
