import Link from 'next/link';
import { type Case } from '@/core/diagnosis';
import { answerText, judgeAnswer } from '@/core/reading';
import { dateText, minutesText, moneyText, VerdictMark } from '@/ui';
import { type NotePage } from './load';
import styles from './notebook.module.css';

/** One fault note with the readings it rests on. */
export function Note({ note, set, record, currency, later }: NotePage) {
  const told = [
    ['Symptom', note.symptom],
    ['In the owner’s words', set.words],
    ['What it was', note.cause],
    ['What proved it', note.proof],
    ['What cured it', note.cure],
    ['What misled', note.misled],
    ['Parts', note.parts],
    ['To remember', note.remember],
    ['Left as it is, on purpose', note.accepted],
  ].filter(([, text]) => text !== '');
  return (
    <div className={styles.page}>
      <Link href="/notebook" className={styles.back}>
        ← Notebook
      </Link>
      <h1 className={styles.title}>{note.title}</h1>
      <p className="soft">
        {[set.title, set.place].filter(Boolean).join(', ')} · closed {dateText(note.closedAt)} · {note.outcome} ·{' '}
        {moneyText(note.money, currency)} · {minutesText(note.minutes)}
      </p>
      <p className={styles.ends}>
        <Link href={`/notebook/${note.job}/report`} className="press">
          Report and label
        </Link>
        <a href={`/api/shop/export?job=${note.job}`} className="press" download>
          As a file
        </a>
        {later === undefined ? (
          <Link href={`/take-in?former=${note.job}`} className="press">
            It came back
          </Link>
        ) : (
          <Link href={`/job/${later}/bench`} className="press">
            It came back: that job
          </Link>
        )}
      </p>
      <div className={styles.split}>
        <dl className={styles.told}>
          {told.map(([title, text]) => (
            <div key={title}>
              <dt className="label">{title}</dt>
              <dd>{text}</dd>
            </div>
          ))}
        </dl>
        <section aria-label="The record">
          <h2 className="label">The record · {record.bench.readings.length} readings</h2>
          <ol className={styles.record}>
            {Array.from({ length: record.bench.repairs.length + 1 }, (_, repairs) => (
              <Chapter key={repairs} record={record} repairs={repairs} />
            ))}
          </ol>
        </section>
      </div>
    </div>
  );
}

/** The readings taken after so many repairs, and the repair that followed them. */
function Chapter({ record: { predictions, bench }, repairs }: { record: Case; repairs: number }) {
  const next = bench.repairs[repairs];
  return (
    <>
      {bench.readings
        .filter(({ afterRepairs }) => afterRepairs === repairs)
        .map((reading) => {
          const check = predictions.checks.get(reading.check);
          if (!check) return null;
          const verdict = judgeAnswer(predictions, check, reading.answer, reading.context);
          return (
            <li key={reading.entry.id}>
              <VerdictMark mark={verdict.mark} />
              <span>{check.title}</span>
              <b className="figure">{answerText(check, reading.answer)}</b>
              <span className="figure soft">{verdict.expected}</span>
            </li>
          );
        })}
      {next && (
        <li className={styles.repair}>
          <span aria-hidden>⚒</span>
          <b>{next.repair.title}</b>
          <span />
          <span className="figure soft">{minutesText(next.repair.minutes)}</span>
        </li>
      )}
    </>
  );
}
