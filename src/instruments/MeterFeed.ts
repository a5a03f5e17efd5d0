import { Refusal, type Unit, attempt } from '@/core/quantity';
import {
  type ClassifiedTrace,
  classifyTrace,
  CreepWatch,
  measureWaveform,
  type Sample,
  SettleWatch,
  SweepWatch,
  type Waveform,
} from '@/core/reading';
import { type MeterReading, readMeterLine } from './meterLine';

/** A reading the feed has made up its mind about. */
export interface FedReading {
  readonly value: number;
  readonly shape: 'settled' | 'brief';
  /** It puts right what was recorded of the point before, on which the probes still are. */
  readonly revises?: true;
}

/** A sweep of a sampler, as it was drawn and what it comes to. */
export interface FedSweep {
  readonly sweep: readonly Sample[];
  readonly wave: Waveform;
}

/** What the feed shows meanwhile. */
export interface FeedState {
  readonly value: number | undefined;
  /** The unit the meter sends, where it sends one. */
  readonly unit: Unit | undefined;
  /** It is set to another unit than is asked for. */
  readonly otherUnit: boolean;
  /** Nothing is taken yet: the probes are still on the point before. */
  readonly onBefore: boolean;
  /** It reads what lifted probes do, too: nothing, or beyond the range. Only a key can tell that it is a reading. */
  readonly asLifted: boolean;
  /** What the figure is doing since the probes were put on. */
  readonly doing: ClassifiedTrace | undefined;
  /** The meter is beyond its range, and that is no reading here; `range` where it says which. */
  readonly beyond: { readonly range?: number } | undefined;
  readonly garbage: number;
  readonly lastGarbage: string | undefined;
}

/** The point that was read before, from a source whose lines go on: by its value, or by a sweep. */
export interface PointBefore {
  readonly watch?: CreepWatch;
  readonly wave?: Waveform;
}

export interface FeedOptions {
  /** Seconds a settled value must stand before it is taken; 0 takes it at once. */
  readonly patience: number;
  /** Do the lines go on between points, with the probes lifted? */
  readonly continuous?: boolean;
  /** Nothing is taken until the probes have left this point. */
  readonly before?: PointBefore;
  /** What is asked for; a meter set to another unit gives no reading. */
  readonly unit?: Unit;
  /** Is a value that settled what is waited for? One that is not is shown, and the next is waited for; any is where absent. */
  accepts?(value: number): boolean;
  /** Is a meter beyond its range, whose end is given where it is known, a reading? */
  isOpen?(range: number | undefined): boolean;
}

/** Samples kept of one touch: a minute of a fast meter. */
const kept = 3000;
/** What lifted probes may show at most, in base units, where they do not show beyond the range. */
const floats = 0.05;
/** Over-range for this long is a reading by itself, in seconds. */
const openFor = 1;
/**
 * What the figure is doing is told from this long on, when the touch itself no longer looks like a climb, so
 * often, in seconds, by so many of the last samples.
 */
const lookAfter = 2.4;
const lookEvery = 0.5;
const lookBack = 600;
/** A sweep differs from the one before by this share of its size, or of its frequency. */
const otherSweep = 0.05;

/**
 * Turns the lines of an instrument into readings: settled values at once, unless the rail may be one that is
 * taken away again; then the trace is watched until it is known. Readings close together are a sampler's
 * sweep, and measured as a whole. Garbage is counted and passed over.
 */
export class MeterFeed {
  private samples: Sample[] = [];
  private sweep: readonly Sample[] | undefined;
  private watch = new SettleWatch();
  private readonly sweeps = new SweepWatch();
  private settled: { readonly value: number; readonly at: number } | undefined;
  private done = false;
  private lookedAt = -Infinity;
  /** The point before, while the probes are on it. */
  private before: PointBefore | undefined;
  state: FeedState = {
    value: undefined,
    unit: undefined,
    otherUnit: false,
    onBefore: false,
    asLifted: false,
    doing: undefined,
    beyond: undefined,
    garbage: 0,
    lastGarbage: undefined,
  };

  constructor(private readonly options: FeedOptions) {
    this.before = options.before;
    this.state = { ...this.state, onBefore: this.before?.watch !== undefined };
  }

  /** @returns the reading, once; before it, what the point before crept to */
  take(line: string): FedReading | FedSweep | undefined {
    const sample = attempt(() => readMeterLine(line));
    if (sample instanceof Refusal) {
      this.state = { ...this.state, garbage: this.state.garbage + 1, lastGarbage: sample.message };
      return undefined;
    }
    this.state = { ...this.state, value: sample.value, unit: sample.unit, otherUnit: false };
    if (this.done) return undefined;
    const swept = this.sweeps.take(sample);
    if (swept) return this.measured(swept);
    if (this.sweeps.sweeping) return undefined;
    const { unit } = this.options;
    if (unit && sample.unit && sample.unit !== unit) {
      this.state = { ...this.state, otherUnit: true };
      return undefined;
    }
    if (this.before?.watch) {
      const after = this.before.watch.take(sample);
      this.state = { ...this.state, onBefore: after.kind === 'there' };
      if (after.kind === 'there')
        return after.value === undefined ? undefined : { value: after.value, shape: 'settled', revises: true };
      this.before = undefined;
    }
    this.samples = [...this.samples.slice(1 - kept), sample];
    this.look(sample.at);
    const reading = this.judge(sample);
    this.done = reading !== undefined;
    return reading;
  }

