'use client';

import { Button, Input, InputNumber } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo, useState, useTransition } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { caseOf, JobFrame, useLog } from '@/features/job';
import { labelValues } from '@/features/take-in/labelValues';
import { LabelFields, Labelled, OptionChoices } from '@/features/take-in/SetFields';
import { Key } from '@/ui';
import { reviseSet } from './actions';
import { type DetailsDesk } from './load';
import { OfItsKind } from './OfItsKind';
import { setUpRows } from './setUpModel';
import styles from './details.module.css';

const texts = (label: Readonly<Record<string, number>>) =>
  Object.fromEntries(Object.entries(label).map(([field, volts]) => [field, String(volts)]));

/** What a set is: put right what was mistaken when it was taken in, and every verdict follows. */
export function Details({ file, details }: DetailsDesk) {
  const router = useRouter();
  const log = useLog(file);
  const { sheet, currency } = file;
  const job = useMemo(() => caseOf(file, log.entries), [file, log.entries]);
  const setUp = useMemo(() => setUpRows(job), [job]);
  const [known, setKnown] = useState(details);
  const [label, setLabel] = useState<Readonly<Record<string, string>>>(texts(details.label));
  const [problem, setProblem] = useState<string>();
  const [storing, startStoring] = useTransition();
  const change = (more: Partial<typeof known>) => setKnown((now) => ({ ...now, ...more }));
  const store = () =>
    startStoring(async () => {
      const { values, wrong } = labelValues(sheet, label);
      const refused = wrong ?? (await reviseSet(file.id, { ...known, label: values }));
      setProblem(refused);
      if (refused === undefined) router.push(`/job/${file.id}/bench`);
    });
  useHotkeys('mod+enter', store, { enableOnFormTags: true, preventDefault: true });

  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <div className={styles.page}>
        <section aria-label="The set">
          <h1>What it is</h1>
          <Words title="Name of the set" value={known.title} onChange={(title) => change({ title })} />
          <div className={styles.pair}>
            <Words title="Where it lives" value={known.place} onChange={(place) => change({ place })} />
            <Words title="For whom" value={known.owner} onChange={(owner) => change({ owner })} />
          </div>
          <div className={styles.pair}>
            <Money title={`Value, ${currency}`} value={known.value} onChange={(value) => change({ value })} />
            <Money title={`Limit for parts, ${currency}`} value={known.limit} onChange={(limit) => change({ limit })} />
          </div>
          <Labelled title="In the owner’s words">
            <Input.TextArea
              value={known.words}
              autoSize={{ minRows: 2, maxRows: 6 }}
              maxLength={2000}
              aria-label="In the owner’s words"
              onChange={(event) => change({ words: event.target.value })}
            />
          </Labelled>
          <p className="soft">
            Every reading is judged by what stands here: a figure put right puts right the verdicts, too.
          </p>
          <OptionChoices
            sheet={sheet}
            chosen={known.options}
            spelt
            onChoose={(option, choice) => change({ options: { ...known.options, [option]: choice } })}
          />
          {sheet.label.size > 0 && (
            <LabelFields
              sheet={sheet}
              typed={label}
              onType={(field, text) => setLabel((now) => ({ ...now, [field]: text }))}
            />
          )}
          {problem !== undefined && (
            <p role="alert" className="bad">
              {problem}
            </p>
          )}
          <Button type="primary" size="large" loading={storing} onClick={store} disabled={file.closedAt !== null}>
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
}

function Words({ title, value, onChange }: { title: string; value: string; onChange(value: string): void }) {
  return (
    <Labelled title={title}>
      <Input value={value} maxLength={80} aria-label={title} onChange={(event) => onChange(event.target.value)} />
    </Labelled>
  );
}

function Money({ title, value, onChange }: { title: string; value: number; onChange(value: number): void }) {
  return (
    <Labelled title={title}>
      <InputNumber value={value} min={0} max={1e6} aria-label={title} onChange={(typed) => onChange(typed ?? 0)} />
    </Labelled>
  );
}
