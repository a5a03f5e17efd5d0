'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useState, useTransition } from 'react';
import { FormProvider } from 'react-hook-form';
import { oldNoteColumns } from '@/core/notebook';
import { Key, OpenFile } from '@/ui';
import { AmountField, FormRefusal, Labelled, Pair, ParagraphField, TextField, useAnsweredForm } from '@/workshop/form';
import { addOldNote, addOldNoteList, type Noted } from './actions';
import styles from './notebook.module.css';
import { type OldNoteForm, oldNoteSchema } from './oldNoteSchema';

interface OldNotesProps {
  readonly sheets: readonly { readonly id: string; readonly title: string }[];
  readonly currency: string;
}

const blank: OldNoteForm = {
  date: '',
  set: '',
  sheet: '',
  symptom: '',
  cause: '',
  cure: '',
  parts: '',
  remember: '',
  minutes: 0,
  money: 0,
};

const notedText = ({ added, counted }: Noted): string =>
  added === 0
    ? 'That is here already.'
    : `${added} ${added === 1 ? 'note is' : 'notes are'} in the notebook, ${counted} counted for the next of the kind.`;

/** Notes from paper come in: one after another as they are read, or a whole list. */
export function OldNotes({ sheets, currency }: OldNotesProps) {
  const [said, setSaid] = useState<string>();
  const { form, refused, sending, send } = useAnsweredForm<OldNoteForm, Noted>({
    schema: oldNoteSchema,
    values: blank,
    act: addOldNote,
    onDone(noted, { date, sheet }) {
      setSaid(notedText(noted));
      // The next on the page is mostly of the same time and the same chassis.
      form.reset({ ...blank, date, sheet });
      form.setFocus('symptom');
    },
  });
  return (
    <div className={styles.page}>
      <Link href="/notebook" className={styles.back}>
        ← Notebook
      </Link>
      <h1 className={styles.title}>Old notes in</h1>
      <div className={styles.split}>
        <FormProvider {...form}>
          <section className={styles.old} aria-label="One note">
            <Pair>
              <TextField<OldNoteForm> name="date" title="Day, month or year" placeholder="2019-05" maxLength={10} />
              <Labelled title="Sheet">
                <select {...form.register('sheet')} className="field" aria-label="Sheet">
                  <option value="">none</option>
                  {sheets.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
                </select>
              </Labelled>
            </Pair>
            <ParagraphField<OldNoteForm> name="symptom" title="Symptom" />
            <ParagraphField<OldNoteForm> name="cause" title="What it was" placeholder="C547 dried out" />
            <ParagraphField<OldNoteForm> name="cure" title="What cured it" />
            <ParagraphField<OldNoteForm> name="remember" title="To remember" />
            <Pair>
              <TextField<OldNoteForm> name="set" title="Name of the set" />
              <TextField<OldNoteForm> name="parts" title="Parts" maxLength={400} />
            </Pair>
            <Pair>
              <AmountField<OldNoteForm> name="minutes" title="Minutes" />
              <AmountField<OldNoteForm> name="money" title={`Parts, ${currency}`} label="Money for parts" />
            </Pair>
            <FormRefusal refused={refused} />
            <Button type="primary" size="large" loading={sending} onClick={send}>
              Into the notebook <Key>Ctrl ⏎</Key>
            </Button>
            <p role="status">{said}</p>
          </section>
        </FormProvider>
        <OldList onSaid={setSaid} />
      </div>
    </div>
  );
}

function OldList({ onSaid }: { onSaid(words: string): void }) {
  const [refused, setRefused] = useState<string>();
  const [taking, take] = useTransition();
  const open = (text: string) =>
    take(async () => {
      const answer = await addOldNoteList(text);
      setRefused('refused' in answer ? answer.refused : undefined);
      if (!('refused' in answer)) onSaid(notedText(answer.done));
    });
  return (
    <section className={styles.old} aria-label="A list of notes">
      <h2 className="label">A whole list, as CSV</h2>
      <p>
        A heading, and a note a line: <span className={styles.columns}>{oldNoteColumns.join(', ')}</span>. Only the
        cause has to be there. A list that is taken in twice is there once.
      </p>
      <p>{taking ? 'Reading …' : <OpenFile accept=".csv,.txt" onText={open} onRefused={setRefused} />}</p>
      {refused !== undefined && (
        <p role="alert" className={`bad ${styles.lines}`}>
          {refused}
        </p>
      )}
      <p className="soft">
        A note counts as a closed job of its sheet where its cause names one of the sheet’s faults: the part and how it
        failed.
      </p>
    </section>
  );
}
