'use client';

import { type LogEntry, replay } from '@/core/log';
import Link from 'next/link';
import { useEffect, useMemo, useState } from 'react';
import { deference, powerCaution } from '@/core/safety';
import { outBeforePower, stepsText, teardownOf } from '@/core/teardown';
import { type JobFile, JobFrame, useLog, ofSentJob } from '@/workshop/job';
import { Key, timeText } from '@/ui';
import { DecayChart } from './DecayChart';
import { watchedStore } from './decayModel';
import { FirstPower } from './FirstPower';
import { powerEvents, storeRows } from './powerModel';
import { Stores } from './Stores';
import styles from './power.module.css';

/** Seconds since 1970, ticking; those of the page's log until the browser has taken over. */
function useClock(first: number): number {
  const [now, setNow] = useState(first);
  useEffect(() => {
    const tick = () => setNow(Date.now() / 1000);
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** What was taken apart and has to be back before power comes. */
function NotBackYet({ job, entries }: { readonly job: string; readonly entries: readonly LogEntry[] }) {
  const out = useMemo(() => outBeforePower(teardownOf(entries)), [entries]);
  return (
    <p className={`${styles.notBack} ${out.length > 0 ? 'caution' : 'soft'}`}>
      {out.length > 0 && `Not back yet: ${stepsText(out)}. `}
      <Link href={`/job/${job}/apart`}>Take apart and put together</Link>
    </p>
  );
}

/** Power on in stages, and dead again store by store. */
export const PowerScreen = ofSentJob(function PowerScreen({ file }: { file: JobFile }) {
  const log = useLog(file);
  const { sheet } = file;
  const { entries } = log;
  const bench = useMemo(() => replay(entries, [...sheet.stores.keys()]), [entries, sheet]);
  const lastAt = entries[entries.length - 1]?.at ?? file.createdAt;
  const now = useClock(Date.parse(lastAt) / 1000);
  const rows = useMemo(() => storeRows(entries, sheet, now), [entries, sheet, now]);
  const events = useMemo(() => powerEvents(entries), [entries]);
  const live = bench.context.power === 'live';
  const watched = live ? undefined : watchedStore(rows);

  return (
    <JobFrame file={file} log={log} bench={bench}>
      <div className={styles.power}>
        <div className={styles.first}>
          {!live && <NotBackYet job={file.id} entries={entries} />}
          <FirstPower file={file} log={log} live={live} mains={bench.mains} />
          {watched && bench.since !== undefined && (
            <DecayChart row={watched} unpluggedAt={Date.parse(bench.since) / 1000} now={now} />
          )}
        </div>
        <Stores sheet={sheet} rows={rows} live={live} log={log} ownTool={file.habits?.tool} />
        <section className={styles.events} aria-label="Power log">
          <h2 className="label">Power log</h2>
          <p className={styles.keys}>
            <Key>Alt P</Key> {live ? 'plug out' : 'power on'} <Key>Alt L</Key> lamp <Key>Alt I</Key> isolation
          </p>
          <ol data-testid="power-log">
            {events.slice(0, 24).map(({ id, at, text }) => (
              <li key={id}>
                <span className="figure" suppressHydrationWarning>
                  {timeText(at)}
                </span>{' '}
                {text}
              </li>
            ))}
          </ol>
          {events.length === 0 && <p className="soft">Nothing yet.</p>}
          <p className="caution">{powerCaution(live ? 'live' : 'unplugged')}</p>
          <p className="soft">{deference}</p>
        </section>
      </div>
    </JobFrame>
  );
});
