import { type LogEntry, replay } from '../log';
import { contextKey, liveCold, type Predictions } from '../behaviour';
import { type Symptom } from '../picture';

/** A closed job, as far as its readings go. */
export interface ClosedLog {
  /** Its id. */
  readonly job: string;
  readonly title: string;
  /** What it was, as its note says it. */
  readonly cause: string;
  /** The picture its owner told. */
  readonly symptoms: readonly Symptom[];
  /** ISO 8601 instant. */
  readonly closedAt: string;
  readonly log: readonly LogEntry[];
}

/** What a check read on the shop's own sets of a kind. */
export interface Usual {
  /** Sets that read it after their cure, and between which values. */
  readonly count: number;
  readonly low: number;
  readonly high: number;
  /** What this very set read when it was closed last. */
  readonly before?: { readonly value: number; readonly at: string };
}

const plain = contextKey(liveCold);

/**
 * What the shop's closed sets of a kind read, by check: after their repair, as built, without a lamp. Rails that
 * go by the label of each set are left out, since they differ from set to set.
 *
 * @param title of the set at hand: closed jobs of that name were the same set
 */
export function usualReadings(
  { checks, model: { sheet } }: Pick<Predictions, 'checks' | 'model'>,
  closed: readonly Pick<ClosedLog, 'title' | 'closedAt' | 'log'>[],
  title: string,
): Map<string, Usual> {
  const usual = new Map<string, Usual>();
  const comparable = (id: string) => {
    const net = checks.get(id)?.point?.net;
    return checks.has(id) && (net === undefined || sheet.nets.get(net)!.source !== 'label');
  };
  for (const job of [...closed].sort((a, b) => a.closedAt.localeCompare(b.closedAt))) {
    const bench = replay(job.log, [...sheet.stores.keys()]);
    const same = job.title.trim().toLowerCase() === title.trim().toLowerCase();
    const last = new Map<string, { readonly value: number; readonly cured: boolean }>();
    for (const { check, answer, context, afterRepairs } of bench.readings) {
      if (answer.kind !== 'number' || answer.shape !== 'settled' || !Number.isFinite(answer.value)) continue;
      const asBuilt = context.power !== 'live' || contextKey({ ...context, warm: false }) === plain;
      const cured = bench.repairs.length > 0 && afterRepairs === bench.repairs.length;
      if (asBuilt && comparable(check)) last.set(check, { value: answer.value, cured });
    }
    for (const [check, { value, cured }] of last) {
      const known = usual.get(check) ?? { count: 0, low: Infinity, high: -Infinity };
      const counted = cured
        ? { count: known.count + 1, low: Math.min(known.low, value), high: Math.max(known.high, value) }
        : {};
      usual.set(check, { ...known, ...counted, ...(same ? { before: { value, at: job.closedAt } } : {}) });
    }
  }
  return usual;
}
