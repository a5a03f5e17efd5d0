import { type Context, type Intervention, liveCold, withConnector, withIntervention } from '../behaviour';
import { type Answer } from './answer';

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
        if (context.power === 'unplugged' && stores.every((store) => proofs.some((proof) => proof.store === store))) {
          context = { ...context, power: 'proven' };
        }
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
      case 'withdrawn':
        break;
    }
  }
  return { context, isolated, since, proofs, readings, inside, superseded, unreachable, repairs, notes };
}
