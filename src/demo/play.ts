import { type LogBody, type LogEntry, replay } from '@/core/log';
import { type Predictions } from '@/core/behaviour';
import { type Case, type Complaint, transition, verificationOf } from '@/core/diagnosis';
import { type Random } from '@/core/statistics';
import { answerFrom, complaintOf, hunt } from '@/core/practice';
import { type Fault } from '@/core/sheet';
import { type Stage } from './scenario';

const noise = 0.01;

/** Minutes between two lines of a demo log. */
const pace = 2;

/**
 * The log of a job on a set with a hidden fault, up to a stage of the work: the advice is
 * followed and every answer comes from the simulated set.
 *
 * @param start instant of the first line, in milliseconds
 */
export function playJob(
  predictions: Predictions,
  fault: Fault,
  stage: Stage,
  start: number,
  random: Random,
): LogEntry[] {
  if (stage === 'taken in') return [];
  const log = [...hunt(predictions, fault, { policy: 'tovrik', noise, random }).log];
  const firstRepair = log.findIndex(({ body }) => body.kind === 'repair');
  const lastRepair = log.findLastIndex(({ body }) => body.kind === 'repair');
  const played =
    stage === 'measuring'
      ? log.slice(0, firstRepair)
      : stage === 'repaired'
        ? log.slice(0, lastRepair + 1)
        : [...log, ...remeasure(predictions, complaintOf(predictions, fault), log, random)];
  return played.map((entry, index) => ({
    ...entry,
    id: `demo-${start}-${index}`,
    at: new Date(start + index * pace * 60_000).toISOString(),
  }));
}

/** Takes every reading that was wrong once more, now that the set is right. */
function remeasure(
  predictions: Predictions,
  complaint: Complaint,
  log: readonly LogEntry[],
  random: Random,
): LogEntry[] {
  const { sheet } = predictions.model;
  const stores = [...sheet.stores.keys()];
  const added: LogEntry[] = [];
  // Each line takes its time, as it will once it is dated: what went off by itself must be seen to stay on.
  const record = (body: LogBody) =>
    added.push({
      id: `again-${added.length}`,
      at: new Date((log.length + added.length) * pace * 60_000).toISOString(),
      body,
    });
  for (;;) {
    const bench = replay([...log, ...added], stores);
    const job: Case = { predictions, complaint, bench, closed: new Map(), hourlyRate: 18 };
    const next = verificationOf(job).find(({ after }) => after === undefined);
    if (!next) return added;
    const check = predictions.checks.get(next.check)!;
    for (const step of transition(sheet, bench.context, { ...next.before.context, warm: bench.context.warm }, () => 2))
      record(step);
    record({
      kind: 'reading',
      check: check.id,
      answer: answerFrom(predictions.expectation(undefined, check, next.before.context), noise, random),
      text: '',
    });
  }
}
