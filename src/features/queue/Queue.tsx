import { steps } from '@/core/job';
import Link from 'next/link';
import { depict } from '@/core/picture';
import { deference } from '@/core/safety';
import { chanceText, dateText, EmptyState, moneyText, PictureView } from '@/ui';
import { FirstJobLink } from '@/workshop/guide';
import { PinButton } from './PinButton';
import { type QueueRow } from './queueModel';
import styles from './queue.module.css';

/** The sets in the house: what each shows, where it stands on its path, and what is next. */
export function Queue({ rows, currency }: { rows: readonly QueueRow[]; currency: string }) {
  if (rows.length === 0) {
    return (
      <div className={styles.page}>
        <EmptyState title="No set is waiting">
          <p>Take one in: choose what it shows, and Tovrik says where to put the probe first.</p>
          <Link href="/take-in" className={styles.take}>
            Take in a set
          </Link>
          <FirstJobLink />
          <p className="soft">{deference}</p>
        </EmptyState>
      </div>
    );
  }
  return (
    <div className={styles.page}>
      <div className={styles.top}>
        <h1>
          {rows.length} {rows.length === 1 ? 'set' : 'sets'} in the house
        </h1>
        <ol className={styles.legend} aria-label="The path of a job">
          {steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
        <Link href="/take-in" className={styles.take}>
          Take in a set
        </Link>
      </div>
      <ul className={styles.rows}>
        {rows.map((row) => (
          <li key={row.id} className={styles.line} data-overdue={row.overdue || undefined}>
            <Link href={`/job/${row.id}/bench`} className={styles.row} prefetch={false}>
              <span className={styles.picture}>
                <PictureView picture={depict(row.family, row.symptoms)} />
              </span>
              <span className={styles.set}>
                <b>{row.title}</b>
                <small>
                  {row.chassis} · {row.symptomText}
                </small>
                <small>
                  {[
                    row.due === '' ? '' : `due ${dateText(row.due)}`,
                    row.place,
                    row.owner === '' ? '' : `for ${row.owner}`,
                    `since ${dateText(row.since)}`,
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </small>
              </span>
              <Path row={row} />
              <span className={styles.next}>
                <b>{row.next}</b>
                <small>{row.nextDetail}</small>
                {row.why !== '' && <small title={row.why}>{row.why}</small>}
              </span>
              <span className={styles.leader}>
                {row.leader && (
                  <>
                    <small>{row.leader.title}</small>
                    <b className="figure">{chanceText(row.leader.probability)}</b>
                  </>
                )}
              </span>
              <span className={`figure ${styles.money}`}>
                {moneyText(row.spent, currency)}
                <small> of {moneyText(row.limit, currency)}</small>
              </span>
            </Link>
            <PinButton id={row.id} title={row.title} pinned={row.pinned} />
          </li>
        ))}
      </ul>
      <p className={styles.deference}>
        {deference} <Link href="/settings">Settings and data</Link>
      </p>
    </div>
  );
}

/** Beads along the path of the work, filled up to where the set stands. */
function Path({ row }: { row: QueueRow }) {
  const at = steps.indexOf(row.step);
  return (
    <span className={styles.path} role="img" aria-label={`${row.step}, step ${at + 1} of ${steps.length}`}>
      <svg viewBox="0 0 154 26" aria-hidden>
        <path d="M11 13H143" stroke="var(--line)" strokeWidth="2.5" />
        {at > 0 && <path d={`M11 13H${11 + at * 22}`} stroke="var(--petrol)" strokeWidth="2.5" />}
        {steps.map((step, index) => (
          <circle
            key={step}
            cx={11 + index * 22}
            cy="13"
            r={index === at ? 7.5 : 4.5}
            fill={index < at ? 'var(--petrol)' : index === at ? 'var(--copper)' : 'var(--sheet)'}
            stroke={index > at ? 'var(--soft)' : 'none'}
            strokeWidth="1.3"
          />
        ))}
      </svg>
      <small>{row.step}</small>
    </span>
  );
}
