'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { stockColumns } from '@/core/supply';
import { OpenFile } from '@/ui';
import styles from './shelf.module.css';
import { useListFile } from './useListFile';

/** A stock list in and out: looked at first, then put as a whole or not at all. */
export function ListFile({ onPut }: { onPut(): void }) {
  const router = useRouter();
  const { state, ...list } = useListFile(() => {
    router.refresh();
    onPut();
  });
  // One list at a time: what is under way is finished or given up first.
  const busy = state.step === 'reading' || state.step === 'putting';
  return (
    <section aria-label="Stock list">
      <h2 className="label">A stock list, as CSV</h2>
      <p className={styles.files}>
        {!busy && <OpenFile accept=".csv,.txt" onText={list.open} onRefused={list.refuse} />}
        <a href="/api/shelf/list" download="shelf.csv" className={styles.out}>
          Write the shelf to a file
        </a>
      </p>
      {state.step === 'none' && (
        <p className="soft">
          Columns <span className="figure">part, count, drawer, from</span>; or the kind under part and its figures
          under their names.
        </p>
      )}
      {state.step === 'refused' && (
        <p role="alert" className={`bad ${styles.refused}`}>
          {state.words}
        </p>
      )}
      {state.step === 'columns' && (
        <Columns headings={state.headings} name={(names) => list.name(state.headings, names)} />
      )}
      {state.step === 'reading' && (
        <p role="status">
          {state.done} of {state.all} lines are read.{' '}
          <button type="button" className={styles.undo} onClick={list.giveUp}>
            Give up
          </button>
        </p>
      )}
      {state.step === 'read' && (
        <p>
          {state.lines} lines, {state.pieces} pieces, all readable.{' '}
          <button type="button" className={styles.undo} onClick={list.put}>
            Put all of it on the shelf
          </button>
        </p>
      )}
      {state.step === 'putting' && (
        <p role="status">
          {state.lines} lines are being put.{' '}
          <button type="button" className={styles.undo} onClick={list.giveUp}>
            Give up
          </button>
        </p>
      )}
    </section>
  );
}

interface ColumnsProps {
  readonly headings: readonly string[];
  readonly name: (names: ReadonlyMap<number, string>) => void;
}

/** Which column is which, where their headings do not say it. */
function Columns({ headings, name }: ColumnsProps) {
  const [chosen, setChosen] = useState<Readonly<Record<string, number>>>({});
  const part = chosen[stockColumns[0]!] ?? -1;
  return (
    <form
      className={styles.columns}
      aria-label="Which column is which"
      onSubmit={(event) => {
        event.preventDefault();
        name(new Map(Object.entries(chosen).flatMap(([column, at]) => (at < 0 ? [] : [[at, column] as const]))));
      }}
    >
      <p>Its columns have names of their own. What stands under which?</p>
      {stockColumns.map((column) => (
        <label key={column}>
          <span className="label">{column}</span>
          <select
            className="field"
            value={chosen[column] ?? -1}
            onChange={(event) => setChosen({ ...chosen, [column]: Number(event.target.value) })}
          >
            <option value={-1}>not in the file</option>
            {headings.map((heading, at) => (
              <option key={at} value={at}>
                {heading === '' ? `column ${at + 1}` : heading}
              </option>
            ))}
          </select>
        </label>
      ))}
      <button type="submit" className={styles.undo} disabled={part < 0}>
        {part < 0 ? 'Say which column is the part' : 'Read it so, now and the next time'}
      </button>
    </form>
  );
}
