'use client';

import { Button } from 'antd';
import { type ReactNode } from 'react';
import { verificationOf, verified } from '@/core/diagnosis';
import { type JobStep, stepOf } from '@/core/job';
import { type BenchState } from '@/core/log';
import { type Ground } from '@/core/sheet';
import { GuideStrip } from '../guide';
import { caseOf, type JobFile } from './jobFile';
import { StateBand } from './StateBand';
import styles from './frame.module.css';
import { SoakClock } from './SoakClock';
import { type JobLog } from './useLog';
import { usePowerKeys } from './usePowerKeys';

interface JobFrameProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly bench: BenchState;
  /** Where the black lead belongs for what is asked. */
  readonly ground?: Ground | undefined;
  /** What else than lines of the log the server does not have yet. */
  readonly unsent?: number;
  /** How the page lies below the band. */
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

/** A page of a job: the set's power state above it with its keys, and what keeps the log from being saved. */
export function JobFrame({ file, log, bench, ground, unsent = 0, className, children }: JobFrameProps) {
  const closed = file.closedAt !== null;
  usePowerKeys(log, bench, closed);
  return (
    <div className={`${styles.frame} ${className ?? ''}`} data-waiting={log.waiting.size + unsent}>
      <StateBand job={file} sheet={file.sheet} bench={bench} ground={ground} closed={closed} />
      {!closed && <GuideStrip job={file.id} step={() => stepOn(file, bench)} />}
      <SoakClock title={file.title} entries={log.entries} />
      {log.trouble && (
        <div className={styles.trouble} role="alert">
          <span>{log.trouble.message}</span>
          {log.trouble.stale && <Button onClick={() => void log.catchUp()}>Load what is new</Button>}
        </div>
      )}
      {children}
    </div>
  );
}

/** Where an open job stands, for somebody who is led along its way. */
function stepOn(file: JobFile, bench: BenchState): JobStep {
  const proven = verified(verificationOf({ ...caseOf(file, []), bench }));
  return stepOf({ bench, verified: proven, soaking: false, closed: false });
}
