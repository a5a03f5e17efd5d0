import { classifyTrace, type Sample, SettleWatch } from '@/core/reading';
import { MeterLineError, readMeterLine } from '@/instruments';

/** A reading the feed has made up its mind about. */
export interface FedReading {
  readonly value: number;
  readonly shape: 'settled' | 'brief';
}

/** What the feed shows meanwhile. */
export interface FeedState {
  readonly value: number | undefined;
  /** Lines that were no readings. */
  readonly garbage: number;
  readonly lastGarbage: string | undefined;
}

/** Samples kept of one touch: a minute of a fast meter. */
const kept = 3000;
/** By so much a value leaves the one before, as a share and in base units, for so many samples. */
const moved = 0.04;
const movedLeast = 0.02;
const leaves = 2;
/** Of a meter whose lines go on: what lifted probes may show, in base units, and for how long they are up between points. */
const floats = 0.05;
const liftedFor = 3;
/** Over-range for this long is a reading by itself, in seconds. */
const openFor = 1;

/**
 * Turns the lines of a meter into readings: settled values at once, unless the rail may be one that is
 * taken away again; then the trace is watched until it is known. Garbage is counted and passed over.
 */
export class MeterFeed {
  private samples: Sample[] = [];
  private readonly watch = new SettleWatch();
  private settled: { readonly value: number; readonly at: number } | undefined;
  private done = false;
  state: FeedState = { value: undefined, garbage: 0, lastGarbage: undefined };

  /** Samples away from the point before, one after another. */
  private away = 0;

  /**
   * @param patience seconds a settled value must stand before it is taken; 0 takes it at once
   * @param before what the point before read, of a meter whose lines go on: nothing is taken until they leave it
   */
  constructor(
    private readonly patience: number,
    private readonly before?: number,
  ) {}

  /** @returns the reading, once */
  take(line: string): FedReading | undefined {
    let sample: Sample;
    try {
      sample = readMeterLine(line);
    } catch (error) {
      if (!(error instanceof MeterLineError)) throw error;
      this.state = { ...this.state, garbage: this.state.garbage + 1, lastGarbage: error.message };
      return undefined;
    }
    this.state = { ...this.state, value: sample.value };
    if (this.done || !this.hasLeft(sample.value)) return undefined;
    this.samples = [...this.samples.slice(1 - kept), sample];
    const reading = this.judge(sample);
    this.done = reading !== undefined;
    return reading;
  }

  /** Have the probes left the point before? */
  private hasLeft(value: number): boolean {
    const { before } = this;
    if (before === undefined || this.away >= leaves) return true;
    const near =
      value === before || Math.abs(value - before) <= moved * Math.max(Math.abs(before), Math.abs(value)) + movedLeast;
    this.away = near ? 0 : this.away + 1;
    return this.away >= leaves;
  }

  /** All that was read at this touch so far. */
  get trace(): readonly Sample[] {
    return this.samples;
  }

  /** Seconds a settled value must stand before it is taken. */
  private standsFor(value: number): number {
    return this.before !== undefined && Math.abs(value) < floats ? Math.max(liftedFor, this.patience) : this.patience;
  }

  private judge(sample: Sample): FedReading | undefined {
    if (sample.value === Infinity) {
      const first = this.samples.findLast(({ value }) => value !== Infinity)?.at ?? this.samples[0]!.at;
      const long = this.before === undefined ? openFor : liftedFor;
      return sample.at - first >= long ? { value: Infinity, shape: 'settled' } : undefined;
    }
    const value = this.watch.take(sample);
    // Lifted probes rest near nothing until they are put down.
    if (this.before !== undefined && this.settled && Math.abs(sample.value - this.settled.value) > floats)
      this.settled = undefined;
    if (value !== undefined) {
      if (this.standsFor(value) === 0) return { value, shape: 'settled' };
      // What stood and now rests near nothing was brief.
      const { shape } = classifyTrace(this.samples);
      if (shape.kind === 'brief') return { value: shape.peak, shape: 'brief' };
      this.settled = { value, at: sample.at };
    }
    if (this.settled && sample.at - this.settled.at >= this.standsFor(this.settled.value)) {
      const { shape } = classifyTrace(this.samples);
      return shape.kind === 'brief'
        ? { value: shape.peak, shape: 'brief' }
        : { value: this.settled.value, shape: 'settled' };
    }
    return undefined;
  }
}
