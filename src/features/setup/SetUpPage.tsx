'use client';

import Link from 'next/link';
import { EmptyState, Key, LineEntry } from '@/ui';
import { type JobFile, JobFrame, useJob, useTakeBackKey, ofSentJob } from '@/workshop/job';
import { LiveMeter, MeterChoice } from '@/workshop/meter';
import { Approach } from './Approach';
import { Asked, Done } from './Asked';
import { BeforeTurning } from './BeforeTurning';
import { Rails } from './Rails';
import { placeholderOf } from './setupModel';
import styles from './setup.module.css';
import { useRailSetting } from './useRailSetting';

interface SetUpPageProps {
  readonly file: JobFile;
  readonly simulatedMeter: boolean;
}

/** The rails brought to the label one touch at a time: what to turn, to what reading, and what is to be read after it. */
export const SetUpPage = ofSentJob(function SetUpPage({ file, simulatedMeter }: SetUpPageProps) {
  const { log, job } = useJob(file);
  const {
    steps,
    walk,
    asked,
    input,
    typed,
    type,
    message,
    setMessage,
    aloud,
    setAloud,
    enter,
    passOver,
    point,
    meter,
  } = useRailSetting(file, log, job, simulatedMeter);
  const { rows, asks, advice } = walk;
  const live = job.bench.context.power === 'live';
  useTakeBackKey(log);
  if (steps.length === 0)
    return (
      <JobFrame file={file} log={log} bench={job.bench}>
        <EmptyState title="No rails to set">
          <p>
            The sheet of this set names no rail with a figure in its set-up.{' '}
            <Link href={`/job/${file.id}/set`}>What it is</Link> says what else there is to set.
          </p>
        </EmptyState>
      </JobFrame>
    );
  return (
    <JobFrame file={file} log={log} bench={job.bench} ground={live ? point?.ground : undefined}>
      <div className={styles.page}>
        <section
          className={`task ${styles.card}`}
          aria-label="Set next"
          data-asks={asks.do}
          data-rail={asked?.id ?? ''}
        >
          <Cautions job={file.id} live={live} unread={rows.some(({ unread }) => unread)} />
          {asks.do === 'done' ? (
            <Done rows={rows} touches={walk.touches} />
          ) : (
            <>
              <Asked asks={asks} />
              {meter.approach && <Approach approach={meter.approach} />}
              {meter.on && live && meter.source && (
                <LiveMeter view={meter.view} unit="V" title={meter.source.title} trace={meter.trace} />
              )}
              <LineEntry
                ref={input}
                label={asks.do === 'turn' ? 'What it reads when you let go' : 'What it reads'}
                placeholder={placeholderOf(asks)}
                value={typed}
                maxLength={40}
                autoFocus
                message={message}
                onType={type}
                onEnter={() => enter()}
              />
              {asks.do === 'turn' && (
                <BeforeTurning job={file.id} log={log} asks={asks} onRefused={setMessage}>
                  <button
                    type="button"
                    className="press"
                    disabled={typed === '' && meter.approach === undefined}
                    onClick={() => enter(true)}
                  >
                    That is the end of its travel
                  </button>
                </BeforeTurning>
              )}
              {asks.do === 'watch' ? (
                <p>
                  <button type="button" className="press" onClick={passOver}>
                    No such probe here: pass it over
                  </button>
                </p>
              ) : (
                <p className="soft">{asks.row.step.how}</p>
              )}
            </>
          )}
          {advice?.trouble.map(({ control, words }) => (
            <p key={control} className={styles.trouble}>
              ▲ {words}. It is a fault, no setting: <Link href={`/job/${file.id}/bench`}>back to the bench</Link>.
            </p>
          ))}
          {meter.on && (
            <MeterChoice
              simulated={simulatedMeter}
              source={meter.source}
              onSource={meter.setSource}
              trace={meter.trace}
            />
          )}
          <p>
            <button type="button" className="press" aria-pressed={meter.on} onClick={meter.toggle}>
              {meter.on ? 'Type instead' : 'Read the meter'} <Key>Alt M</Key>
            </button>{' '}
            <label>
              <input type="checkbox" checked={aloud} onChange={(event) => setAloud(event.target.checked)} /> Say what is
              next
            </label>{' '}
            · <Key>Alt Z</Key> takes the last back
          </p>
        </section>
        <Rails walk={walk} asked={asked?.id} />
      </div>
    </JobFrame>
  );
});

/** What is to be minded before a rail is set. */
function Cautions({ job, live, unread }: { job: string; live: boolean; unread: boolean }) {
  return (
    <>
      {!live && (
        <p className="caution">
          Rails are set live and warm: insulated tool, one hand, eyes on the pin before the tool is moved.{' '}
          <Key>Alt P</Key> when it is on.
        </p>
      )}
      {unread && (
        <p className="caution">
          Nobody has typed what its label says: these targets are ordinary values of such sets. Read the label, and type
          it under <Link href={`/job/${job}/set`}>What it is</Link> first.
        </p>
      )}
    </>
  );
}
