'use client';

import Link from 'next/link';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { lastStanding } from '@/core/log';
import { Key, say } from '@/ui';
import { type JobFile, JobFrame, useJob } from '@/workshop/job';
import { ByEye } from './ByEye';
import { ByMeter } from './ByMeter';
import styles from './grey.module.css';

const ways = { eye: 'By eye', meter: 'By a colour meter' } as const;

/** Grey that is grey: a dark and a bright bar looked at or measured, one control named after the other. */
export function GreyPage({ file }: { file: JobFile }) {
  const { log, job } = useJob(file);
  const [way, setWay] = useState<keyof typeof ways>('eye');
  const [aloud, setAloud] = useState(false);
  useHotkeys(
    'alt+z',
    () => {
      const last = lastStanding(log.entries);
      if (last) log.takeBack(last.id);
    },
    { enableOnFormTags: true, preventDefault: true },
  );
  const told = { log, say: (words: () => string) => aloud && say(words()) };
  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <div className={styles.page}>
        <p className={styles.ways}>
          {Object.entries(ways).map(([id, title]) => (
            <button
              key={id}
              type="button"
              className="press"
              aria-pressed={id === way}
              onClick={() => setWay(id as keyof typeof ways)}
            >
              {title}
            </button>
          ))}
          <Link href="/patterns?show=windows" target="_blank" className="press">
            The two bars
          </Link>
          <label>
            <input type="checkbox" checked={aloud} onChange={(event) => setAloud(event.target.checked)} /> Say what is
            next
          </label>
          <span className="soft">
            <Key>Alt Z</Key> takes the last back
          </span>
        </p>
        {job.bench.context.power !== 'live' && (
          <p className="caution">
            The set is on and warm for this: insulated tool, one hand, the neck’s pins are at hundreds of volts. Screen
            and B+ are set before.
          </p>
        )}
        {way === 'eye' ? <ByEye {...told} /> : <ByMeter {...told} />}
      </div>
    </JobFrame>
  );
}
