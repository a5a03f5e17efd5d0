import Link from 'next/link';
import { useMemo } from 'react';
import { type Case, proofOf } from '@/core/diagnosis';
import { leftUndone, toSet } from '@/core/job';
import { type LogEntry } from '@/core/log';
import { ToSetList } from '@/workshop/job';
import { stepsText, stillOut, teardownOf } from '@/core/teardown';
import styles from './close.module.css';

interface BeforeItLeavesProps {
  readonly job: Case;
  readonly id: string;
  readonly entries: readonly LogEntry[];
}

/** What has to be as it was before the set goes back. */
export function BeforeItLeaves({ job, id, entries }: BeforeItLeavesProps) {
  const steps = useMemo(() => teardownOf(entries), [entries]);
  const out = stillOut(steps);
  const { done, open, wrong } = useMemo(() => proofOf(job), [job]);
  const titles = (list: typeof wrong) => list.map(({ check }) => job.predictions.checks.get(check)!.title).join(', ');
  const undone = leftUndone(job.bench);
  const unset = useMemo(() => toSet(job), [job]);
  return (
    <ul className={styles.checks}>
      <li data-ok={done}>
        {done
          ? 'Every wrong reading is right again'
          : wrong.length > 0
            ? `Still not right: ${titles(wrong)}`
            : open.length > 0
              ? `Not proven: not taken again since, ${titles(open)}`
              : 'Not proven: no repair is on record'}
      </li>
      <li data-ok={undone.length === 0}>
        {undone.length === 0
          ? 'Nothing pulled, lifted, bridged or lent; lamp out'
          : `Put back first, at the bench: ${undone.join(', ')}`}
      </li>
      {unset.length > 0 && (
        <li data-ok={false}>
          Not set on the new board: <ToSetList list={unset} job={id} />
        </li>
      )}
      {steps.length > 0 && (
        <li data-ok={out.length === 0}>
          {out.length === 0 ? (
            `All ${steps.length} steps of taking it apart are back`
          ) : (
            <Link href={`/job/${id}/apart`}>
              {out.length} steps are not back: {stepsText(out, 2)}
            </Link>
          )}
        </li>
      )}
    </ul>
  );
}
