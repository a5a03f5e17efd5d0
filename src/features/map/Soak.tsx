import { Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { standing } from '@/core/reading';
import { type JobLog } from '@/features/job';
import { clockText, timeText } from '@/ui';
import styles from './map.module.css';

/** A long run with what happened in it. */
export function Soak({ log }: { log: JobLog }) {
  const lines = useMemo(() => standing(log.entries, 'soak'), [log.entries]);
  const from = lines.findLastIndex(({ body }) => body.event === 'begun');
  const run = from < 0 ? [] : lines.slice(from);
  const ended = run.find(({ body }) => body.event === 'ended');
  const running = run.length > 0 && !ended;
  const [text, setText] = useState('');
  const [now, setNow] = useState<number>();
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
  const until = ended ? Date.parse(ended.entry.at) : (now ?? Date.parse(run[run.length - 1]?.entry.at ?? ''));
  return (
    <section aria-label="Soak" className={styles.soak}>
      <h2 className="label">Soak</h2>
      {run[0] && (
        <p>
          <b className="figure">{clockText((until - Date.parse(run[0].entry.at)) / 1000)}</b>{' '}
          {ended ? 'run' : 'running'}, {run.filter(({ body }) => body.event === 'seen').length} events
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
        <Button onClick={() => soak('begun', '')}>Begin a soak</Button>
      )}
      <ul data-testid="soak">
        {run
          .filter(({ body }) => body.event === 'seen')
          .map(({ entry, body }) => (
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
