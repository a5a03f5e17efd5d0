'use client';

import { useEffect, useState } from 'react';
import { dateText, moneyText } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { takeFromHouse, verdictWords } from '@/workshop/parts';
import { placeOrder } from './orderActions';
import styles from './whereFrom.module.css';
import { type GivenLine, type ProposedOrder, type Sourced } from './sourcedView';

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
        <Found
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

interface FoundProps {
  readonly sourced: Sourced;
  readonly currency: string;
  readonly busy: boolean;
  readonly days: number | undefined;
  readonly onDays: (days: number | undefined) => void;
  readonly askAgain: () => void;
  readonly act: (work: () => Promise<Answered>) => void;
}

function Found({ sourced, currency, busy, days, onDays, askAgain, act }: FoundProps) {
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

/** What an order is for: another order of the same supplier is another one. */
const purposeOf = ({ supplier, lines }: ProposedOrder): string =>
  [supplier, ...lines.flatMap(({ needs }) => needs.map(({ need }) => need))].join('/');

interface InHouseProps {
  readonly given: readonly GivenLine[];
  readonly busy: boolean;
  readonly act: FoundProps['act'];
}

function InHouse({ given, busy, act }: InHouseProps) {
  const take = ({ need, part, from }: GivenLine) => takeFromHouse({ id: crypto.randomUUID(), need, part, from });
  const takeAll = async (): Promise<Answered> => {
    for (const line of given) {
      const answer = await take(line);
      if ('refused' in answer) return answer;
    }
    return { done: undefined };
  };
  return (
    <div className={styles.card}>
      <h3>In the house</h3>
      <ul>
        {given.map((line) => (
          <li key={line.need}>
            <b className="figure">{line.count} ×</b>
            <span>
              <span className="figure">{line.typed}</span>
              <small>
                <b className={styles.good}>{verdictWords[line.verdict]}</b> · {line.place || 'the shelf'} · for{' '}
                {line.set}
              </small>
            </span>
            <button type="button" className="press" disabled={busy} onClick={() => act(() => take(line))}>
              Take
            </button>
          </li>
        ))}
      </ul>
      {given.length > 1 && (
        <button type="button" className="press main" disabled={busy} onClick={() => act(takeAll)}>
          Take all {given.length}
        </button>
      )}
    </div>
  );
}

interface OrderCardProps {
  readonly order: ProposedOrder;
  readonly currency: string;
  readonly busy: boolean;
  readonly act: FoundProps['act'];
}

/** An order that is proposed; sending it twice, as when a supplier was away, orders once. */
function OrderCard({ order, currency, busy, act }: OrderCardProps) {
  const { supplier, title, linked, lines, goods, postage, days } = order;
  const [id] = useState(() => crypto.randomUUID());
  return (
    <div className={styles.card} data-supplier={title}>
      <h3>
        {title}
        <small>
          {moneyText(goods, currency)} {postage > 0 ? `+ ${moneyText(postage, currency)} postage` : 'postage free'} ·{' '}
          {days} {days === 1 ? 'day' : 'days'}
        </small>
      </h3>
      <ul>
        {lines.map((line) => (
          <li key={line.item + line.wanted}>
            <b className="figure">{line.count} ×</b>
            <span>
              <span className="figure">{line.typed}</span>
              <small>
                {moneyText(line.price, currency)} each · by {dateText(line.due)} ·{' '}
                {[...new Set(line.needs.map(({ set }) => set))].join(', ')}
                {line.over > 0 && ` · ${line.over} over, for the shelf`}
                {line.typed !== line.wanted && ` · for ${line.wanted}`}
              </small>
            </span>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="press main"
        disabled={busy}
        onClick={() => act(() => placeOrder({ id, supplier, postage, lines }))}
      >
        {linked ? 'Order' : 'Write down as ordered'}, {moneyText(goods + postage, currency)}
      </button>
    </div>
  );
}
