'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { EmptyState, LineEntry, moneyText } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { takeFromHouse } from '@/workshop/parts';
import { addTyped, askPlan, keepDonor, takeOut } from './actions';
import styles from './donors.module.css';
import { byBoard, conditionWords, demandWords, type DonorView, type PartRow, type PlanView } from './donorsModel';

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

interface OneDonorProps extends Pick<DonorsProps, 'currency' | 'hourlyRate'> {
  readonly donor: DonorView;
  readonly message: string | undefined;
  readonly settle: (answer: Answered) => boolean;
}

function OneDonor({ donor, currency, hourlyRate, message, settle }: OneDonorProps) {
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
      <Plan donor={donor} currency={currency} hourlyRate={hourlyRate} act={(work) => void act(work)} />
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
              <Row key={row.id} row={row} busy={busy} act={(work) => void act(work)} />
            ))}
          </ol>
        </div>
      ))}
    </section>
  );
}

interface RowProps {
  readonly row: PartRow;
  readonly busy: boolean;
  readonly act: (work: () => Promise<Answered>) => void;
}

function Row({ row, busy, act }: RowProps) {
  const { id, typed, count, condition, minutes, matches, demand } = row;
  const take = (how: 'shelf' | 'spoiled') => takeOut({ id: crypto.randomUUID(), part: id, count: 1, how });
  return (
    <li data-gone={count === 0 ? '' : undefined} data-part={typed}>
      <b className={`figure ${styles.count}`}>{count}</b>
      <span className={styles.part}>
        <span className="figure">{typed}</span>
        <small>
          {conditionWords[condition]} · {minutes} min each · {demandWords(demand)}
        </small>
      </span>
      {count > 0 && (
        <span className={styles.steps}>
          {matches.map((match) => (
            <button
              key={match.need}
              type="button"
              className="press main"
              disabled={busy}
              onClick={() =>
                act(() => takeFromHouse({ id: crypto.randomUUID(), need: match.need, part: id, from: 'donor' }))
              }
            >
              Take {match.count} for {match.set}
              {match.ordered && ', on order elsewhere'}
            </button>
          ))}
          <button type="button" className="press" disabled={busy} onClick={() => act(() => take('shelf'))}>
            One to the shelf
          </button>
          <button type="button" className="press" disabled={busy} onClick={() => act(() => take('spoiled'))}>
            Spoiled
          </button>
        </span>
      )}
    </li>
  );
}

interface PlanProps extends Pick<DonorsProps, 'currency' | 'hourlyRate'> {
  readonly donor: DonorView;
  readonly act: (work: () => Promise<Answered>) => void;
}

/** What is worth taking out in the time there is. */
function Plan({ donor, currency, hourlyRate, act }: PlanProps) {
  const [minutes, setMinutes] = useState('60');
  const [told, setTold] = useState<Answered<PlanView>>();
  const view = told && !('refused' in told) ? told.done : undefined;
  const row = (id: string) => donor.parts.find((one) => one.id === id);
  const takeAll = async (): Promise<Answered> => {
    for (const { part, count } of view!.plan.take) {
      const answer = await takeOut({ id: crypto.randomUUID(), part, count, how: 'shelf' });
      if ('refused' in answer) return answer;
    }
    setTold(undefined);
    return { done: undefined };
  };
  return (
    <form
      className={styles.plan}
      aria-label="What is worth the work"
      onSubmit={(event) => {
        event.preventDefault();
        void askPlan({ donor: donor.id, minutes }).then(setTold);
      }}
    >
      <label>
        <span className="label">Minutes there are</span>
        <input
          className="field figure"
          inputMode="numeric"
          value={minutes}
          maxLength={5}
          onChange={(event) => setMinutes(event.target.value)}
        />
      </label>
      <button type="submit" className="press">
        What is worth taking?
      </button>
      {told && 'refused' in told && (
        <p role="alert" className="bad">
          {told.refused}
        </p>
      )}
      {view && (
        <div className={styles.told} role="status">
          {view.plan.take.length === 0 ? (
            <p>
              Nothing here brings {moneyText(hourlyRate, currency)} an hour: leave it, or put it down for what is wanted
              later.
            </p>
          ) : (
            <>
              <p>
                <b>
                  Take {view.plan.take.reduce((sum, { count }) => sum + count, 0)} in {Math.round(view.plan.minutes)}{' '}
                  min
                </b>
                , worth {moneyText(Math.round(view.plan.value), currency)} of what will be wanted; leave the rest.
              </p>
              <ol>
                {view.plan.take.map(({ part, count, minutes: own, value }) => (
                  <li key={part}>
                    <b className="figure">{count} ×</b> <span className="figure">{row(part)?.typed}</span>{' '}
                    <small className="soft">
                      {Math.round(own)} min · {moneyText(Number(value.toFixed(2)), currency)} expected
                    </small>
                  </li>
                ))}
              </ol>
              <button type="button" className="press main" onClick={() => act(takeAll)}>
                They are out: all to the shelf
              </button>
            </>
          )}
        </div>
      )}
    </form>
  );
}

interface NewDonorProps {
  readonly settle: (answer: Answered) => boolean;
  readonly message: string | undefined;
  /** Told the donor that was written down, or nothing. */
  readonly leave: (id?: string) => void;
}

function NewDonor({ settle, message, leave }: NewDonorProps) {
  const save = async (form: FormData) => {
    const text = (name: string) => String(form.get(name) ?? '');
    const id = crypto.randomUUID();
    if (settle(await keepDonor({ id, title: text('title'), place: text('place'), note: text('note') }))) leave(id);
  };
  return (
    <form
      className={styles.donor}
      aria-label="A donor"
      onSubmit={(event) => {
        event.preventDefault();
        void save(new FormData(event.currentTarget));
      }}
    >
      <h2>A donor</h2>
      <label>
        <span className="label">What it is</span>
        <input className="field" name="title" maxLength={60} autoFocus placeholder="Kiosk plasma, glass cracked" />
      </label>
      <label>
        <span className="label">Where it lies</span>
        <input className="field" name="place" maxLength={60} />
      </label>
      <label>
        <span className="label">What is known of it</span>
        <input className="field" name="note" maxLength={300} placeholder="scan buffers doubtful; supply ran before" />
      </label>
      {message !== undefined && (
        <p role="alert" className="bad">
          {message}
        </p>
      )}
      <span className={styles.steps}>
        <button type="submit" className="press main">
          Keep
        </button>
        <button type="button" className="press" onClick={() => leave()}>
          Leave
        </button>
      </span>
    </form>
  );
}
