'use client';

import { type BenchState, provenBelow, changesMade } from '@/core/log';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { memo, useEffect, useState } from 'react';
import { formatQuantity } from '@/core/quantity';
import { deference, dischargeTool, storesToProve, timeToFall, voltsAfter } from '@/core/safety';
import { type Ground, type Sheet } from '@/core/sheet';
import { dateText, timeText, waitText } from '@/ui';
import { type JobFile } from './jobFile';
import { jobPages } from './jobPages';
import { powerWords } from './powerWords';
import styles from './frame.module.css';

const grounds: Readonly<Record<Ground, string>> = {
  hot: 'Black lead: hot ground',
  chassis: 'Black lead: chassis',
  floating: 'Black lead: floating ground',
  none: 'No lead needed',
};

/** Seconds since an instant, ticking; undefined until the browser has taken over. */
function useSecondsSince(instant: string | undefined): number | undefined {
  const [now, setNow] = useState<number>();
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, []);
  return now === undefined || instant === undefined ? undefined : Math.max(0, (now - Date.parse(instant)) / 1000);
}

interface StateBandProps {
  readonly job: Pick<JobFile, 'id' | 'title' | 'former'>;
  readonly sheet: Sheet;
  readonly bench: BenchState;
  readonly ground: Ground | undefined;
  readonly closed: boolean;
}

/** The set's power state, always in sight while a job is open. */
export const StateBand = memo(function StateBand({ job, sheet, bench, ground, closed }: StateBandProps) {
  const path = usePathname();
  const { power, lamp, warm } = bench.context;
  const changes = changesMade(bench.context);
  return (
    <section className={styles.band} data-power={power} aria-label={`The set is ${powerWords[power].toLowerCase()}`}>
      <strong className={styles.word} role="status">
        {powerWords[power]}
      </strong>
      <Link className={styles.set} href={`/job/${job.id}/set`} title="What it is: name, label, options">
        <b>{job.title}</b>
        {sheet.title !== job.title && ` · ${sheet.title}`}
      </Link>
      {job.former && (
        <Link
          className={styles.former}
          href={`/notebook/${job.former.job}`}
          aria-label="Back again"
          title={`Back again. Closed ${dateText(job.former.closedAt)}: ${job.former.cause}`}
        >
          ↩
        </Link>
      )}
      <span>{bench.isolated ? 'Isolated' : 'Not isolated'}</span>
      <span>{lamp ? 'Lamp in series' : 'Lamp out'}</span>
      {warm && <span>Warm</span>}
      {changes.length > 0 && <span className={styles.pulled}>{changes.join(', ')}</span>}
      {ground !== undefined && ground !== 'none' && (
        <span className={ground === 'chassis' ? '' : styles.pulled}>{grounds[ground]}</span>
      )}
      <span className={styles.stores} title={deference}>
        <span>
          <Stores sheet={sheet} bench={bench} />
        </span>
      </span>
      {!closed && (
        <nav className={styles.steps} aria-label="This job">
          {jobPages.map(([step, title]) => (
            <Link
              key={step}
              href={`/job/${job.id}/${step}`}
              aria-current={path.endsWith(`/${step}`) ? 'page' : undefined}
            >
              {title}
            </Link>
          ))}
        </nav>
      )}
    </section>
  );
});

/** What still holds charge: how long to wait, what to prove, or what was measured. */
function Stores({ sheet, bench }: { sheet: Sheet; bench: BenchState }) {
  const seconds = useSecondsSince(bench.since);
  const { power } = bench.context;
  if (power === 'proven') {
    const [first] = [...bench.stores].sort((a, b) => Math.abs(b.volts) - Math.abs(a.volts));
    return first ? (
      <>
        Most left: {first.store} measured <b className="figure">{formatQuantity(first.volts, 'V')}</b> at{' '}
        <b suppressHydrationWarning>{timeText(first.at)}</b>
      </>
    ) : null;
  }
  const stores = storesToProve(sheet, power === 'live' ? [] : bench.stores).filter((store) => store.farads > 1e-7);
  const worst = stores[0];
  if (!worst) return null;
  const tool = timeToFall({ farads: worst.farads, volts: worst.volts, ohms: dischargeTool.ohms }, provenBelow);
  if (power === 'live') {
    return (
      <>
        Plug out: {worst.id} <b className="figure">{worst.volts} V</b> → {provenBelow} V in{' '}
        <b className="figure">{waitText(tool)}</b> by 2.2 kΩ, then prove
      </>
    );
  }
  const left =
    seconds !== undefined && worst.bleed !== undefined
      ? voltsAfter({ farads: worst.farads, volts: worst.volts, ohms: worst.bleed }, seconds)
      : worst.volts;
  return (
    <>
      {worst.id} may hold <b className="figure">{left < 1 ? 'under 1' : Math.round(left)} V</b>
      {worst.bleed === undefined && ', nothing drains it'} · {stores.length} to prove
    </>
  );
}
