'use client';

import { useState } from 'react';
import { gunsOf } from '@/core/setup';
import { EmptyState, Key, Ways } from '@/ui';
import { type JobFile, JobFrame, useJob, useTakeBackKey, ofSentJob } from '@/workshop/job';
import { BurnIn } from './BurnIn';
import { Guns } from './Guns';
import styles from './tube.module.css';

const ways = { guns: 'Its guns', burnIn: 'Burn-in' } as const;

/** The picture tube: how worn each gun is, driver or tube, and what has burnt into its face. */
export const TubePage = ofSentJob(function TubePage({ file }: { file: JobFile }) {
  const { log, job } = useJob(file);
  const [way, setWay] = useState<keyof typeof ways>('guns');
  const guns = gunsOf(file.sheet);
  useTakeBackKey(log);
  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      {guns.length === 0 ? (
        <EmptyState title="No picture tube">
          <p>A set of this kind has none. Rails, shape and colours have pages of their own.</p>
        </EmptyState>
      ) : (
        <div className={styles.page}>
          <Ways ways={ways} chosen={way} onChoose={setWay}>
            <span className="soft">
              <Key>Alt Z</Key> takes the last back
            </span>
          </Ways>
          {way === 'guns' ? <Guns {...{ file, log, job, guns }} /> : <BurnIn log={log} />}
        </div>
      )}
    </JobFrame>
  );
});
