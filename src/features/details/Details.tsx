'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { setUpRows } from '@/core/job';
import { attempt, Refusal } from '@/core/quantity';
import { Key } from '@/ui';
import { AmountField, FormRefusal, Pair, ParagraphField, TextField, useAnsweredForm } from '@/workshop/form';
import { JobFrame, useJob, ofSentJob } from '@/workshop/job';
import { type Described, describedSchema, LabelFields, labelValues, OptionChoices } from '@/workshop/set';
import { reviseSet } from './actions';
import { type SetDetails } from './load';
import { OfItsKind } from './OfItsKind';
import styles from './details.module.css';

const texts = (label: Readonly<Record<string, number>>) =>
  Object.fromEntries(Object.entries(label).map(([field, volts]) => [field, String(volts)]));

/** What a set is: put right what was mistaken when it was taken in, and every verdict follows. */
export const Details = ofSentJob(function Details({ file, details }: SetDetails) {
  const router = useRouter();
  const { log, job } = useJob(file);
  const { sheet, currency } = file;
  const setUp = useMemo(() => setUpRows(job), [job]);
  const { label: stored, options: chosen, ...described } = details;
  const [options, setOptions] = useState(chosen);
  const [label, setLabel] = useState<Readonly<Record<string, string>>>(texts(stored));
  const { form, refused, sending, send } = useAnsweredForm<Described, undefined>({
    schema: describedSchema,
    values: described,
    act: async (values) => {
      const read = attempt(() => labelValues(sheet, label));
      return read instanceof Refusal
        ? { refused: read.message }
        : reviseSet(file.id, { ...values, options, label: read });
    },
    onDone: () => router.push(`/job/${file.id}/bench`),
  });
  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <div className={styles.page}>
        <section aria-label="The set">
          <h1>What it is</h1>
          <FormProvider {...form}>
            <TextField<Described> name="title" title="Name of the set" />
            <Pair>
              <TextField<Described> name="place" title="Where it lives" />
              <TextField<Described> name="owner" title="For whom" />
            </Pair>
            <Pair>
              <AmountField<Described> name="value" title={`Value, ${currency}`} />
              <AmountField<Described> name="limit" title={`Limit for parts, ${currency}`} />
            </Pair>
            <Pair>
              <TextField<Described> name="due" title="Due back" type="date" />
            </Pair>
            <ParagraphField<Described> name="words" title="In the owner’s words" rows={2} />
          </FormProvider>
          <p className="soft">
            Every reading is judged by what stands here: a figure put right puts right the verdicts, too.
          </p>
          <OptionChoices
            sheet={sheet}
            chosen={options}
            spelt
            onChoose={(option, choice) => setOptions((now) => ({ ...now, [option]: choice }))}
          />
          <LabelFields
            sheet={sheet}
            typed={label}
            onType={(field, text) => setLabel((now) => ({ ...now, [field]: text }))}
          />
          <FormRefusal refused={refused} />
          <Button type="primary" size="large" loading={sending} onClick={send} disabled={file.closedAt !== null}>
            Keep it so <Key>Ctrl ⏎</Key>
          </Button>
        </section>
        <section aria-label={`Of sets like it: ${sheet.title}`}>
          <h1>{sheet.title}</h1>
          <p className="soft">{sheet.summary}</p>
          <OfItsKind job={file.id} sheet={sheet} setUp={setUp} />
        </section>
      </div>
    </JobFrame>
  );
});
