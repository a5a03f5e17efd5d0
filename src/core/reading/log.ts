import { type Context, type Intervention, liveCold, withConnector, withIntervention } from '../behaviour';
import { type Answer } from './answer';

/** Ways to make an intermittent place answer. */
export const workedBy = ['press', 'tap', 'heat', 'chill'] as const;
export type WorkedBy = (typeof workedBy)[number];

/** What one line of a job's log records. */
export type LogBody =
  | { readonly kind: 'reading'; readonly check: string; readonly answer: Answer; readonly text: string }
  | { readonly kind: 'unreachable'; readonly check: string }
  | { readonly kind: 'power'; readonly power: 'live' | 'unplugged' }
  | { readonly kind: 'proven'; readonly store: string; readonly volts: number }
  | { readonly kind: 'connector'; readonly connector: string; readonly pulled: boolean }
  | {
      readonly kind: 'intervention';
      readonly change: Exclude<Intervention, 'unplugged'>;
      /** The part or board. */
      readonly target: string;
      readonly on: boolean;
    }
  | { readonly kind: 'warmth'; readonly warm: boolean }
  | { readonly kind: 'lamp'; readonly fitted: boolean }
  | { readonly kind: 'isolation'; readonly fitted: boolean }
  | {
      readonly kind: 'repair';
      readonly action: string;
      readonly title: string;
      readonly cures: readonly string[];
      readonly money: number;
      readonly minutes: number;
      readonly note: string;
    }
  /** Measured inside a block, at a node that only its netlist knows. */
  | {
      readonly kind: 'inside';
      readonly block: string;
      readonly node: string;
      readonly measure: 'volts' | 'ripple';
      readonly volts: number;
    }
  /** A part measured by itself, as it was typed. */
  | { readonly kind: 'part'; readonly ref: string; readonly line: string }
  /** What was agreed on before power was applied. */
  | {
      readonly kind: 'plan';
      readonly lampWatts: number;
      readonly lampVolts: number;
      readonly mains: number;
      readonly loadWatts: number;
    }
  /** What a step of that plan came to, in volts at the reservoir. */
  | { readonly kind: 'step'; readonly step: string; readonly volts: number }
  /** A place worked on with stick, knuckle, heat or cold; from 0 to 1 across the board and down it. */
  | {
      readonly kind: 'worked';
      readonly board: string;
      readonly x: number;
      readonly y: number;
      readonly by: WorkedBy;
      /** 0 nothing, 1 a flicker, 2 comes and goes, 3 every time. */
      readonly answer: 0 | 1 | 2 | 3;
    }
  | { readonly kind: 'soak'; readonly event: 'begun' | 'seen' | 'ended'; readonly text: string }
  | { readonly kind: 'photo'; readonly photo: string; readonly board: string; readonly title: string }
  /** Something worked out or seen, in words. */
  | { readonly kind: 'note'; readonly text: string }
  | { readonly kind: 'withdrawn' };

/** A line of the log. Nothing is ever changed: a later line may supersede an earlier one. */
export interface LogEntry {
  /** Made where it was typed, so that sending it twice records it once. */
  readonly id: string;
  /** ISO 8601 instant. */
  readonly at: string;
  /** The line this one corrects; it takes over its place and context. */
  readonly supersedes?: string;
  readonly body: LogBody;
}

export type Repair = Extract<LogBody, { kind: 'repair' }>;

/** A reading in the context in which it was taken. */
export interface TakenReading {
  readonly entry: LogEntry;
  readonly check: string;
  readonly answer: Answer;
  readonly text: string;
  readonly context: Context;
  /** Faults that repairs had cured by then. */
  readonly cured: ReadonlySet<string>;
  /** Count of repairs done before it. */
  readonly afterRepairs: number;
}

/** A reading inside a block in the context in which it was taken. */
export interface InsideReading extends Pick<TakenReading, 'entry' | 'context' | 'afterRepairs'> {
  readonly body: Extract<LogBody, { kind: 'inside' }>;
}

/** The latest proof that a store holds little. */
export interface Proof {
  readonly store: string;
  readonly volts: number;
  readonly at: string;
}

/** Where a job stands after its log. */
export interface BenchState {
  readonly context: Context;
  readonly isolated: boolean;
  /** When the present power state began. */
  readonly since: string | undefined;
  readonly proofs: readonly Proof[];
  readonly readings: readonly TakenReading[];
  readonly inside: readonly InsideReading[];
  /** Readings that a later line corrected or withdrew, newest version not included. */
  readonly superseded: readonly TakenReading[];
  readonly unreachable: ReadonlySet<string>;
  readonly repairs: readonly { readonly entry: LogEntry; readonly repair: Repair }[];
  readonly notes: readonly { readonly entry: LogEntry; readonly text: string }[];
}

