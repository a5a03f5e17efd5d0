import { moneyText } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { verdictWords } from '@/workshop/parts';
import { InHouse } from './InHouse';
import { OrderCard } from './OrderCard';
import { type ProposedOrder, type Sourced } from './sourcedView';
import styles from './whereFrom.module.css';

/** What an order is for: another order of the same supplier is another one. */
const purposeOf = ({ supplier, lines }: ProposedOrder): string =>
  [supplier, ...lines.flatMap(({ needs }) => needs.map(({ need }) => need))].join('/');

interface SourcedFoundProps {
  readonly sourced: Sourced;
  readonly currency: string;
  readonly busy: boolean;
  readonly days: number | undefined;
  readonly onDays: (days: number | undefined) => void;
  readonly askAgain: () => void;
  readonly act: (work: () => Promise<Answered>) => void;
}

/** What the house gives, what to order where, and what patience would save. */
export function SourcedFound({ sourced, currency, busy, days, onDays, askAgain, act }: SourcedFoundProps) {
  const { given, orders, missing, patience, trouble, exact, cost } = sourced;
  return (
    <>
      {trouble.map((words) => (
        <p key={words} className={styles.trouble}>
          {words}.
        </p>
      ))}
      {trouble.length > 0 && (
        <button type="button" className="press" disabled={busy} onClick={askAgain}>
          Ask again
        </button>
      )}
      <div className={styles.cards}>
        {given.length > 0 && <InHouse given={given} busy={busy} act={act} />}
        {orders.map((order) => (
          <OrderCard key={purposeOf(order)} order={order} currency={currency} busy={busy} act={act} />
        ))}
        {missing.length > 0 && (
          <div className={styles.card}>
            <h3>Nobody has</h3>
            <ul>
              {missing.map(({ line, count, nearest }) => (
                <li key={line}>
                  <b className="figure">{count} ×</b>
                  <span>
                    <span className="figure">{line}</span>
                    {nearest !== '' && (
                      <small>
                        {verdictWords.watch}: {nearest}
                      </small>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
      {patience.length > 1 && (
        <p className={styles.patience}>
          <span className="label">All here within</span>
          {patience.map(({ days: within, cost: total, missing: short, savesADay }) => (
            <button
              key={within}
              type="button"
              className={`press ${styles.day}`}
              aria-pressed={days === within || (days === undefined && within === patience.at(-1)!.days)}
              disabled={busy}
              onClick={() => onDays(within)}
            >
              <b>
                {within} {within === 1 ? 'day' : 'days'}
              </b>
              <span className="figure">{moneyText(total, currency)}</span>
              <small>
                {short > 0
                  ? `${short} missing`
                  : savesADay === undefined
                    ? ' '
                    : `saves ${moneyText(savesADay, currency)} a day`}
              </small>
            </button>
          ))}
        </p>
      )}
      {orders.length > 1 && (
        <p className="soft">
          {moneyText(cost, currency)} in all, postage included;{' '}
          {exact ? 'no other way of ordering is cheaper.' : 'the best that was found in the time there was.'}
        </p>
      )}
    </>
  );
}
