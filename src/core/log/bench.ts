import { attempt, Refusal } from '../quantity';
import { type FailureRecord, readFailures } from '../soak';
import { sumOf } from '../statistics';
import { type Context, liveCold } from '../behaviour';
import { type Answer } from '../measure';
import { type Symptom } from '../picture';
import { type LogStamp } from './stamp';

/** A reading in the context in which it was taken. */
export interface TakenReading {
  readonly entry: LogStamp;
  readonly check: string;
  readonly answer: Answer;
  readonly text: string;
  readonly context: Context;
  /** Count of repairs done before it. */
  readonly afterRepairs: number;
  /** When the power state of its moment began: how long a set had run before it. */
  readonly since?: string | undefined;
  /** Count of times that the power had been changed before it. */
  readonly episode: number;
}

/** A reading inside a block, at a node that only its netlist knows, in the context in which it was taken. */
export interface InsideReading extends Pick<TakenReading, 'entry' | 'context' | 'afterRepairs'> {
  readonly block: string;
  readonly node: string;
  readonly measure: 'volts' | 'ripple';
  readonly volts: number;
}

/** A table that was kept with the job, as it was written down. */
export interface KeptTable {
  readonly entry: LogStamp;
  readonly title: string;
  readonly table: string;
  /** A photograph of the job that shows where it was read. */
  readonly photo: string | undefined;
  /** Count of repairs done before it. */
  readonly afterRepairs: number;
}

/** A part that was measured by itself, as it was typed. */
export interface MeasuredPart {
  readonly entry: LogStamp;
  readonly ref: string;
  readonly line: string;
  /** Count of repairs done before it. */
  readonly afterRepairs: number;
}

/** A soak that has ended, of a set that is known to have failed before. */
export interface Soaked {
  /** How often it failed before. */
  readonly before: FailureRecord;
  /** How long it ran. */
  readonly hours: number;
  /** How often it failed, or something was seen, while it ran. */
  readonly failures: number;
  /** Count of repairs done before it. */
  readonly afterRepairs: number;
}

/** No soak is shorter, in hours. */
const aMinute = 1 / 60;

/** What was done to put a set right. */
export interface Repair {
  /** `method:part` or `method:board`. */
  readonly action: string;
  readonly title: string;
  readonly cures: readonly string[];
  readonly money: number;
  readonly minutes: number;
  readonly note: string;
}

/** The latest reading of a store of charge. */
export interface StoreReading {
  readonly store: string;
  readonly volts: number;
  /** ISO 8601 instant. */
  readonly at: string;
}

/** Where a job stands after its log. */
export interface BenchState {
  readonly context: Context;
  readonly isolated: boolean;
  /** Mains as measured at the bench, in volts; undefined where nobody has. */
  readonly mains: number | undefined;
  /** When the present power state began, and how many there were before. */
  readonly since: string | undefined;
  readonly episode: number;
  /** The last reading of each store since the set was live. */
  readonly stores: readonly StoreReading[];
  readonly readings: readonly TakenReading[];
  readonly inside: readonly InsideReading[];
  readonly tables: readonly KeptTable[];
  readonly parts: readonly MeasuredPart[];
  /** Readings that a later line corrected or withdrew, newest version not included. */
  readonly superseded: readonly TakenReading[];
  readonly unreachable: ReadonlySet<string>;
  readonly repairs: readonly { readonly entry: LogStamp; readonly repair: Repair }[];
  readonly soaks: readonly Soaked[];
  readonly notes: readonly { readonly entry: LogStamp; readonly text: string }[];
  /** The last reading of each check since the last repair. */
  readonly latest: ReadonlyMap<string, TakenReading>;
  /** The picture as it was seen last, and by which line. */
  readonly picture: { readonly symptoms: readonly Symptom[]; readonly entry: LogStamp } | undefined;
  /** Money for parts so far, in the shop's money. */
  readonly spent: number;
}

/** The bench while its log is replayed: what each line finds and changes. */
export class BenchInMaking {
  /** A set as it arrives: unplugged, and nobody has measured its stores. */
  context: Context = { ...liveCold, power: 'unplugged' };
  isolated = false;
  mains: number | undefined;
  since: string | undefined;
  episode = 0;
  stores: StoreReading[] = [];
  readonly readings: TakenReading[] = [];
  readonly inside: InsideReading[] = [];
  readonly tables: KeptTable[] = [];
  readonly parts: MeasuredPart[] = [];
  readonly superseded: TakenReading[] = [];
  readonly unreachable = new Set<string>();
  readonly repairs: { entry: LogStamp; repair: Repair }[] = [];
  readonly soaks: Soaked[] = [];
  readonly notes: { entry: LogStamp; text: string }[] = [];
  /** The soak that runs: when it began, how often the set failed before as it was typed, and since. */
  private soak: { readonly begun: string; readonly typed: string; failures: number } | undefined;
  private latest = new Map<string, TakenReading>();
  private picture: BenchState['picture'];

  /** @param storesToProve stores of the sheet that must be measured low for the set to count as proven dead */
  constructor(readonly storesToProve: readonly string[]) {}

  /** A reading with all that decides what it should have been, at this point of the log. */
  taken(entry: LogStamp, check: string, answer: Answer, text: string): TakenReading {
    const { context, repairs, since, episode } = this;
    return { entry, check, answer, text, context, afterRepairs: repairs.length, since, episode };
  }

  /** Adds a reading that stands. */
  take(reading: TakenReading): void {
    this.readings.push(reading);
    this.unreachable.delete(reading.check);
    this.latest.delete(reading.check);
    this.latest.set(reading.check, reading);
    const { answer, entry } = reading;
    if (answer.kind === 'picture') this.picture = { symptoms: answer.symptoms, entry };
  }

  /** Adds a part that was measured by itself. */
  measuredPart(entry: LogStamp, ref: string, line: string): void {
    this.parts.push({ entry, ref, line, afterRepairs: this.repairs.length });
  }

  /** Adds a repair; what was read before it no longer says how the set stands. */
  repaired(entry: LogStamp, repair: Repair): void {
    this.repairs.push({ entry, repair });
    this.latest = new Map();
  }

  soakBegun(at: string, typed: string): void {
    this.soak = { begun: at, typed, failures: 0 };
  }

  soakFailed(): void {
    if (this.soak) this.soak.failures += 1;
  }

  /** Ends the soak; it tells something where somebody said how often the set failed before. */
  soakEnded(at: string, byFailing: boolean): void {
    const { soak } = this;
    this.soak = undefined;
    const before = soak && attempt(() => readFailures(soak.typed));
    if (!soak || !before || before instanceof Refusal) return;
    const hours = Math.max(aMinute, (Date.parse(at) - Date.parse(soak.begun)) / 3_600_000);
    this.soaks.push({
      before,
      hours,
      failures: soak.failures + (byFailing ? 1 : 0),
      afterRepairs: this.repairs.length,
    });
  }

  /** Where the job stands now. */
  done(): BenchState {
    return {
      context: this.context,
      isolated: this.isolated,
      mains: this.mains,
      since: this.since,
      episode: this.episode,
      stores: this.stores,
      readings: this.readings,
      inside: this.inside,
      tables: this.tables,
      parts: this.parts,
      superseded: this.superseded,
      unreachable: this.unreachable,
      repairs: this.repairs,
      soaks: this.soaks,
      notes: this.notes,
      latest: this.latest,
      picture: this.picture,
      spent: sumOf(this.repairs, ({ repair }) => repair.money),
    };
  }
}
