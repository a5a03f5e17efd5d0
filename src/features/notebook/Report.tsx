import Link from 'next/link';
import { beforeAfter } from '@/core/notebook';
import { dateText, minutesText, moneyText, Paper, PrintHead } from '@/ui';
import { type NotePage } from './load';
import styles from './report.module.css';

/** What the owner is given: a page about the work, and a label for the set, to be printed. */
export function Report({ note, set, record, currency, shop, photos }: NotePage) {
  const readings = beforeAfter(record);
  const done = record.bench.repairs.map(({ repair }) => repair.title);
  const told = [
    ['In your words', set.words],
    ['What it showed', note.symptom],
    ['What it was', note.cause],
    ['What was done', done.length > 0 ? done.join('; ') : note.cure],
    ['Parts', note.parts],
    ['Left as it is, on purpose', note.accepted],
  ].filter(([, text]) => text !== '');
  return (
    <div className={styles.page}>
      <PrintHead title="Report and label">
        <Link href={`/notebook/${note.job}`}>Back to the note</Link>
      </PrintHead>
      <Paper
        label="Report"
        head={shop || 'Restoration report'}
        date={dateText(note.closedAt)}
        foot={
          <>
            Measured on {dateText(note.closedAt)}; old sets go on ageing. Do not open it: it holds charge for long after
            the plug is out.
          </>
        }
      >
        <h2>{[set.title, set.place].filter(Boolean).join(', ')}</h2>
        <p>{note.chassis}</p>
        <dl>
          {told.map(([title, text]) => (
            <div key={title}>
              <dt>{title}</dt>
              <dd>{text}</dd>
            </div>
          ))}
        </dl>
        {readings.length > 0 && (
          <table>
            <thead>
              <tr>
                <th scope="col">Measured</th>
                <th scope="col">before</th>
                <th scope="col">after</th>
              </tr>
            </thead>
            <tbody>
              {readings.map(({ title, before, after, right }) => (
                <tr key={title}>
                  <th scope="row">{title}</th>
                  <td>{before}</td>
                  <td>
                    {after} {right ? '●' : '◇'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {photos.length > 0 && (
          <ul className={styles.photos}>
            {photos.map(({ id, title }) => (
              <li key={id}>
                {/* The picture is the user’s own and is served as it was taken. */}
                {/* eslint-disable-next-line @next/next/no-img-element */}
                <img src={`/api/jobs/${note.job}/photos/${id}`} alt={title} />
                <small>{title}</small>
              </li>
            ))}
          </ul>
        )}
        <p className={styles.sum}>
          Parts {moneyText(note.money, currency)} · work {minutesText(note.minutes)}
        </p>
      </Paper>
      <section className={styles.card} aria-label="Label">
        <b>{set.title}</b>
        <span>{note.chassis}</span>
        <span>{note.cause}</span>
        {note.accepted !== '' && <span>As it is: {note.accepted}</span>}
        <span>
          {dateText(note.closedAt)}
          {shop !== '' && ` · ${shop}`}
        </span>
      </section>
    </div>
  );
}
