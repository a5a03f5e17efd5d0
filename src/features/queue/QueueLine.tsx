'use client';

import Link from 'next/link';
import { steps } from '@/core/job';
import { depict } from '@/core/picture';
import { chanceText, dateText, moneyText, PictureView } from '@/ui';
import { PinButton } from './PinButton';
import { type QueueRow } from './queueModel';
import styles from './queue.module.css';

/** One set of the queue. It is drawn where the page is read: sixty drawings are much to send. */
export function QueueLine({ row, currency }: { row: QueueRow; currency: string }) {
  return (
    <li className={styles.line} data-overdue={row.overdue || undefined}>
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
