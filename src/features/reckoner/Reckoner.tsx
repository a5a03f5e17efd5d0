'use client';

import { Button, Select } from 'antd';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { keepForLog } from '@/features/job';
import { Key } from '@/ui';
import { noteOf, reckon } from './reckon';
import { reckonings } from './reckonings';
import styles from './reckoner.module.css';

/** Calculators over any screen; an answer can be kept on the job that is open. */
export function Reckoner({ close }: { close: () => void }) {
  const path = usePathname();
  const job = /^\/job\/([^/]+)/.exec(path)?.[1];
  const [id, setId] = useState(reckonings[0]!.id);
  const [texts, setTexts] = useState<Readonly<Record<string, Readonly<Record<string, string>>>>>({});
  const [kept, setKept] = useState(false);
  const reckoning = reckonings.find((one) => one.id === id)!;
  const typed = texts[id] ?? {};
  const answer = reckon(reckoning, typed);
  useEffect(() => {
    document.getElementById(`reckon-${reckoning.fields[0]!.key}`)?.focus();
  }, [reckoning]);

  const keep = () => {
    if (job === undefined || answer.kind !== 'answer') return;
    void keepForLog(job, { kind: 'note', text: noteOf(reckoning, typed, answer.lines) });
    setKept(true);
  };
  return (
    <div className={styles.veil} onClick={close} role="presentation">
      <section
        className={styles.reckoner}
        role="dialog"
        aria-label="Reckoner"
        aria-modal
        onClick={(event) => event.stopPropagation()}
        onKeyDown={(event) => {
          if (event.key === 'Escape') close();
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) keep();
        }}
      >
        <header>
          <h1>Reckoner</h1>
          <Select
            aria-label="What to reckon"
            showSearch={{
              filterOption: (text, option) =>
                `${option?.label} ${option?.words}`.toLowerCase().includes(text.toLowerCase()),
            }}
            value={id}
            options={reckonings.map(({ id: value, title, words }) => ({ value, label: title, words }))}
            onChange={(next: string) => {
              setId(next);
              setKept(false);
            }}
          />
          <Button onClick={close}>
            Close <Key>Esc</Key>
          </Button>
        </header>
        <div className={styles.sides}>
          <div className={styles.fields}>
            {reckoning.fields.map(({ key, label, unit, example, optional }) => (
              <label key={key}>
                <span>
                  {label}
                  {optional && <em className="soft"> if known</em>}
                </span>
                <input
                  id={`reckon-${key}`}
                  className="figure"
                  autoComplete="off"
                  maxLength={80}
                  value={typed[key] ?? ''}
                  placeholder={`${example} ${unit}`}
                  aria-invalid={answer.kind === 'wrong' && answer.field === key}
                  onChange={(event) => {
                    setTexts({ ...texts, [id]: { ...typed, [key]: event.target.value } });
                    setKept(false);
                  }}
                />
              </label>
            ))}
          </div>
          <div className={styles.answer} role="status">
            {answer.kind === 'waiting' && <p className="soft">The answer stands here as you type.</p>}
            {answer.kind === 'wrong' && (
              <p role="alert" className="bad">
                {answer.message}
              </p>
            )}
            {answer.kind === 'answer' && (
              <dl>
                {answer.lines.map(({ label, text, tone }, index) => (
                  // The same resistor may be in a bank twice.
                  <div key={index} data-tone={tone}>
                    <dt>{label}</dt>
                    <dd className={tone === 'caution' ? undefined : 'figure'}>{text}</dd>
                  </div>
                ))}
              </dl>
            )}
            {answer.kind === 'answer' && job !== undefined && (
              <Button onClick={keep} disabled={kept}>
                {kept ? 'Kept on the job' : 'Keep on the job'} {!kept && <Key>Ctrl ⏎</Key>}
              </Button>
            )}
          </div>
        </div>
      </section>
    </div>
  );
}
