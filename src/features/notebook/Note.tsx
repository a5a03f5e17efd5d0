import Link from 'next/link';
import { type Case } from '@/core/diagnosis';
import { answerText, judgeAnswer } from '@/core/reading';
import { type FaultNote } from '@/store';
import { dateText, minutesText, moneyText, VerdictMark } from '@/ui';
import styles from './notebook.module.css';

/** One fault note with the readings it rests on. */
export function Note({ note, record, currency }: { note: FaultNote; record: Case; currency: string }) {
  const { predictions, bench } = record;
  const told = [
    ['Symptom', note.symptom],
    ['What it was', note.cause],
    ['What proved it', note.proof],
    ['What cured it', note.cure],
    ['What misled', note.misled],
    ['Parts', note.parts],
  ].filter(([, text]) => text !== '');
  return (
    <div className={styles.page}>
      <Link href="/notebook" className={styles.back}>
        ← Notebook
      </Link>
      <h1 className={styles.title}>{note.title}</h1>
      <p className="soft">
        {note.chassis} · closed {dateText(note.closedAt)} · {note.outcome} · {moneyText(note.money, currency)} ·{' '}
        {minutesText(note.minutes)}
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
          <h2 className="label">The record · {bench.readings.length} readings</h2>
          <ol className={styles.record}>
            {bench.readings.map((reading) => {
              const check = predictions.checks.get(reading.check);
              if (!check) return null;
              const verdict = judgeAnswer(predictions, check, reading.answer, reading.context);
              return (
                <li key={reading.entry.id}>
                  <VerdictMark mark={verdict.mark} />
                  <span>
                    {check.title}
                    {reading.afterRepairs > 0 && <small> after the repair</small>}
                  </span>
                  <b className="figure">{answerText(check, reading.answer)}</b>
                  <span className="figure soft">{verdict.expected}</span>
                </li>
              );
            })}
            {bench.repairs.map(({ entry, repair }) => (
              <li key={entry.id} className={styles.repair}>
                <span>⚒</span>
                <b>{repair.title}</b>
                <span />
                <span className="figure soft">{minutesText(repair.minutes)}</span>
              </li>
            ))}
          </ol>
        </section>
      </div>
    </div>
  );
}
