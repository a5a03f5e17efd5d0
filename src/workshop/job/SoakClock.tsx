import { useEffect, useMemo, useRef, useState } from 'react';
import { type LogEntry } from '@/core/log';
import { soakRun, soakWorth } from '@/core/proof';
import { askForNotices, chanceText, clockText, notice, noticesAllowed, say } from '@/ui';
import styles from './frame.module.css';

interface SoakClockProps {
  /** Of the set. */
  readonly title: string;
  readonly entries: readonly LogEntry[];
}

/** How long a soak has run and when it may be believed, while one runs; its end is spoken, and told to who looks elsewhere. */
export function SoakClock({ title, entries }: SoakClockProps) {
  const begun = useMemo(() => soakRun(entries, 0)?.running === true, [entries]);
  return begun ? <Running title={title} entries={entries} /> : null;
}

function Running({ title, entries }: SoakClockProps) {
  const [now, setNow] = useState<number>();
  const [mayAsk, setMayAsk] = useState(false);
  const told = useRef(false);
  useEffect(() => {
    const tick = () => {
      setNow(Date.now());
      setMayAsk(noticesAllowed() === 'default');
    };
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
    notice(title, 'The soak may be believed.');
  }, [believed, title]);
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
      {mayAsk && worth && !believed && (
        <button type="button" className={styles.tell} onClick={() => void askForNotices().then(() => setMayAsk(false))}>
          Tell me then, wherever I look
        </button>
      )}
    </p>
  );
}
