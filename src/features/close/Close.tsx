'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Fragment, useEffect, useMemo } from 'react';
import { FormProvider, useWatch } from 'react-hook-form';
import { type Case, verificationOf, verified } from '@/core/diagnosis';
import { countedAs, draftNote, leftUndone } from '@/core/job';
import { type LogEntry } from '@/core/log';
import { type ReturnsSeen } from '@/core/proof';
import { stepsText, stillOut, teardownOf } from '@/core/teardown';
import { Key, minutesText, moneyText } from '@/ui';
import { AmountField, FormRefusal, Labelled, Pair, ParagraphField, useAnsweredForm } from '@/workshop/form';
import { type JobFile, JobFrame, useJob } from '@/workshop/job';
import { closeWithNote } from './actions';
import { BackAgain } from './BackAgain';
import { closeSchema, type Closing, outcomeTitles } from './closeSchema';
import styles from './close.module.css';

const paragraphs: readonly { readonly name: keyof Closing; readonly title: string; readonly rows: number }[] = [
  { name: 'title', title: 'Title', rows: 1 },
  { name: 'symptom', title: 'Symptom', rows: 1 },
  { name: 'cause', title: 'What it was', rows: 1 },
  { name: 'proof', title: 'What proved it', rows: 3 },
  { name: 'cure', title: 'What cured it', rows: 1 },
  { name: 'misled', title: 'What misled', rows: 2 },
  { name: 'parts', title: 'Parts', rows: 1 },
  { name: 'remember', title: 'To remember', rows: 1 },
  { name: 'accepted', title: 'Left as it is, on purpose', rows: 1 },
];

/** The fault note, written from the record and corrected by who did the work; money, time, outcome. */
export function Close({ file, seen }: { file: JobFile; seen: ReturnsSeen }) {
  const router = useRouter();
  const { log, job } = useJob(file);
  const draft = useMemo(
    (): Closing => ({
      ...draftNote(
        job,
        log.entries.map(({ at }) => at),
      ),
      job: file.id,
      outcome: 'returned',
      remember: '',
      accepted: '',
      kept: '',
      left: '',
    }),
    [job, log.entries, file.id],
  );
  const { form, refused, sending, send } = useAnsweredForm<Closing, undefined>({
    schema: closeSchema,
    values: draft,
    act: closeWithNote,
    onDone: () => router.push(`/notebook/${file.id}`),
  });
  const [money, minutes, cause, outcome] = useWatch({
    control: form.control,
    name: ['money', 'minutes', 'cause', 'outcome'],
  });
  const counted = cause === draft.cause ? file.sheet.faults.get(draft.fault ?? '') : countedAs(cause, file.sheet);
  const { setValue } = form;
  useEffect(() => setValue('fault', counted?.id ?? null), [setValue, counted]);
  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <FormProvider {...form}>
        <div className={styles.columns}>
          <section className={styles.note} aria-label="Fault note">
            <h1>Fault note</h1>
            <p className="soft">Written from the record. Put right what it cannot know.</p>
            {paragraphs.map(({ name, title, rows }) => (
              <Fragment key={name}>
                <ParagraphField<Closing> name={name} title={title} rows={rows} maxLength={4000} />
                {name === 'cause' && (
                  <p className="soft" role="status">
                    {counted
                      ? `Counted for the next of its kind as: ${counted.title}.`
                      : 'Counted as none of the sheet’s faults. Name the part and how it failed to count it.'}
                  </p>
                )}
              </Fragment>
            ))}
          </section>
          <section className={styles.side} aria-label="Money, time and outcome">
            <h2>Before it leaves</h2>
            <BeforeItLeaves job={job} id={file.id} entries={log.entries} />
            <h2>Money and time</h2>
            <Pair>
              <AmountField<Closing> name="money" title={`Parts, ${file.currency}`} label="Money for parts" />
              <AmountField<Closing> name="minutes" title="Minutes" />
            </Pair>
            <Sums file={file} money={Number(money) || 0} minutes={Number(minutes) || 0} />
            <Labelled title="It is">
              <select {...form.register('outcome')} className="field" aria-label="Outcome">
                {Object.entries(outcomeTitles).map(([value, title]) => (
                  <option key={value} value={value}>
                    {title}
                  </option>
                ))}
              </select>
            </Labelled>
            {outcome === 'stripped' && (
              <>
                <ParagraphField<Closing>
                  name="kept"
                  title="Kept for the shelf, one a line"
                  rows={4}
                  maxLength={4000}
                  placeholder={'Q npn 1500V 8A damper in Q1\nC 8n2 1600V film pulse x2 in F1'}
                />
                <ParagraphField<Closing>
                  name="left"
                  title="Left in it as a donor, one a line"
                  rows={4}
                  maxLength={4000}
                  placeholder={'B no HP-PSU tested 12 min\nC 100u 35V lowesr x2 on PSU unknown'}
                />
              </>
            )}
            {outcome !== 'stripped' && <BackAgain file={file} job={job} seen={seen} />}
            <FormRefusal refused={refused} />
            <Button
              type="primary"
              size="large"
              loading={sending}
              disabled={log.waiting.size > 0 || file.closedAt !== null}
              onClick={send}
            >
              Close the job <Key>Ctrl ⏎</Key>
            </Button>
            {log.waiting.size > 0 && <p className="soft">{log.waiting.size} lines are still waiting to be saved.</p>}
          </section>
        </div>
      </FormProvider>
    </JobFrame>
  );
}

