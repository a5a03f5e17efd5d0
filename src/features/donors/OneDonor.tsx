import { useState } from 'react';
import { EmptyState, LineEntry } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { addTyped } from './actions';
import styles from './donors.module.css';
import { DonorPart } from './DonorPart';
import { byBoard, type DonorView } from './donorsModel';
import { HarvestPlan } from './HarvestPlan';

interface OneDonorProps {
  readonly currency: string;
  readonly hourlyRate: number;
  readonly donor: DonorView;
  readonly message: string | undefined;
  readonly settle: (answer: Answered) => boolean;
}

/** A donor with what is left in it, and what of that is worth taking out. */
export function OneDonor({ donor, currency, hourlyRate, message, settle }: OneDonorProps) {
  const [typed, setTyped] = useState('');
  const [busy, setBusy] = useState(false);
  const act = async (work: () => Promise<Answered>) => {
    setBusy(true);
    const done = settle(await work());
    setBusy(false);
    return done;
  };
  const add = async () => {
    if (await act(() => addTyped({ id: crypto.randomUUID(), donor: donor.id, typed }))) setTyped('');
  };
  return (
    <section className={styles.donor} aria-label={donor.title}>
      <div className={styles.top}>
        <h2>{donor.title}</h2>
        <span className="soft">{[donor.place, donor.note].filter(Boolean).join(' · ')}</span>
      </div>
      <LineEntry
        label="What sits in it: part, number, board, what is known, minutes to take out"
        placeholder="C 680u 50V lowesr x4 on PSU tested 3 min"
        maxLength={300}
        autoFocus
        value={typed}
        message={message}
        onType={setTyped}
        onEnter={() => void add()}
      />
      <HarvestPlan donor={donor} currency={currency} hourlyRate={hourlyRate} act={(work) => void act(work)} />
      {donor.parts.length === 0 && (
        <EmptyState title="Nothing is written down of it">
          <p>Write what sits in it above, the boards first: what waits for it is shown at once.</p>
        </EmptyState>
      )}
      {byBoard(donor.parts).map(([board, rows]) => (
        <div key={board}>
          <h3 className="label">{board === '' ? 'By itself' : `On ${board}`}</h3>
          <ol className={styles.rows}>
            {rows.map((row) => (
              <DonorPart key={row.id} row={row} busy={busy} act={(work) => void act(work)} />
            ))}
          </ol>
        </div>
      ))}
    </section>
  );
}
