'use client';

import Link from 'next/link';
import { EmptyState, PrintHead } from '@/ui';
import styles from './labels.module.css';
import { type Label } from './loadLabels';

/** A sheet of labels for drawers, to be printed: three across, 70 by 37 mm each. */
export function Labels({ typed, labels }: { readonly typed: string; readonly labels: readonly Label[] }) {
  return (
    <div className={styles.page}>
      <PrintHead
        title="Labels"
        about={`${labels.length} ${typed === '' ? 'for the whole shelf' : `for “${typed}”`}, 70 × 37 mm, three across on A4`}
        empty={labels.length === 0}
      >
        <Link href={`/shelf?q=${encodeURIComponent(typed)}`}>Back to the shelf</Link>
      </PrintHead>
      {labels.length === 0 ? (
        <EmptyState title="Nothing to label">
          <p>No drawer holds anything that is called that.</p>
        </EmptyState>
      ) : (
        <ol className={styles.sheet} aria-label="Labels">
          {labels.map(({ title, lines, code }) => (
            <li key={title}>
              {/* A data address: there is nothing to fetch or to make smaller. */}
              {/* eslint-disable-next-line @next/next/no-img-element */}
              <img src={code} alt={`Code that opens the shelf at ${title}`} width={92} height={92} />
              <span>
                <b data-long={title.length > 12 ? '' : undefined}>{title}</b>
                {lines.map((line) => (
                  <small key={line} className="figure">
                    {line}
                  </small>
                ))}
              </span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
