import { useEffect, useMemo, useRef, useState } from 'react';
import { type LogEntry } from '@/core/log';
import { soakRun, soakWorth } from '@/core/proof';
import { chanceText, clockText, say } from '@/ui';
import styles from './frame.module.css';

/** How long a soak has run and when it may be believed, while one runs; its end is spoken. */
export function SoakClock({ entries }: { readonly entries: readonly LogEntry[] }) {
  const begun = useMemo(() => soakRun(entries, 0)?.running === true, [entries]);
  return begun ? <Running entries={entries} /> : null;
}

function Running({ entries }: { readonly entries: readonly LogEntry[] }) {
  const [now, setNow] = useState<number>();
  const told = useRef(false);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, []);
  const run = now === undefined ? undefined : soakRun(entries, now);
  const worth = run && soakWorth(run);
  const believed = worth !== undefined && worth.left <= 0;
  useEffect(() => {
    if (!believed || told.current) return;
    told.current = true;
    say('The soak may be believed.');
  }, [believed]);
  if (!run) return null;
  return (
    <p className={styles.soak} data-over={believed ? '' : undefined}>
      Soaking <b className="figure">{clockText(run.seconds)}</b>
      {worth && (
        <>
          {' '}
          · cured with <b className="figure">{chanceText(worth.cured)}</b> ·{' '}
          {believed ? (
            'it may be believed: end it on the map page'
          ) : (
            <>
              believed in <b className="figure">{clockText(worth.left)}</b>
            </>
          )}
        </>
      )}
    </p>
  );
}
