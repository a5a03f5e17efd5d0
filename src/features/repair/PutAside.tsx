'use client';

import { Button, Input, Select } from 'antd';
import { useState, useTransition } from 'react';
import { type JobFile, type WaitingFor, waitingTitles } from '@/features/job';
import { putAside } from './actions';
import styles from './repair.module.css';

const choices = [
  { value: '', label: 'Nothing: it can be worked on' },
  ...Object.entries(waitingTitles).map(([value, label]) => ({ value, label })),
];

/** What the set waits for, as the queue shows it. */
export function PutAside({ file }: { file: Pick<JobFile, 'id' | 'waiting'> }) {
  const [wanted, setWanted] = useState<WaitingFor | ''>(file.waiting?.for ?? '');
  const [note, setNote] = useState(file.waiting?.note ?? '');
  const [until, setUntil] = useState(file.waiting?.until ?? '');
  const [said, setSaid] = useState<string>();
  const [saving, startSaving] = useTransition();
  const save = () =>
    startSaving(async () => {
      const refused = await putAside(file.id, wanted === '' ? null : { for: wanted, note, until });
      setSaid(refused ?? (wanted === '' ? 'It is back on the queue.' : 'It is put aside.'));
    });
  return (
    <section className={styles.aside} aria-label="Put aside">
      <span className="label">What it waits for</span>
      <Select value={wanted} onChange={setWanted} options={choices} aria-label="What it waits for" />
      {wanted !== '' && (
        <div className={styles.pair}>
          <Input
            value={note}
            onChange={(event) => setNote(event.target.value)}
            maxLength={200}
            placeholder="22u 250V ordered"
            aria-label="What exactly"
          />
          <Input type="date" value={until} onChange={(event) => setUntil(event.target.value)} aria-label="Until" />
        </div>
      )}
      <Button loading={saving} onClick={save}>
        Note it
      </Button>
      {said !== undefined && <p role="status">{said}</p>}
    </section>
  );
}
