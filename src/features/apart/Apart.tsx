'use client';

import { useMemo, useState } from 'react';
import { replay } from '@/core/log';
import { type OfferedStep, stillOut, teardownOf } from '@/core/teardown';
import { type JobFile, JobFrame, useLog, ofSentJob } from '@/workshop/job';
import { Away } from './Away';
import styles from './apart.module.css';
import { StepList } from './StepList';
import { Together } from './Together';

interface ApartProps {
  readonly file: JobFile;
  /** What the last of its kind took, where one was closed. */
  readonly last: readonly OfferedStep[];
}

/** How the set comes apart, a line a step; and the way back, from the last step to the first. */
export const Apart = ofSentJob(function Apart({ file, last }: ApartProps) {
  const log = useLog(file);
  const { sheet } = file;
  const bench = useMemo(() => replay(log.entries, [...sheet.stores.keys()]), [log.entries, sheet]);
  const steps = useMemo(() => teardownOf(log.entries), [log.entries]);
  const [together, setTogether] = useState(false);
  const left = stillOut(steps);
  return (
    <JobFrame file={file} log={log} bench={bench}>
      <div className={styles.page}>
        <section className={styles.now} aria-label={together ? 'Put together' : 'Take apart'}>
          <div role="group" aria-label="Which way" className={styles.ways}>
            <button type="button" aria-pressed={!together} onClick={() => setTogether(false)}>
              Take apart
            </button>
            <button
              type="button"
              aria-pressed={together}
              disabled={steps.length === 0}
              onClick={() => setTogether(true)}
            >
              Put together · {left.length} left
            </button>
          </div>
          {together ? (
            <Together job={file.id} steps={steps} log={log} />
          ) : (
            <Away file={file} steps={steps} log={log} bench={bench} last={last} />
          )}
        </section>
        <StepList steps={steps} log={log} />
      </div>
    </JobFrame>
  );
});
