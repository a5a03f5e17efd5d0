'use client';

import { Button } from 'antd';
import { useEffect } from 'react';
import styles from './guide.module.css';
import { useGuide } from './useGuide';
import { way, waySteps, type WayStep } from './way';

interface GuideStripProps {
  /** Worked out only where it is shown. */
  step(): WayStep;
  /** The job that is open; undefined while one is taken in. */
  readonly job?: string | undefined;
}

/** What comes next on the way of a first job, where somebody asked to be shown. */
export function GuideStrip({ step, job }: GuideStripProps) {
  const guide = useGuide();
  const shown = job === undefined ? guide.waits : guide.goesWith(job);
  // The first job that is opened after it was asked for is the one it goes with.
  const takesUp = job !== undefined && guide.waits;
  useEffect(() => {
    if (takesUp) guide.follow(job);
  });
  if (!shown) return null;
  const { at, title, words } = way[step()];
  return (
    <aside className={styles.strip} aria-label="First job">
      <span className={`figure ${styles.at}`}>
        {at} of {waySteps}
      </span>
      <p>
        <b>{title}.</b> {words}
      </p>
      <Button size="small" onClick={guide.end}>
        Leave the guide
      </Button>
    </aside>
  );
}