  /** @returns the sweep that the end of the stream completes */
  end(): FedSweep | undefined {
    const swept = this.sweeps.end();
    return this.done || !swept ? undefined : this.measured(swept);
  }

  /** The point of a reading this feed gave, for the feed that comes after it. */
  pointOf(reading: FedReading | FedSweep): PointBefore {
    if ('wave' in reading) return { wave: reading.wave };
    return (
      this.before ?? { watch: new CreepWatch(reading.shape === 'brief' ? undefined : reading.value, this.samples) }
    );
  }

  /** All that was read at this touch so far. */
  get trace(): readonly Sample[] {
    return this.sweep ?? this.samples;
  }

  private measured(sweep: readonly Sample[]): FedSweep | undefined {
    if (sweep.some(({ value }) => !Number.isFinite(value))) {
      this.state = { ...this.state, beyond: {} };
      return undefined;
    }
    const wave = measureWaveform(sweep);
    if (this.before?.wave && alike(this.before.wave, wave)) {
      this.state = { ...this.state, onBefore: true };
      return undefined;
    }
    this.sweep = sweep;
    this.done = true;
    this.state = { ...this.state, onBefore: false };
    return { sweep, wave };
  }

  /** Tells now and then what the figure is doing. */
  private look(now: number): void {
    const first = this.samples[0]!.at;
    if (now - first < lookAfter || now - this.lookedAt < lookEvery) return;
    this.lookedAt = now;
    this.state = { ...this.state, doing: classifyTrace(this.samples.slice(-lookBack)) };
  }

  private judge(sample: MeterReading): FedReading | undefined {
    const { patience, continuous = false } = this.options;
    const asLifted = continuous && (sample.value === Infinity || Math.abs(sample.value) < floats);
    this.state = { ...this.state, asLifted };
    if (sample.value === Infinity) return this.beyond(sample, asLifted);
    this.state = { ...this.state, beyond: undefined };
    const value = this.accepted(this.watch.take(sample));
    // Lifted probes rest near nothing until they are put down.
    if (continuous && this.settled && Math.abs(sample.value - this.settled.value) > floats) this.settled = undefined;
    if (value !== undefined) {
      // What stood and now rests near nothing was brief.
      if (patience > 0) {
        const { shape } = classifyTrace(this.samples);
        if (shape.kind === 'brief') return { value: shape.peak, shape: 'brief' };
      }
      if (asLifted) return undefined;
      if (patience === 0) return { value, shape: 'settled' };
      this.settled = { value, at: sample.at };
    }
    if (this.settled && sample.at - this.settled.at >= patience) {
      const { shape } = classifyTrace(this.samples);
      return shape.kind === 'brief'
        ? { value: shape.peak, shape: 'brief' }
        : { value: this.settled.value, shape: 'settled' };
    }
    return undefined;
  }

  /** What settled, where it is waited for; else the next that settles is, however near to it. */
  private accepted(settled: number | undefined): number | undefined {
    if (settled === undefined || this.options.accepts?.(settled) !== false) return settled;
    this.watch = new SettleWatch();
    return undefined;
  }

  private beyond({ at, range }: MeterReading, asLifted: boolean): FedReading | undefined {
    if (this.options.isOpen?.(range) === false) {
      this.state = { ...this.state, asLifted: false, beyond: range === undefined ? {} : { range } };
      return undefined;
    }
    if (asLifted) return undefined;
    const first = this.samples.findLast(({ value }) => value !== Infinity)?.at ?? this.samples[0]!.at;
    return at - first >= openFor ? { value: Infinity, shape: 'settled' } : undefined;
  }
}

/** May two sweeps be of one point? */
function alike(one: Waveform, other: Waveform): boolean {
  const near = (a: number, b: number, size: number) => Math.abs(a - b) <= otherSweep * size;
  const size = Math.max(one.peakToPeak, other.peakToPeak);
  const rate = Math.max(one.hertz ?? 0, other.hertz ?? 0);
  return (
    near(one.mean, other.mean, Math.max(size, Math.abs(one.mean))) &&
    near(one.peakToPeak, other.peakToPeak, 2 * size) &&
    near(one.hertz ?? 0, other.hertz ?? 0, rate)
  );
}
