import { Button } from 'antd';
import Link from 'next/link';
import { useEffect, useMemo, useState } from 'react';
import { type JobFile, type JobLog } from '@/workshop/job';
import { chanceText, clockText, PictureView, timeText } from '@/ui';
import { type Case } from '@/core/diagnosis';
import { depict, symptomTitles } from '@/core/picture';
import { failureRateOf, soakRun, soakWorth, stressPlan } from '@/core/proof';
import { readFailures } from '@/core/soak';
import { attempt, Refusal } from '@/core/quantity';
import { familyOf } from '@/core/sheet';
import { failedWith, failuresOf } from './mapModel';
import { StressSteps } from './StressSteps';
import { Watchdog } from './Watchdog';
import styles from './map.module.css';

interface SoakProps {
  readonly file: JobFile;
  readonly log: JobLog;
  readonly job: Case;
  /** Is a meter simulated here? */
  readonly simulated: boolean;
  /** Why the set cannot run now; undefined where it may. */
  readonly off: string | undefined;
}

/** A long run with what happened in it. */
export function Soak({ file, log, job, simulated, off }: SoakProps) {
  const [text, setText] = useState('');
  const lastAt = log.entries[log.entries.length - 1]?.at ?? '';
  const [refused, setRefused] = useState<string>();
  const [now, setNow] = useState<number>();
  const run = useMemo(() => soakRun(log.entries, now ?? Date.parse(lastAt)), [log.entries, now, lastAt]);
  const running = run?.running === true;
  const family = familyOf(job.predictions.model.sheet.technology);
  const worth = run && soakWorth(run);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [running]);
  const steps = useMemo(
    () => stressPlan(run, log.entries, job.predictions.checks.has('try-input')),
    [run, log.entries, job.predictions.checks],
  );
  const soak = (event: 'begun' | 'stressed' | 'seen' | 'ended', said: string) =>
    log.record([{ body: { kind: 'soak', event, text: said } }]);
  const seen = () => {
    if (text.trim() === '') return;
    soak('seen', text.trim());
    setText('');
  };
  const begin = () => {
    // What the last soak said of it stands until something else is typed.
    const often = text.trim() === '' && run?.failed ? failureRateOf(run) : text.trim();
    const read = often === '' ? undefined : attempt(() => readFailures(often));
    if (read instanceof Refusal) return setRefused(read.message);
    soak('begun', often);
    return setText('');
  };
  return (
    <section aria-label="Soak" className={styles.soak}>
      <h2 className="label">Soak</h2>
      {run && (
        <p>
          <b className="figure">{clockText(run.seconds)}</b> {running ? 'running' : 'run'},{' '}
          {run.seen.length === 1 ? 'one event' : `${run.seen.length} events`}
        </p>
      )}
      {run?.failed && (
        <>
          <p role="status" className="caution">
            It failed after <b className="figure">{clockText(run.seconds)}</b>: what failed stands among the readings,
            and the suspects go by it.
          </p>
          <Link href={`/job/${file.id}/bench`} className="press main">
            To the bench
          </Link>
        </>
      )}
      {worth && !run.failed && (
        <p role="status">
          Cured with <b className="figure">{chanceText(worth.cured)}</b> after {clockText(run.clean)} clean, if what was
          done cures four times in five.{' '}
          {worth.left > 0 ? (
            <>
              Believed (95 %) in <b className="figure">{clockText(worth.left)}</b>.
            </>
          ) : (
            'It may be believed.'
          )}
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
          <p className="soft">It failed: with what?</p>
          <div className={styles.failures}>
            {failuresOf(job).map((symptoms) => (
              <button
                key={symptoms.join()}
                type="button"
                onClick={() => log.record(failedWith(symptoms).map((body) => ({ body })))}
              >
                <PictureView picture={depict(family, symptoms)} />
                <span>{symptoms.map((symptom) => symptomTitles[symptom]).join(', ')}</span>
              </button>
            ))}
          </div>
          <Watchdog {...{ file, log, job, simulated }} />
          <Button onClick={() => soak('ended', '')}>End the soak</Button>
        </>
      ) : (
        <>
          <input
            className="field"
            value={text}
            maxLength={80}
            placeholder={run?.failed ? failureRateOf(run) : '3 in 10 h, twice a day, after half an hour'}
            aria-label="How often it failed before"
            onChange={(event) => {
              setText(event.target.value);
              setRefused(undefined);
            }}
            onKeyDown={(event) => event.key === 'Enter' && off === undefined && begin()}
          />
          {refused !== undefined && (
            <p role="alert" className="bad">
              {refused}
            </p>
          )}
          <Button disabled={off !== undefined} onClick={begin}>
            Begin a soak
          </Button>
          {off !== undefined && <p className="soft">{off}.</p>}
        </>
      )}
      {running && (
        <>
          <h2 className="label">What to put it through</h2>
          <StressSteps steps={steps} running={running} onDone={(title) => soak('stressed', title)} />
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
