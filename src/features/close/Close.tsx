'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { Fragment, useEffect, useMemo } from 'react';
import { FormProvider, useWatch } from 'react-hook-form';
import { countedAs, draftNote } from '@/core/job';
import { type ReturnsSeen } from '@/core/proof';
import { Key } from '@/ui';
import { AmountField, FormRefusal, Labelled, Pair, ParagraphField, useAnsweredForm } from '@/workshop/form';
import { type JobFile, JobFrame, useJob, ofSentJob } from '@/workshop/job';
import { closeWithNote } from './actions';
import { BackAgain } from './BackAgain';
import { BeforeItLeaves } from './BeforeItLeaves';
import { closeSchema, type Closing, outcomeTitles } from './closeSchema';
import { Sums } from './Sums';
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
export const Close = ofSentJob(function Close({ file, seen }: { file: JobFile; seen: ReturnsSeen }) {
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
});
