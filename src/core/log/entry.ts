import { type BodyNamed, type LogBody } from './kinds';
import { type LogStamp } from './stamp';

/** A line of the log. Nothing is ever changed: a later line may supersede an earlier one. */
export interface LogEntry extends LogStamp {
  readonly body: LogBody;
}

/** A place in the log with the lines that have stood there, oldest first. */
export interface Slot {
  readonly versions: readonly LogEntry[];
}

/** The places of a log in their order; a line that supersedes another takes over its place. */
export function slotsOf(log: readonly LogEntry[]): Slot[] {
  const slots: { versions: LogEntry[] }[] = [];
  const slotOf = new Map<string, { versions: LogEntry[] }>();
  for (const entry of log) {
    const earlier = entry.supersedes === undefined ? undefined : slotOf.get(entry.supersedes);
    const slot = earlier ?? { versions: [] };
    slot.versions.push(entry);
    slotOf.set(entry.id, slot);
    if (!earlier) slots.push(slot);
  }
  return slots;
}

/** A line of one kind that stands: the newest version of each, those taken back left out. */
export interface Standing<Kind extends LogBody['kind']> {
  readonly entry: LogEntry;
  readonly body: BodyNamed<Kind>;
}

/** The lines of some kinds that stand, in the order of their places: a correction stands where it was wrong. */
export function standing<Kind extends LogBody['kind']>(
  log: readonly LogEntry[],
  ...kinds: readonly Kind[]
): Standing<Kind>[] {
  return slotsOf(log).flatMap(({ versions }): Standing<Kind>[] => {
    const entry = versions[versions.length - 1]!;
    return kinds.some((kind) => entry.body.kind === kind)
      ? [{ entry, body: entry.body as Standing<Kind>['body'] }]
      : [];
  });
}

/** The newest line that still stands and could be taken back; undefined when there is none. */
export function lastStanding(entries: readonly LogEntry[]): LogEntry | undefined {
  const gone = new Set(entries.flatMap((entry) => entry.supersedes ?? []));
  return entries.findLast((entry) => !gone.has(entry.id) && entry.body.kind !== 'withdrawn');
}
