import { Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { type JobLog } from '@/workshop/job';
import { clockText, timeText } from '@/ui';
import { soakRun } from './mapModel';
import styles from './map.module.css';

/** A long run with what happened in it. */
export function Soak({ log, off }: { readonly log: JobLog; readonly off: string | undefined }) {
  const [text, setText] = useState('');
  const lastAt = log.entries[log.entries.length - 1]?.at ?? '';
  const [now, setNow] = useState<number>();
  const run = useMemo(() => soakRun(log.entries, now ?? Date.parse(lastAt)), [log.entries, now, lastAt]);
  const running = run?.running === true;
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [running]);
  const soak = (event: 'begun' | 'seen' | 'ended', said: string) =>
    log.record([{ body: { kind: 'soak', event, text: said } }]);
  const seen = () => {
    if (text.trim() === '') return;
    soak('seen', text.trim());
    setText('');
  };
  return (
    <section aria-label="Soak" className={styles.soak}>
      <h2 className="label">Soak</h2>
      {run && (
        <p>
          <b className="figure">{clockText(run.seconds)}</b> {running ? 'running' : 'run'}, {run.seen.length} events
        </p>
      )}
      {running ? (
        <>
          <input
            className="field"
            value={text}
            maxLength={400}
            placeholder="what happened"
            aria-label="What happened"
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && seen()}
          />
          <Button onClick={() => soak('ended', '')}>End the soak</Button>
        </>
      ) : (
        <>
          <Button disabled={off !== undefined} onClick={() => soak('begun', '')}>
            Begin a soak
          </Button>
          {off !== undefined && <p className="soft">{off}.</p>}
        </>
      )}
      <ul data-testid="soak">
        {run?.seen.map(({ entry, body }) => (
          <li key={entry.id}>
            <span className="figure" suppressHydrationWarning>
              {timeText(entry.at)}
            </span>{' '}
            {body.text}
          </li>
        ))}
      </ul>
    </section>
  );
}
