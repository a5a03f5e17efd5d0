'use client';

import { Button, Input, InputNumber, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useState, useTransition } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { draftNote, type NoteDraft, verificationOf, verified } from '@/core/diagnosis';
import { caseOf, type JobFile, StateBand, useLog } from '@/features/job';
import { Key, minutesText, moneyText } from '@/ui';
import { closeWithNote } from './actions';
import { outcomeTitles } from './closeSchema';
import styles from './close.module.css';

type Words = Exclude<keyof NoteDraft, 'money' | 'minutes' | 'fault'>;

const fields: readonly { readonly name: Words; readonly title: string; readonly rows: number }[] = [
  { name: 'title', title: 'Title', rows: 1 },
  { name: 'symptom', title: 'Symptom', rows: 1 },
  { name: 'cause', title: 'What it was', rows: 1 },
  { name: 'proof', title: 'What proved it', rows: 3 },
  { name: 'cure', title: 'What cured it', rows: 1 },
  { name: 'misled', title: 'What misled', rows: 2 },
  { name: 'parts', title: 'Parts', rows: 1 },
];

/** The fault note, written from the record and corrected by who did the work; money, time, outcome. */
export function Close({ file }: { file: JobFile }) {
  const router = useRouter();
  const log = useLog(file);
  const job = useMemo(() => caseOf(file, log.entries), [file, log.entries]);
  const draft = useMemo(
    () =>
      draftNote(
        job,
        log.entries.map(({ at }) => at),
      ),
    [job, log.entries],
  );
  const [edited, setEdited] = useState<Partial<NoteDraft>>({});
  const [outcome, setOutcome] = useState<keyof typeof outcomeTitles>('returned');
  const [problem, setProblem] = useState<string>();
  const [closing, startClosing] = useTransition();
  const note = { ...draft, ...edited };
  const proven = verified(verificationOf(job));
  const pulled = job.bench.context.unplugged;

  const close = () =>
    startClosing(async () => {
      const refused = await closeWithNote({ ...note, job: file.id, outcome });
      if (refused === undefined) router.push(`/notebook/${file.id}`);
      else setProblem(refused);
    });
  useHotkeys('mod+enter', close, { enableOnFormTags: true, preventDefault: true });

  const work = (note.minutes / 60) * file.hourlyRate;
  const left = file.value - note.money - work;
  return (
    <div className={styles.page}>
      <StateBand job={file} sheet={file.sheet} bench={job.bench} ground={undefined} closed={file.closedAt !== null} />
      <div className={styles.columns}>
        <section className={styles.note} aria-label="Fault note">
          <h1>Fault note</h1>
          <p className="soft">Written from the record. Put right what it cannot know.</p>
          {fields.map(({ name, title, rows }) => (
            <label key={name}>
              <span className="label">{title}</span>
              <Input.TextArea
                value={note[name]}
                autoSize={{ minRows: rows, maxRows: 6 }}
                maxLength={4000}
                onChange={(event) => setEdited((now) => ({ ...now, [name]: event.target.value }))}
                aria-label={title}
              />
            </label>
          ))}
        </section>
        <section className={styles.side} aria-label="Money, time and outcome">
          <h2>Before it leaves</h2>
          <ul className={styles.checks}>
            <li data-ok={proven}>
              {proven
                ? 'Every wrong reading is right again'
                : 'Not proven: readings that were wrong have not been taken again'}
            </li>
            <li data-ok={pulled.length === 0}>
              {pulled.length === 0 ? 'All connectors are back' : `${pulled.join(', ')} still marked as pulled`}
            </li>
            <li data-ok={!job.bench.context.lamp}>
              {job.bench.context.lamp ? 'The series lamp is still in' : 'Series lamp out'}
            </li>
          </ul>
          <h2>Money and time</h2>
          <div className={styles.pair}>
            <label>
              <span className="label">Parts, {file.currency}</span>
              <InputNumber
                value={note.money}
                min={0}
                max={1e6}
                onChange={(money) => setEdited((now) => ({ ...now, money: money ?? 0 }))}
                aria-label="Parts"
              />
            </label>
            <label>
              <span className="label">Minutes</span>
              <InputNumber
                value={note.minutes}
                min={0}
                max={1e5}
                onChange={(minutes) => setEdited((now) => ({ ...now, minutes: minutes ?? 0 }))}
                aria-label="Minutes"
              />
            </label>
          </div>
          <dl className={styles.sums}>
            <dt>Value</dt>
            <dd className="figure">{moneyText(file.value, file.currency)}</dd>
            <dt>Parts</dt>
            <dd className="figure">−{moneyText(note.money, file.currency)}</dd>
            <dt>{minutesText(note.minutes)} of work</dt>
            <dd className="figure">−{moneyText(Math.round(work), file.currency)}</dd>
            <dt>
              <b>Left</b>
            </dt>
            <dd className="figure">
              <b>
                {left < 0 ? '−' : ''}
                {moneyText(Math.abs(Math.round(left)), file.currency)}
              </b>
            </dd>
          </dl>
          <label>
            <span className="label">It is</span>
            <Select
              value={outcome}
              onChange={setOutcome}
              options={Object.entries(outcomeTitles).map(([value, label]) => ({ value, label }))}
              aria-label="Outcome"
            />
          </label>
          {problem !== undefined && (
            <p className="bad" role="alert">
              {problem}
            </p>
          )}
          <Button
            type="primary"
            size="large"
            loading={closing}
            disabled={log.waiting.size > 0 || file.closedAt !== null}
            onClick={close}
          >
            Close the job <Key>Ctrl ⏎</Key>
          </Button>
          {log.waiting.size > 0 && <p className="soft">{log.waiting.size} lines are still waiting to be saved.</p>}
        </section>
      </div>
    </div>
  );
}
