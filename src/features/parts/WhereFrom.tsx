'use client';

import { useEffect, useState } from 'react';
import { type Answered } from '@/workshop/answer';
import { SourcedFound } from './SourcedFound';
import { type Sourced } from './sourcedView';
import styles from './whereFrom.module.css';

interface WhereFromProps {
  /** Changes whenever something else is wanted. */
  readonly wanted: string;
  readonly currency: string;
  readonly settle: (answer: Answered) => boolean;
}

type Asked = { readonly sourced: Sourced } | { readonly refused: string };

async function ask(days: number | undefined, signal: AbortSignal): Promise<Asked> {
  const answer = await fetch(`/api/sourcing${days === undefined ? '' : `?days=${days}`}`, { signal });
  const read = (await answer.json()) as Sourced | { readonly refused: string };
  return 'refused' in read ? read : { sourced: read };
}

/** Where all that is wanted comes from: what lies in the house first, then the cheapest orders that are here in time. */
export function WhereFrom({ wanted, currency, settle }: WhereFromProps) {
  const [days, setDays] = useState<number>();
  const [found, setFound] = useState<{ readonly of: string; readonly asked: Asked }>();
  const [busy, setBusy] = useState(false);
  const [again, setAgain] = useState(0);
  const question = `${wanted}/${days ?? ''}/${again}`;
  useEffect(() => {
    const given = new AbortController();
    ask(days, given.signal).then(
      (asked) => setFound({ of: question, asked }),
      () => {
        if (!given.signal.aborted)
          setFound({
            of: question,
            asked: { refused: 'the server does not answer: see that it runs, then load anew' },
          });
      },
    );
    return () => given.abort();
  }, [days, question]);
  const act = async (work: () => Promise<Answered>) => {
    setBusy(true);
    // What was refused rests on what has changed since: the next look is at what stands now.
    if (!settle(await work())) setAgain((count) => count + 1);
    setBusy(false);
  };
  const asked = found?.asked;
  return (
    <section aria-label="Where from" aria-busy={found?.of !== question} className={styles.from}>
      <h2 className="label">
        Where from {found?.of !== question && <span className={styles.asking}>· the suppliers are being asked</span>}
      </h2>
      {asked && 'refused' in asked && (
        <p role="alert" className="bad">
          {asked.refused}
        </p>
      )}
      {asked && 'sourced' in asked && (
        <SourcedFound
          sourced={asked.sourced}
          currency={currency}
          busy={busy || found?.of !== question}
          days={days}
          onDays={setDays}
          askAgain={() => setAgain((count) => count + 1)}
          act={(work) => void act(work)}
        />
      )}
    </section>
  );
}
