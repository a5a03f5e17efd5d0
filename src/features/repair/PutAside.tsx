'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { FormProvider, useWatch } from 'react-hook-form';
import { type InferType } from 'yup';
import { FormRefusal, Pair, TextField, useAnsweredForm } from '@/workshop/form';
import { type JobFile, waitingTitles } from '@/workshop/job';
import { putAside } from './actions';
import styles from './repair.module.css';
import { waitingSchema } from './waitingSchema';

type Waiting = InferType<typeof waitingSchema>;

/** What the set waits for, as the queue shows it. */
export function PutAside({ file }: { file: Pick<JobFile, 'id' | 'waiting'> }) {
  const [said, setSaid] = useState<string>();
  const { form, refused, sending, send } = useAnsweredForm<Waiting, undefined>({
    schema: waitingSchema,
    values: file.waiting ?? { for: '', note: '', until: '' },
    act: (waiting) => putAside(file.id, waiting),
    onDone: (_, waiting) => setSaid(waiting.for === '' ? 'It is back on the queue.' : 'It is put aside.'),
    hotkey: false,
  });
  const wanted = useWatch({ control: form.control, name: 'for' });
  return (
    <FormProvider {...form}>
      <section className={styles.aside} aria-label="Put aside">
        <span className="label">What it waits for</span>
        <select {...form.register('for')} className="field" aria-label="What it waits for">
          <option value="">Nothing: it can be worked on</option>
          {Object.entries(waitingTitles).map(([value, title]) => (
            <option key={value} value={value}>
              {title}
            </option>
          ))}
        </select>
        {wanted !== '' && (
          <Pair>
            <TextField<Waiting> name="note" title="What exactly" placeholder="22u 250V ordered" maxLength={200} />
            <TextField<Waiting> name="until" title="Until" type="date" />
          </Pair>
        )}
        <Button loading={sending} onClick={send}>
          Note it
        </Button>
        <FormRefusal refused={refused} />
        {refused === undefined && said !== undefined && <p role="status">{said}</p>}
      </section>
    </FormProvider>
  );
}
