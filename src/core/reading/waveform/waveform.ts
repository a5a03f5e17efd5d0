import { mean, quantileSorted } from '../../statistics';
import { type Hertz, type Volts, Refusal } from '../../quantity';
import { type Sample } from '../trace/trace';

/** What a sweep over some periods comes to. */
export interface Waveform {
  readonly low: Volts;
  readonly high: Volts;
  readonly peakToPeak: Volts;
  readonly mean: Volts;
  /** Effective value of what swings about the mean. */
  readonly rms: Volts;
  /** How often it repeats; undefined where the sweep shows no two periods that agree. */
  readonly hertz?: Hertz;
  /** Share of a period above the middle; with `hertz` only. */
  readonly duty?: number;
}

/** Readings closer together than this, in seconds, are a sweep and no meter's readings one after another. */
const closest = 0.004;
/** Fewer readings show no shape; after so many a sweep is taken as it stands. */
const fewest = 32;
const most = 2048;

/** Shares of the readings that count as spikes at either end. */
const spikes = 0.01;
/** So much between the levels must be crossed for an edge to count, of readings smoothed by their neighbours. */
const edge = { from: 0.3, to: 0.7 };
const neighbours = 2;
/** Where neighbours differ by this share of what all differ by, there is nothing but noise. */
const onlyNoise = 0.7;
/** Periods may differ by this share of their mean. */
const periodSpread = 0.25;

/** Gathers the readings of a sampler into sweeps. */
export class SweepWatch {
  private samples: Sample[] = [];

  /** @returns the sweep that this reading ends, by beginning the next or by being one too many */
  take(sample: Sample): readonly Sample[] | undefined {
    const last = this.samples[this.samples.length - 1];
    const apart = last ? sample.at - last.at : Infinity;
    if (apart <= 0 || apart >= closest) {
      const sweep = this.end();
      this.samples = [sample];
      return sweep;
    }
    this.samples.push(sample);
    return this.samples.length >= most ? this.end() : undefined;
  }

  /** Are the readings that come those of a sweep? */
  get sweeping(): boolean {
    return this.samples.length > 2;
  }

  /** @returns the sweep so far, where it is one; the next reading begins anew */
  end(): readonly Sample[] | undefined {
    const sweep = this.samples;
    this.samples = [];
    return sweep.length >= fewest ? sweep : undefined;
  }
}

/**
 * Measures a sweep: levels by quantiles, so that a spike is no peak; the period between edges that go
 * well across the middle, so that noise on a slow edge is no period.
 *
 * @param sweep in order of time, evenly apart
 * @throws Refusal where there are too few readings, or one is beyond the range
 */
export function measureWaveform(sweep: readonly Sample[]): Waveform {
  if (sweep.length < fewest || sweep.some(({ value }) => !Number.isFinite(value)))
    throw new Refusal(`a sweep has ${fewest} readings or more, each within the range`);
  const sorted = sweep.map(({ value }) => value).sort((a, b) => a - b);
  const [low, high] = [quantileSorted(sorted, spikes), quantileSorted(sorted, 1 - spikes)];
  const rising = risingEdges(smoothed(sweep), low, high);
  const whole = rising.length >= 2 ? sweep.filter(({ at }) => at >= rising[0]! && at < rising.at(-1)!) : sweep;
  // The mean of whole periods; a part of one more would pull it.
  const level = mean((whole.length >= fewest / 2 ? whole : sweep).map(({ value }) => value));
  const rms = Math.sqrt(mean(whole.map(({ value }) => (value - level) ** 2)));
  const measured = { low, high, peakToPeak: high - low, mean: level, rms };
  const hertz = noiseOf(sweep) < onlyNoise * rms ? repetition(rising) : undefined;
  if (hertz === undefined) return measured;
  const middle = (low + high) / 2;
  return { ...measured, hertz, duty: whole.filter(({ value }) => value > middle).length / whole.length };
}

/** From the differences of neighbours. */
const noiseOf = (sweep: readonly Sample[]) =>
  Math.sqrt(mean(sweep.slice(1).map(({ value }, index) => (value - sweep[index]!.value) ** 2)) / 2);

const smoothed = (sweep: readonly Sample[]): Sample[] =>
  sweep.map(({ at }, index) => {
    const near = sweep.slice(Math.max(0, index - neighbours), index + neighbours + 1);
    return { at, value: mean(near.map(({ value }) => value)) };
  });

/** When the middle was crossed upwards, between readings, by edges that went from near the low level to near the high one. */
function risingEdges(sweep: readonly Sample[], low: number, high: number): number[] {
  const [from, to, middle] = [edge.from, edge.to, 0.5].map((share) => low + share * (high - low)) as [
    number,
    number,
    number,
  ];
  const edges: number[] = [];
  let armed = false;
  let crossed: number | undefined;
  for (let index = 0; index < sweep.length; index += 1) {
    const { at, value } = sweep[index]!;
    const before = sweep[index - 1];
    if (value <= from) [armed, crossed] = [true, undefined];
    if (before && before.value < middle && value >= middle)
      crossed ??= before.at + ((middle - before.value) / (value - before.value)) * (at - before.at);
    if (armed && value >= to && crossed !== undefined) {
      edges.push(crossed);
      armed = false;
    }
  }
  return edges;
}

function repetition(edges: readonly number[]): Hertz | undefined {
  const periods = edges.slice(1).map((at, index) => at - edges[index]!);
  if (periods.length === 0) return undefined;
  const period = mean(periods);
  const agree = periods.length >= 2 && periods.every((one) => Math.abs(one - period) <= periodSpread * period);
  return agree ? 1 / period : undefined;
}
