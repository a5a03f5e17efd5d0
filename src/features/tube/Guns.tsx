import { useMemo, useRef, useState } from 'react';
import { type Gun } from '@/core/log';
import { attempt, Refusal } from '@/core/quantity';
import { askedSaid, gunHow, gunWalk, readGunLine } from '@/core/setup';
import { LineEntry, say } from '@/ui';
import { type JobFile, type JobLog, type useJob } from '@/workshop/job';
import { GunRows } from './GunRows';
import { evidenceOf, verdictOf, weaknessOf } from './tubeModel';
import styles from './tube.module.css';

interface GunsProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly job: ReturnType<typeof useJob>['job'];
  readonly guns: readonly Gun[];
}

/** What is to be measured of which gun now, and how the guns stand by what was. */
export function Guns({ file, log, job, guns }: GunsProps) {
  const { checks } = job.predictions;
  const walk = useMemo(() => gunWalk(guns, log.entries), [guns, log.entries]);
  const [typed, setTyped] = useState('');
  const [message, setMessage] = useState<string>();
  const [settings, setSettings] = useState(walk.settings ?? '');
  const [aloud, setAloud] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const { next } = walk;
  const evidence = evidenceOf(walk, file.sheet, job.bench, checks);
  const enter = () => {
    const line = attempt(() => readGunLine(typed, next, guns));
    if (line instanceof Refusal) return setMessage(line.message);
    const alike = settings.trim();
    const made = log.record([{ body: { kind: 'gun', ...line, ...(alike !== '' && { settings: alike }) } }]);
    setTyped('');
    setMessage(undefined);
    if (aloud) {
      const after = gunWalk(guns, [...log.entries, ...made]);
      say(after.next ? askedSaid(after.next) : verdictOf(after));
    }
    input.current?.focus();
  };
  return (
    <div className={styles.two}>
      <section className={`task ${styles.card}`} aria-label="Measure next" data-asks={next ? next.measure : 'done'}>
        <h1>{next ? askedSaid(next) : verdictOf(walk)}</h1>
        {next && <p className="soft">{gunHow[next.measure]}</p>}
        {!next && evidence.length > 0 && (
          <p>
            <button type="button" className="press main" onClick={() => log.record(evidence.map((body) => ({ body })))}>
              To the bench as evidence
            </button>
          </p>
        )}
        <LineEntry
          ref={input}
          label={next ? askedSaid(next) : 'Another reading of a gun'}
          placeholder={next ? '' : guns.length === 1 ? 'warmup 22' : 'green warmup 22'}
          value={typed}
          maxLength={60}
          autoFocus
          message={message}
          onType={(text) => {
            setTyped(text);
            setMessage(undefined);
          }}
          onEnter={enter}
        />
        <p className={styles.settings}>
          <label>
            Full heater, screen, grid{' '}
            <input
              className="field"
              value={settings}
              size={22}
              maxLength={60}
              placeholder="6.3 V, 200 V, 0 V"
              onChange={(event) => setSettings(event.target.value)}
            />
          </label>
          <label>
            <input type="checkbox" checked={aloud} onChange={(event) => setAloud(event.target.checked)} /> Say what is
            next
          </label>
        </p>
        <p className={job.bench.context.power === 'proven' ? 'soft' : 'caution'}>
          Set off, all stores proven, then the socket off the neck: the neck breaks before it bends.
        </p>
        <p className="soft">
          A gun of another tube of the type: <code>good 2900</code>. {guns.length > 1 && <code>green 2700</code>} names
          one out of turn.
        </p>
      </section>
      <GunRows walk={walk} driver={weaknessOf(walk, file.sheet, job.bench, checks)} jobId={file.id} />
    </div>
  );
}
