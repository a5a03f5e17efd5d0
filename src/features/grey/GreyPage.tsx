'use client';

import Link from 'next/link';
import { useState } from 'react';
import { Key, say, Ways } from '@/ui';
import { type JobFile, JobFrame, useJob, useTakeBackKey, ofSentJob } from '@/workshop/job';
import { ByEye } from './ByEye';
import { ByMeter } from './ByMeter';
import { greyWords } from './greyWords';
import styles from './grey.module.css';

const ways = { eye: 'By eye', meter: 'By a colour meter' } as const;

/** Grey that is grey: a dark and a bright bar looked at or measured, one control named after the other. */
export const GreyPage = ofSentJob(function GreyPage({ file }: { file: JobFile }) {
  const { log, job } = useJob(file);
  const [way, setWay] = useState<keyof typeof ways>('eye');
  const [aloud, setAloud] = useState(false);
  useTakeBackKey(log);
  const words = greyWords(file.sheet.technology);
  const told = { log, words, say: (words: () => string) => aloud && say(words()) };
  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <div className={styles.page}>
        <Ways ways={ways} chosen={way} onChoose={setWay}>
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
        </Ways>
        {job.bench.context.power !== 'live' && <p className="caution">{words.before}</p>}
        {way === 'eye' ? <ByEye {...told} /> : <ByMeter {...told} />}
      </div>
    </JobFrame>
  );
});
