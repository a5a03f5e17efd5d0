'use client';

import { type ReadingRow, type SurveyRow } from '@/core/job';
import { memo, useState } from 'react';
import { type BenchState, type TakenReading } from '@/core/log';
import { formatQuantity } from '@/core/quantity';
import { VerdictMark } from '@/ui';
import { markOfPart } from '@/workshop/parts';
import styles from './bench.module.css';

interface ReadingsProps {
  readonly rows: readonly ReadingRow[];
  /** Measured by themselves, and asked for by no check of the sheet. */
  readonly parts: readonly SurveyRow[];
  readonly waiting: ReadonlySet<string>;
  readonly bench: Pick<BenchState, 'superseded' | 'repairs' | 'notes'>;
  onCorrect(reading: TakenReading): void;
}

/** So many fill the screen. Each more would be moved down, and painted again, with every line that is typed. */
const shownAtOnce = 12;

/** The readings, the newest on top, the earlier ones when asked for. Choosing one corrects it; the old one stays in the record. */
export const Readings = memo(function Readings({ rows, parts, waiting, bench, onCorrect }: ReadingsProps) {
  const { superseded, repairs, notes } = bench;
  const [showsAll, setShowsAll] = useState(false);
  const earlier = rows.length - shownAtOnce;
  return (
    <section aria-label="Readings">
      <h2 className="label">
        Readings · {rows.length}
        {superseded.length > 0 && ` · ${superseded.length} corrected or taken back`}
      </h2>
      {rows.length === 0 && <p className="soft">None yet. Each one is judged as you type it.</p>}
      <ul className={styles.readings} data-testid="readings" data-count={rows.length}>
        {(showsAll ? rows : rows.slice(0, shownAtOnce)).map((row) => (
          <Row
            key={row.reading.entry.id}
            {...shownOf(row)}
            old={row.reading.afterRepairs < repairs.length}
            waiting={waiting.has(row.reading.entry.id)}
            reading={row.reading}
            onCorrect={onCorrect}
          />
        ))}
      </ul>
      {earlier > 0 && (
        <button
          type="button"
          className={styles.earlier}
          aria-expanded={showsAll}
          onClick={() => setShowsAll((was) => !was)}
        >
          {showsAll ? 'Only the newest' : `${earlier} earlier`}
        </button>
      )}
      {parts.length > 0 && <PartsAlone parts={parts} />}
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

function PartsAlone({ parts }: Pick<ReadingsProps, 'parts'>) {
  return (
    <>
      <h2 className={`label ${styles.partsLabel}`}>Parts by themselves · {parts.length}</h2>
      <ul className={styles.partsAlone} data-testid="parts-alone">
        {parts.map(({ entry, check, verdict }) => (
          <li key={entry.id}>
            <VerdictMark mark={markOfPart[verdict.mark]} />
            <b className="figure">{check.ref}</b>
            <span>{verdict.words}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What a row shows, in words and marks: where they are the same it need not be drawn again. */
const shownOf = ({ reading: { answer }, check, said, verdict, circumstances, corrected }: ReadingRow) => ({
  title: check.title,
  mark: verdict.mark,
  notes: [verdict.mark === 'within' ? '' : verdict.words, circumstances, corrected ? 'corrected' : '']
    .filter(Boolean)
    .join(' · '),
  value: answer.kind === 'number' ? formatQuantity(answer.value, check.unit) : said,
  expected: verdict.expected.replace(/ ±.*/, ''),
});

interface RowProps extends ReturnType<typeof shownOf> {
  /** Is it from before the last repair? */
  readonly old: boolean;
  readonly waiting: boolean;
  readonly reading: TakenReading;
  onCorrect(reading: TakenReading): void;
}

const Row = memo(
  function Row({ title, mark, notes, value, expected, old, waiting, reading, onCorrect }: RowProps) {
    return (
      <li data-mark={mark} data-old={old || undefined}>
        <button type="button" onClick={() => onCorrect(reading)} title="Correct this reading">
          <VerdictMark mark={mark} />
          <span className={styles.what}>
            <b>{title}</b>
            <small>{[notes, waiting ? 'waiting to be saved' : ''].filter(Boolean).join(' · ')}</small>
          </span>
          <span className={`figure ${styles.value}`}>{value}</span>
          <span className={`figure ${styles.should}`}>{expected}</span>
        </button>
      </li>
    );
  },
  // The log is replayed at every line: the reading of an entry is another object, and the same reading.
  (was, is) =>
    (Object.keys(is) as (keyof RowProps)[]).every((key) =>
      key === 'reading' ? was.reading.entry === is.reading.entry : was[key] === is[key],
    ),
);
