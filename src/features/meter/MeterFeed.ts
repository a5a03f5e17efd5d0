import { classifyTrace, CreepWatch, type Sample, SettleWatch } from '@/core/reading';
import { MeterLineError, readMeterLine } from '@/instruments';

/** A reading the feed has made up its mind about. */
export interface FedReading {
  readonly value: number;
  readonly shape: 'settled' | 'brief';
  /** It puts right what was recorded of the point before, on which the probes still are. */
  readonly revises?: true;
}

/** What the feed shows meanwhile. */
export interface FeedState {
  readonly value: number | undefined;
  /** Nothing is taken yet: the probes are still on the point before. */
  readonly onBefore: boolean;
  /** Lines that were no readings. */
  readonly garbage: number;
  readonly lastGarbage: string | undefined;
}

/** Samples kept of one touch: a minute of a fast meter. */
const kept = 3000;
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
  state: FeedState = { value: undefined, onBefore: false, garbage: 0, lastGarbage: undefined };

  /** Do the lines go on between points? */
  private readonly goesOn: boolean;

  /**
   * @param patience seconds a settled value must stand before it is taken; 0 takes it at once
   * @param before the watch on the point before, of a meter whose lines go on: nothing is taken until they leave it
   */
  constructor(
    private readonly patience: number,
    private before?: CreepWatch,
  ) {
    this.goesOn = before !== undefined;
    this.state = { ...this.state, onBefore: this.goesOn };
  }

  /** @returns the reading, once; before it, what the point before crept to */
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
    if (this.done) return undefined;
    if (this.before) {
      const after = this.before.take(sample);
      this.state = { ...this.state, onBefore: after.kind === 'there' };
      if (after.kind === 'there')
        return after.value === undefined ? undefined : { value: after.value, shape: 'settled', revises: true };
      this.before = undefined;
    }
    this.samples = [...this.samples.slice(1 - kept), sample];
    const reading = this.judge(sample);
    this.done = reading !== undefined;
    return reading;
  }

  /** The watch on the point of a reading this feed gave, for the feed that comes after it. */
  watchOn({ value, shape }: FedReading): CreepWatch {
    return this.before ?? new CreepWatch(shape === 'brief' ? undefined : value, this.samples);
  }

  /** All that was read at this touch so far. */
  get trace(): readonly Sample[] {
    return this.samples;
  }

  /** Seconds a settled value must stand before it is taken. */
  private standsFor(value: number): number {
    return this.goesOn && Math.abs(value) < floats ? Math.max(liftedFor, this.patience) : this.patience;
  }

  private judge(sample: Sample): FedReading | undefined {
    if (sample.value === Infinity) {
      const first = this.samples.findLast(({ value }) => value !== Infinity)?.at ?? this.samples[0]!.at;
      const long = this.goesOn ? liftedFor : openFor;
      return sample.at - first >= long ? { value: Infinity, shape: 'settled' } : undefined;
    }
    const value = this.watch.take(sample);
    // Lifted probes rest near nothing until they are put down.
    if (this.goesOn && this.settled && Math.abs(sample.value - this.settled.value) > floats) this.settled = undefined;
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
