'use client';

import { type BenchState } from '@/core/log';
import { Button } from 'antd';
import { type ReactNode } from 'react';
import { type JobFile } from './jobFile';
import { StateBand } from './StateBand';
import styles from './state-band.module.css';
import { type JobLog } from './useLog';
import { usePowerKeys } from './usePowerKeys';

interface JobFrameProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly bench: BenchState;
  readonly children: ReactNode;
}

/** A page of a job: the set's power state above it, and what keeps the log from being saved. */
export function JobFrame({ file, log, bench, children }: JobFrameProps) {
  const closed = file.closedAt !== null;
  usePowerKeys(log, bench, closed);
  return (
    <div data-waiting={log.waiting.size}>
      <StateBand job={file} sheet={file.sheet} bench={bench} ground={undefined} closed={closed} />
      {log.trouble && (
        <p className={styles.trouble} role="alert">
          {log.trouble.message}
          {log.trouble.stale && <Button onClick={() => void log.catchUp()}>Load what is new</Button>}
        </p>
      )}
      {children}
    </div>
  );
}
