'use client';

import { Button, Select } from 'antd';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { keepForLog } from '@/workshop/job';
import { Key, useReturnFocus } from '@/ui';
import { type Known } from './known';
import { noteOf, readFields, reckon } from './reckon';
import { reckonings } from './reckonings';
import styles from './reckoner.module.css';

/** What the open job has figures for; nothing until it is there, or where it cannot be had. */
function useKnown(job: string | undefined): readonly Known[] {
  const [known, setKnown] = useState<readonly Known[]>([]);
  useEffect(() => {
    if (job === undefined) return;
    const leave = new AbortController();
    fetch(`/api/jobs/${job}/known`, { signal: leave.signal })
      .then(async (response) => {
        if (response.ok) setKnown((await response.json()) as Known[]);
      })
      // Names are a convenience: without them figures are typed.
      .catch(() => undefined);
    return () => leave.abort();
  }, [job]);
  return known;
}

/** Calculators over any screen; an answer can be kept on the job that is open. */
export function Reckoner({ close }: { close: () => void }) {
  useReturnFocus();
  const path = usePathname();
  const job = /^\/job\/([^/]+)/.exec(path)?.[1];
  const [id, setId] = useState(reckonings[0]!.id);
  const [texts, setTexts] = useState<Readonly<Record<string, Readonly<Record<string, string>>>>>({});
  const [kept, setKept] = useState(false);
  const reckoning = reckonings.find((one) => one.id === id)!;
  const typed = texts[id] ?? {};
  const known = useKnown(job);
  const reading = readFields(reckoning, typed, known);
  const answer = reckon(reckoning, reading);
  useEffect(() => {
    document.getElementById(`reckon-${reckoning.fields[0]!.key}`)?.focus();
  }, [reckoning]);

  const keep = () => {
    if (job === undefined || answer.kind !== 'answer') return;
    void keepForLog(job, { kind: 'note', text: noteOf(reckoning, typed, reading, answer.lines) });
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
          {/* Made anew for each choice: the focus goes on while Enter is still down, and its release is never heard here. */}
          <Select
            key={id}
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
                  {typed[key]?.trim() && reading.taken[key] !== undefined && <b>{reading.taken[key]}</b>}
                </span>
                <input
                  id={`reckon-${key}`}
                  className="figure"
                  autoComplete="off"
                  maxLength={80}
                  value={typed[key] ?? ''}
                  placeholder={reading.taken[key] ?? `${example} ${unit}`}
                  list={`reckon-known-${unit}`}
                  aria-invalid={answer.kind === 'wrong' && answer.field === key}
                  onChange={(event) => {
                    setTexts({ ...texts, [id]: { ...typed, [key]: event.target.value } });
                    setKept(false);
                  }}
                />
              </label>
            ))}
            {[...new Set(reckoning.fields.map(({ unit }) => unit))].map((unit) => (
              <datalist key={unit} id={`reckon-known-${unit}`}>
                {known
                  .filter(({ values }) => values[unit] !== undefined)
                  .map(({ name, title }) => (
                    <option key={name} value={name}>
                      {title}
                    </option>
                  ))}
              </datalist>
            ))}
            {known.length > 0 && (
              <p className="soft">A name of the set, such as {known[0]!.name}, stands for its figure.</p>
            )}
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
