'use client';

import { useState, useTransition } from 'react';
import { type Finding } from '@/store';
import { VerdictMark } from '@/ui';
import { lookOver } from './actions';
import styles from './settings.module.css';

/** Looks the data over, and mends what is worked out from the rest. */
export function LookOver() {
  const [findings, setFindings] = useState<readonly Finding[]>();
  const [looking, look] = useTransition();
  const go = (mending: boolean) =>
    look(async () => {
      const answer = await lookOver(mending);
      if (!('refused' in answer)) setFindings(answer.done);
    });
  const wrong = findings?.some(({ well }) => !well) ?? false;
  return (
    <section aria-label="The data, looked over">
      <h2>Is all well with it?</h2>
      <p className="soft">Pages, references, records, search, counts, copies and room are looked at.</p>
      <div className={styles.choice}>
        <button type="button" className="press" disabled={looking} onClick={() => go(false)}>
          Look it over
        </button>
        {wrong && (
          <button type="button" className="press" disabled={looking} onClick={() => go(true)}>
            Build search and counts anew
          </button>
        )}
      </div>
      <ul className={styles.findings} role="status">
        {findings?.map(({ what, well, found }) => (
          <li key={what}>
            <VerdictMark mark={well ? 'within' : 'odd'} />
            <span>{what}</span>
            <span className="soft">{found}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
