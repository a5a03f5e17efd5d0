import { lineThrough, mean } from '../../statistics';
import { type Sample } from './trace';

/** By so much a reading leaves the point before, against what its line leads to, and for so many readings. */
const leaves = { share: 0.05, floor: 0.02, noise: 5, readings: 2 };
/** Readings of this long say where a value stands, and of this long where it leads to, in seconds; one of so many at least. */
const standing = 0.7;
const leading = 1.5;
const fewest = 4;
/** Readings are kept for this long to know their noise, in seconds. */
const lookBack = 3;
/** A value that stands this far from what was recorded is told: a share of it, and a floor in the unit read. */
const apart = { share: 0.015, floor: 0.004 };
/** By so many standard deviations of the difference, too. */
const surely = 3.5;

/** What a reading after a recorded one comes to. */
export type After =
  /** The probes are on the point still; `value` where it has crept away from what was recorded. */
  { readonly kind: 'there'; readonly value?: number } | { readonly kind: 'left' };

/**
 * Goes on watching a point after its reading was recorded: what charges slowly looks settled to a noisy
 * meter, and is put right while the probes are still on it.
 */
export class CreepWatch {
  private recent: readonly Sample[];
  /** Readings off the point, one after another. */
  private away = 0;

  /**
   * @param recorded what was recorded of the point, from the readings `on` it; undefined where what it reads
   *   from now on puts nothing right, such as after a rail that was brief
   */
  constructor(
    private recorded: number | undefined,
    on: readonly Sample[] = [],
  ) {
    const last = on[on.length - 1];
    const from = recorded === undefined ? last?.at : last && last.at - standing;
    this.recent = on.filter(({ at, value }) => at >= from! && Number.isFinite(value));
  }

  /** Each value that is told is the recorded one from then on. */
  take(sample: Sample): After {
    // Probes that have left stay away, whatever the next point reads.
    if (this.away >= leaves.readings) return { kind: 'left' };
    if (this.isOff(sample)) {
      this.away += 1;
      return { kind: this.away < leaves.readings ? 'there' : 'left' };
    }
    // A single one that was off is a slip of the probe.
    this.away = 0;
    if (!Number.isFinite(sample.value)) return { kind: 'there' };
    this.recent = [...this.recent.filter(({ at }) => at >= sample.at - lookBack), sample];
    const value = this.crept();
    if (value === undefined) return { kind: 'there' };
    this.recorded = value;
    return { kind: 'there', value };
  }

  private isOff({ at, value }: Sample): boolean {
    const expected = this.leadsTo(at) ?? this.recorded ?? value;
    if (!Number.isFinite(value) || !Number.isFinite(expected)) return value !== expected;
    const size = Math.max(Math.abs(expected), Math.abs(value));
    return Math.abs(value - expected) > leaves.share * size + leaves.floor + leaves.noise * this.noise();
  }

  /** Where the line through the last readings stands at a time; the last one where there are few. */
  private leadsTo(time: number): number | undefined {
    const last = this.recent[this.recent.length - 1];
    const recent = this.recent.filter(({ at }) => at >= (last?.at ?? 0) - leading);
    const taken = recent.length >= fewest ? recent : this.recent.slice(-fewest);
    if (!last || taken.length < fewest) return last?.value;
    const line = lineThrough(taken.map(({ at, value }) => [at, value]));
    // Nobody knows for how long it goes on like that.
    return line.at(Math.min(time, last.at + standing));
  }

  /** Standard deviation of one reading, from the differences of neighbours. */
  private noise(): number {
    const steps = this.recent.slice(1).map(({ value }, index) => (value - this.recent[index]!.value) ** 2);
    return steps.length === 0 ? 0 : Math.sqrt(mean(steps) / 2);
  }

  private crept(): number | undefined {
    if (this.recorded === undefined) return undefined;
    const last = this.recent[this.recent.length - 1]!;
    const now = this.recent.filter(({ at }) => at >= last.at - standing);
    if (now.length < 2 || last.at - this.recent[0]!.at < standing) return undefined;
    const value = mean(now.map((one) => one.value));
    // The recorded value was a mean of about as many.
    const sure = surely * this.noise() * Math.sqrt(2 / now.length);
    const far = Math.max(apart.share * Math.abs(value) + apart.floor, sure);
    return Math.abs(value - this.recorded) > far ? value : undefined;
  }
}
