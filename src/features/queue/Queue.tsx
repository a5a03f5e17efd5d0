import { steps } from '@/core/job';
import Link from 'next/link';
import { deference } from '@/core/safety';
import { EmptyState } from '@/ui';
import { FirstJobLink } from '@/workshop/guide';
import { QueueLine } from './QueueLine';
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
          <QueueLine key={row.id} row={row} currency={currency} />
        ))}
      </ul>
      <p className={styles.deference}>
        {deference} <Link href="/settings">Settings and data</Link>
      </p>
    </div>
  );
}
