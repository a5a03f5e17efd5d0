import { useState } from 'react';
import { moneyText } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { askPlan, takeOut } from './actions';
import styles from './donors.module.css';
import { type DonorView, type PlanView } from './donorsModel';

interface HarvestPlanProps {
  readonly currency: string;
  readonly hourlyRate: number;
  readonly donor: DonorView;
  readonly act: (work: () => Promise<Answered>) => void;
}

/** What is worth taking out in the time there is. */
export function HarvestPlan({ donor, currency, hourlyRate, act }: HarvestPlanProps) {
  const [minutes, setMinutes] = useState('60');
  const [told, setTold] = useState<Answered<PlanView>>();
  const view = told && !('refused' in told) ? told.done : undefined;
  const row = (id: string) => donor.parts.find((one) => one.id === id);
  const soldOf = (id: string) => view?.plan.keep.find(({ part, sell }) => part === id && sell > 0);
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
                , worth {moneyText(Math.round(view.plan.value), currency)} of what will be wanted or sold; leave the
                rest.
              </p>
              <ol>
                {view.plan.take.map(({ part, count, minutes: own, value }) => (
                  <li key={part}>
                    <b className="figure">{count} ×</b> <span className="figure">{row(part)?.typed}</span>{' '}
                    <small className="soft">
                      {Math.round(own)} min · {moneyText(Number(value.toFixed(2)), currency)} expected
                      {soldOf(part) && ` · keep ${soldOf(part)!.keep} in all, ${soldOf(part)!.sell} may be sold`}
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
