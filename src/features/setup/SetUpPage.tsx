'use client';

import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import { readEntry } from '@/core/entry';
import { attempt, formatQuantity, Refusal } from '@/core/quantity';
import { type RailRow, railsWalk, railSteps } from '@/core/setup';
import { EmptyState, Key, LineEntry, say, spoken } from '@/ui';
import { type JobFile, JobFrame, useJob, useTakeBackKey } from '@/workshop/job';
import { Rails } from './Rails';
import styles from './setup.module.css';
import { askedWords, markOfRail } from './setupModel';

/** The rails brought to the label one touch at a time: what to turn, to what reading, and what is to be read after it. */
export function SetUpPage({ file }: { file: JobFile }) {
  const { log, job } = useJob(file);
  const { checks } = job.predictions;
  const steps = useMemo(() => railSteps(file.sheet, checks), [file.sheet, checks]);
  const walk = useMemo(() => railsWalk(steps, log.entries), [steps, log.entries]);
  const [typed, setTyped] = useState('');
  const [message, setMessage] = useState<string>();
  const [aloud, setAloud] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const live = job.bench.context.power === 'live';
  const { rows, asks, advice } = walk;
  const asked = asks.do === 'done' ? undefined : asks.row;

  const enter = (end = false) => {
    if (!asked) return;
    const entry = attempt(() => readEntry(typed, { sheet: file.sheet, checks, focus: asked.check }));
    if (entry instanceof Refusal) return setMessage(entry.message);
    if (entry.kind !== 'reading' || entry.answer.kind !== 'number' || !Number.isFinite(entry.answer.value))
      return setMessage(`write the volts at ${asked.step.title}, as ${formatQuantity(asked.target, 'V', 4)}`);
    const reading = { kind: 'reading', check: entry.check.id, answer: entry.answer, text: typed } as const;
    const turned = { kind: 'turned', control: asked.control, end } as const;
    // Another point that is named is a reading of that, and nothing was turned.
    const wasTurned = asks.do === 'turn' && entry.check.id === asked.id;
    const made = log.record(wasTurned ? [{ body: turned }, { body: reading }] : [{ body: reading }]);
    setTyped('');
    setMessage(undefined);
    if (aloud) say(spoken(askedWords(railsWalk(steps, [...log.entries, ...made]).asks)));
    input.current?.focus();
  };
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
    <JobFrame file={file} log={log} bench={job.bench} ground={live ? asked?.check.ground : undefined}>
      <div className={styles.page}>
        <section
          className={`task ${styles.card}`}
          aria-label="Set next"
          data-asks={asks.do}
          data-rail={asked?.id ?? ''}
        >
          {!live && (
            <p className="caution">
              Rails are set live and warm: insulated tool, one hand, eyes on the pin before the tool is moved.
            </p>
          )}
          {rows.some(({ unread }) => unread) && (
            <p className="caution">
              Nobody has typed what its label says: these targets are ordinary values of such sets. Read the label, and
              type it under <Link href={`/job/${file.id}/set`}>What it is</Link> first.
            </p>
          )}
          {asks.do === 'done' ? (
            <Done rows={rows} touches={walk.touches} />
          ) : (
            <>
              <Asked asks={asks} />
              <LineEntry
                ref={input}
                label={asks.do === 'turn' ? 'What it reads when you let go' : 'What it reads'}
                placeholder={formatQuantity(asks.do === 'turn' ? asks.move.aim : asks.row.target, 'V', 4).replace(
                  /\s*V$/,
                  '',
                )}
                value={typed}
                maxLength={40}
                autoFocus
                message={message}
                onType={(text) => {
                  setTyped(text);
                  setMessage(undefined);
                }}
                onEnter={() => enter()}
              />
              <p className="soft">{asks.row.step.how}</p>
              {asks.do === 'turn' && (
                <p>
                  <button type="button" className="press" disabled={typed === ''} onClick={() => enter(true)}>
                    That is the end of its travel
                  </button>
                </p>
              )}
            </>
          )}
          {advice?.trouble.map(({ control, words }) => (
            <p key={control} className={styles.trouble}>
              ▲ {words}. It is a fault, no setting: <Link href={`/job/${file.id}/bench`}>back to the bench</Link>.
            </p>
          ))}
          <p>
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
}

type Asks = ReturnType<typeof railsWalk>['asks'];

/** What to turn and until what it reads, or where to read. */
function Asked({ asks }: { asks: Exclude<Asks, { do: 'done' }> }) {
  const label = `${asks.row.unread ? 'usually' : 'label'} ${formatQuantity(asks.row.target, 'V', 4)}`;
  if (asks.do === 'read')
    return (
      <>
        <h1>Read {asks.row.step.title}</h1>
        <p className={styles.aim}>
          <small>
            {asks.row.check.point?.where ?? ''} · {label}
          </small>
        </p>
      </>
    );
  const { control, aim, now, limited } = asks.move;
  return (
    <>
      <h1>Turn {control}</h1>
      <p className={styles.aim}>
        until it reads <b className="figure">{formatQuantity(aim, 'V', 4)}</b>
        <small>
          now {formatQuantity(now, 'V', 4)}, {label}
          {limited && ' · not further yet: a limit of another rail is near'}
        </small>
      </p>
    </>
  );
}

function Done({ rows, touches }: { rows: readonly RailRow[]; touches: number }) {
  const all = rows.every((row) => markOfRail(row) === 'within');
  return (
    <>
      <h1>{all ? 'All rails are within' : 'No control brings the rest there'}</h1>
      <p>
        {touches === 0 ? 'Nothing had to be turned.' : `${touches} ${touches === 1 ? 'touch' : 'touches'} in all.`} Read
        them once more when the set has been warm for ten minutes.
      </p>
    </>
  );
}
