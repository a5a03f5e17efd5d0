'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { type Answered } from '@/workshop/answer';
import styles from './donors.module.css';
import { type DonorView, type PartRow } from './donorsModel';
import { NewDonor } from './NewDonor';
import { OneDonor } from './OneDonor';

interface DonorsProps {
  readonly donors: readonly DonorView[];
  readonly currency: string;
  readonly hourlyRate: number;
}

/** Sets and boards that parts are taken from: what is left in each, who wants it, and what is worth the work. */
export function Donors({ donors, currency, hourlyRate }: DonorsProps) {
  const router = useRouter();
  const [chosen, setChosen] = useState(donors[0]?.id);
  const [adding, setAdding] = useState(donors.length === 0);
  const [message, setMessage] = useState<string>();
  const settle = (answer: Answered) => {
    const refused = 'refused' in answer;
    setMessage(refused ? answer.refused : undefined);
    if (!refused) router.refresh();
    return !refused;
  };
  const donor = donors.find(({ id }) => id === chosen) ?? donors[0];
  return (
    <div className={styles.page}>
      <aside className={styles.list}>
        <div className={styles.top}>
          <h1>Donors</h1>
        </div>
        <ul aria-label="Donors">
          {donors.map((one) => (
            <li key={one.id}>
              <button
                type="button"
                aria-pressed={one.id === donor?.id && !adding}
                onClick={() => {
                  setChosen(one.id);
                  setAdding(false);
                  setMessage(undefined);
                }}
              >
                <b>{one.title}</b>
                <small>
                  {one.parts.reduce((sum, { count }) => sum + count, 0)} pieces left
                  {one.place !== '' && ` · ${one.place}`}
                </small>
                <Wanted parts={one.parts} />
              </button>
            </li>
          ))}
        </ul>
        <button type="button" className="press" onClick={() => setAdding(true)}>
          Another donor
        </button>
      </aside>
      {adding || !donor ? (
        <NewDonor
          settle={settle}
          message={message}
          leave={(id) => {
            setAdding(false);
            if (id !== undefined) setChosen(id);
          }}
        />
      ) : (
        <OneDonor
          key={donor.id}
          donor={donor}
          currency={currency}
          hourlyRate={hourlyRate}
          message={message}
          settle={settle}
        />
      )}
    </div>
  );
}

/** How many sets wait for something that sits here. */
function Wanted({ parts }: { parts: readonly PartRow[] }) {
  const sets = new Set(parts.flatMap(({ matches }) => matches.map(({ set }) => set)));
  if (sets.size === 0) return null;
  return <small className={styles.good}>▲ {[...sets].join(', ')} could have of it</small>;
}
