'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { dateText, timeText } from '@/ui';
import { copyNow, goBackTo } from './actions';
import { type CopyRow } from './load';
import styles from './settings.module.css';

const inMegabytes = (bytes: number) => `${(bytes / 1048576).toFixed(1)} MB`;

/** The copies there are; one is made every day while Tovrik runs. */
export function Copies({ copies }: { readonly copies: readonly CopyRow[] }) {
  const router = useRouter();
  const [asked, setAsked] = useState<string>();
  const [said, setSaid] = useState<string>();
  const [working, work] = useTransition();
  const copy = () =>
    work(async () => {
      const answer = await copyNow();
      setSaid('refused' in answer ? answer.refused : 'Copied, and read from end to end.');
    });
  const back = (name: string) =>
    work(async () => {
      const answer = await goBackTo(name);
      setAsked(undefined);
      setSaid('refused' in answer ? answer.refused : `Back to that copy; what was there is kept as ${answer.done}.`);
      router.refresh();
    });
  return (
    <section aria-label="Copies">
      <h2>Copies</h2>
      <p className="soft">One a day while Tovrik runs; of 7 days, 5 weeks and 12 months one is kept.</p>
      <button type="button" className="press" disabled={working} onClick={copy}>
        Copy now
      </button>
      <p role="status">{said}</p>
      <ul className={styles.copies}>
        {copies.map(({ name, at, bytes }) => (
          <li key={name}>
            <span className="figure" suppressHydrationWarning>
              {dateText(at)} {timeText(at)}
            </span>
            <span className="figure soft">{inMegabytes(bytes)}</span>
            {asked === name ? (
              <button type="button" className="press main" autoFocus disabled={working} onClick={() => back(name)}>
                Yes, back to it
              </button>
            ) : (
              <button type="button" className="press" onClick={() => setAsked(name)}>
                Go back to it
              </button>
            )}
          </li>
        ))}
      </ul>
      {copies.length === 0 && <p className="soft">None yet.</p>}
    </section>
  );
}