interface BeforeItLeavesProps {
  readonly job: Case;
  readonly id: string;
  readonly entries: readonly LogEntry[];
}

/** What has to be as it was before the set goes back. */
function BeforeItLeaves({ job, id, entries }: BeforeItLeavesProps) {
  const steps = useMemo(() => teardownOf(entries), [entries]);
  const out = stillOut(steps);
  const proven = verified(verificationOf(job));
  const undone = leftUndone(job.bench);
  return (
    <ul className={styles.checks}>
      <li data-ok={proven}>
        {proven
          ? 'Every wrong reading is right again'
          : 'Not proven: readings that were wrong have not been taken again'}
      </li>
      <li data-ok={undone.length === 0}>
        {undone.length === 0
          ? 'Nothing pulled, lifted, bridged or lent; lamp out'
          : `Put back first, at the bench: ${undone.join(', ')}`}
      </li>
      {steps.length > 0 && (
        <li data-ok={out.length === 0}>
          {out.length === 0 ? (
            `All ${steps.length} steps of taking it apart are back`
          ) : (
            <Link href={`/job/${id}/apart`}>
              {out.length} steps are not back: {stepsText(out, 2)}
            </Link>
          )}
        </li>
      )}
    </ul>
  );
}

interface SumsProps {
  readonly file: Pick<JobFile, 'value' | 'currency' | 'hourlyRate'>;
  readonly money: number;
  readonly minutes: number;
}

/** What is left of the set's value after parts and work. */
function Sums({ file: { value, currency, hourlyRate }, money, minutes }: SumsProps) {
  const work = (minutes / 60) * hourlyRate;
  const left = value - money - work;
  return (
    <dl className={styles.sums}>
      <dt>Value</dt>
      <dd className="figure">{moneyText(value, currency)}</dd>
      <dt>Parts</dt>
      <dd className="figure">−{moneyText(money, currency)}</dd>
      <dt>{minutesText(minutes)} of work</dt>
      <dd className="figure">−{moneyText(Math.round(work), currency)}</dd>
      <dt>
        <b>Left</b>
      </dt>
      <dd className="figure">
        <b>
          {left < 0 ? '−' : ''}
          {moneyText(Math.abs(Math.round(left)), currency)}
        </b>
      </dd>
    </dl>
  );
}