/** A set on the bench as it arrives: unplugged, and nobody has measured its stores. */
const arrival: Context = { ...liveCold, power: 'unplugged' };

/** A place in the log with the bodies that have stood there, oldest first. */
interface Slot {
  readonly entry: LogEntry;
  readonly versions: LogEntry[];
}

/** A line of one kind that stands: the newest version of each, those taken back left out. */
export interface Standing<Kind extends LogBody['kind']> {
  readonly entry: LogEntry;
  readonly body: Extract<LogBody, { kind: Kind }>;
}

/** The lines of a kind that stand, in the order of their places. */
export function standing<Kind extends LogBody['kind']>(log: readonly LogEntry[], kind: Kind): Standing<Kind>[] {
  return slotsOf(log).flatMap(({ versions }): Standing<Kind>[] => {
    const entry = versions[versions.length - 1]!;
    return entry.body.kind === kind ? [{ entry, body: entry.body as Standing<Kind>['body'] }] : [];
  });
}

function slotsOf(log: readonly LogEntry[]): Slot[] {
  const slots: Slot[] = [];
  const slotOf = new Map<string, Slot>();
  for (const entry of log) {
    const earlier = entry.supersedes === undefined ? undefined : slotOf.get(entry.supersedes);
    const slot = earlier ?? { entry, versions: [] };
    slot.versions.push(entry);
    slotOf.set(entry.id, slot);
    if (!earlier) slots.push(slot);
  }
  return slots;
}

/** Below this a store is called discharged; above it the band goes on asking. In volts. */
export const provenBelow = 30;

/** Has every store been measured low, the last time it was measured? */
function allLow(stores: readonly string[], proofs: readonly Proof[]): boolean {
  return stores.every((store) => proofs.some((proof) => proof.store === store && Math.abs(proof.volts) < provenBelow));
}

/**
 * Works out where a job stands.
 *
 * @param log in the order in which it was recorded; `stores` of the sheet that must be proven
 *   for the set to count as proven dead
 */
export function replay(log: readonly LogEntry[], stores: readonly string[]): BenchState {
  let context = arrival;
  let isolated = false;
  let since: string | undefined;
  let proofs: Proof[] = [];
  const cured = new Set<string>();
  const readings: TakenReading[] = [];
  const superseded: TakenReading[] = [];
  const unreachable = new Set<string>();
  const repairs: { entry: LogEntry; repair: Repair }[] = [];
  const notes: { entry: LogEntry; text: string }[] = [];
  const inside: InsideReading[] = [];

  for (const { versions } of slotsOf(log)) {
    const entry = versions[versions.length - 1]!;
    const taken = (version: LogEntry): TakenReading[] =>
      version.body.kind === 'reading'
        ? [
            {
              entry: version,
              check: version.body.check,
              answer: version.body.answer,
              text: version.body.text,
              context,
              cured: new Set(cured),
              afterRepairs: repairs.length,
            },
          ]
        : [];
    superseded.push(...versions.slice(0, -1).flatMap(taken));
    const { body } = entry;
    switch (body.kind) {
      case 'reading':
        readings.push(...taken(entry));
        unreachable.delete(body.check);
        break;
      case 'unreachable':
        unreachable.add(body.check);
        break;
      case 'power':
        // The stores charge again with every power-up; earlier proofs are worth nothing.
        if (body.power === 'live') proofs = [];
        context = { ...context, power: body.power };
        since = entry.at;
        break;
      case 'proven':
        proofs = [
          ...proofs.filter((proof) => proof.store !== body.store),
          { store: body.store, volts: body.volts, at: entry.at },
        ];
        // What has recovered since it was measured is no longer proven.
        if (context.power !== 'live') context = { ...context, power: allLow(stores, proofs) ? 'proven' : 'unplugged' };
        break;
      case 'connector':
        context = withConnector(context, body.connector, body.pulled);
        break;
      case 'intervention':
        context = withIntervention(context, body.change, body.target, body.on);
        break;
      case 'warmth':
        context = { ...context, warm: body.warm };
        break;
      case 'lamp':
        context = { ...context, lamp: body.fitted };
        break;
      case 'isolation':
        isolated = body.fitted;
        break;
      case 'repair':
        repairs.push({ entry, repair: body });
        for (const fault of body.cures) cured.add(fault);
        break;
      case 'inside':
        inside.push({ entry, body, context, afterRepairs: repairs.length });
        break;
      case 'note':
        notes.push({ entry, text: body.text });
        break;
      default:
        break;
    }
  }
  return { context, isolated, since, proofs, readings, inside, superseded, unreachable, repairs, notes };
}
