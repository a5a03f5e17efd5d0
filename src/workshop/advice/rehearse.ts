import { type Predictions } from '@/core/behaviour';
import { readingRows } from '@/core/job';
import { type LogEntry } from '@/core/log';
import { caseOf, type JobFile } from '@/workshop/job';

/** How many readings are rehearsed: by then the engine runs what it has seen as machine code. */
const rehearsed = 12;

/** Logs that go on from a job's as if its next points had been read; nothing of them is kept. */
export function rehearsalsOf({ entries }: JobFile, { checks }: Predictions): LogEntry[][] {
  const asked = [...checks.values()].filter(({ measure }) => measure === 'dc').slice(0, rehearsed);
  const at = entries.at(-1)?.at ?? '1970-01-01T00:00:00Z';
  return asked.map((_, count) => [
    ...entries,
    ...asked.slice(0, count + 1).map(({ id: check }, index): LogEntry => ({
      id: `rehearsed-${index}`,
      at,
      body: { kind: 'reading', check, answer: { kind: 'number', value: 5 + index, shape: 'settled' }, text: '5' },
    })),
  ]);
}

/** Judges rehearsed readings on the page's own thread, one whenever it is idle. @returns stops it */
export function judgeWhenIdle(file: JobFile, logs: readonly (readonly LogEntry[])[]): () => void {
  let next = 0;
  const turn = () => {
    const log = logs[next];
    if (!log) return;
    readingRows(caseOf(file, log));
    next += 1;
    waiting = requestIdleCallback(turn);
  };
  let waiting = requestIdleCallback(turn);
  return () => cancelIdleCallback(waiting);
}
