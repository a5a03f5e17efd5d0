'use client';

import { type ReadingRow } from '@/core/job';
import { memo } from 'react';
import { type BenchState, type TakenReading } from '@/core/log';
import { formatQuantity } from '@/core/quantity';
import { VerdictMark } from '@/ui';
import styles from './bench.module.css';

interface ReadingsProps {
  readonly rows: readonly ReadingRow[];
  readonly waiting: ReadonlySet<string>;
  readonly bench: Pick<BenchState, 'superseded' | 'repairs' | 'notes'>;
  onCorrect(reading: TakenReading): void;
}

/** All readings, the newest on top. Choosing one corrects it; the old one stays in the record. */
export const Readings = memo(function Readings({ rows, waiting, bench, onCorrect }: ReadingsProps) {
  const { superseded, repairs, notes } = bench;
  return (
    <section aria-label="Readings">
      <h2 className="label">
        Readings · {rows.length}
        {superseded.length > 0 && ` · ${superseded.length} corrected or taken back`}
      </h2>
      {rows.length === 0 && <p className="soft">None yet. Each one is judged as you type it.</p>}
      <ul className={styles.readings} data-testid="readings" data-count={rows.length}>
        {rows.map((row) => (
          <li
            key={row.reading.entry.id}
            data-mark={row.verdict.mark}
            data-old={row.reading.afterRepairs < repairs.length || undefined}
          >
            <button type="button" onClick={() => onCorrect(row.reading)} title="Correct this reading">
              <VerdictMark mark={row.verdict.mark} />
              <span className={styles.what}>
                <b>{row.check.title}</b>
                <small>
                  {[
                    row.verdict.mark === 'within' ? '' : row.verdict.words,
                    row.circumstances,
                    row.corrected ? 'corrected' : '',
                    waiting.has(row.reading.entry.id) ? 'waiting to be saved' : '',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </small>
              </span>
              <span className={`figure ${styles.value}`}>{shortValue(row)}</span>
              <span className={`figure ${styles.should}`}>{row.verdict.expected.replace(/ ±.*/, '')}</span>
            </button>
          </li>
        ))}
      </ul>
      {notes.length > 0 && (
        <>
          <h2 className="label">Notes</h2>
          <ul data-testid="notes">
            {[...notes].reverse().map(({ entry, text }) => (
              <li key={entry.id}>{text}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
});

function shortValue({ reading, check, said }: ReadingRow): string {
  return reading.answer.kind === 'number' ? formatQuantity(reading.answer.value, check.unit) : said;
}
