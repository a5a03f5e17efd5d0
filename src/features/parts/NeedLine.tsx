import { type NeedState, nextStates } from '@/core/supply';
import Link from 'next/link';
import { useState } from 'react';
import { dateText, moneyText } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { takeFromHouse, verdictWords } from '@/workshop/parts';
import { stepNeed } from './actions';
import styles from './parts.module.css';
import { type FromShelf, type NeedRow, stepWord } from './partsModel';

interface NeedLineProps {
  readonly row: NeedRow;
  readonly currency: string;
  readonly settle: (answer: Answered) => boolean;
}

/** Something needed, with the steps that may follow. */
export function NeedLine({ row, currency, settle }: NeedLineProps) {
  const [ordering, setOrdering] = useState(false);
  const [busy, setBusy] = useState(false);
  const act = async (work: () => Promise<Answered>) => {
    setBusy(true);
    settle(await work());
    setBusy(false);
    setOrdering(false);
  };
  const step = (state: NeedState, order: object = {}) =>
    void act(() =>
      stepNeed({
        id: crypto.randomUUID(),
        need: row.id,
        state,
        supplier: row.supplier,
        due: state === 'ordered' ? row.due : '',
        price: row.price,
        ...order,
      }),
    );
  const take = (from: FromShelf) =>
    void act(() => takeFromHouse({ id: crypto.randomUUID(), need: row.id, part: from.part, from: 'shelf' }));
  return (
    <li data-need={row.id} data-state={row.state} data-late={row.overdue === undefined ? undefined : ''}>
      <b className={`figure ${styles.count}`}>{row.count}</b>
      <span className={styles.part}>
        <span className="figure">{row.typed}</span>
        <small>
          <Link href={`/job/${row.job}/bench`}>{row.set}</Link>
          {told(row, currency)}
        </small>
        {row.overdue !== undefined && (
          <small className="bad">
            ✕ {row.overdue} {row.overdue === 1 ? 'day' : 'days'} overdue
          </small>
        )}
        {row.shelf && <OnShelf shelf={row.shelf} count={row.count} />}
      </span>
      <span className={styles.steps}>
        {row.shelf && row.shelf.count >= row.count && (
          <button type="button" className="press" disabled={busy} onClick={() => take(row.shelf!)}>
            Take {row.count} from {row.shelf.drawer === '' ? 'the shelf' : row.shelf.drawer}
          </button>
        )}
        {nextStates[row.state].map((state) => (
          <button
            key={state}
            type="button"
            className={state === 'fitted' || (state === 'here' && row.state === 'ordered') ? 'press main' : 'press'}
            disabled={busy}
            aria-expanded={state === 'ordered' ? ordering : undefined}
            onClick={() => (state === 'ordered' ? setOrdering(!ordering) : step(state))}
          >
            {stepWord(row.state, state)}
          </button>
        ))}
      </span>
      {ordering && <Order row={row} currency={currency} busy={busy} order={(order) => step('ordered', order)} />}
    </li>
  );
}

/** Where it comes from and when, as far as anybody said. */
function told({ supplier, due, price, state }: NeedRow, currency: string): string {
  return [
    supplier,
    due !== '' && state === 'ordered' ? `due ${dateText(due)}` : '',
    price === null ? '' : `${moneyText(price, currency)} each`,
  ]
    .filter(Boolean)
    .map((text) => ` · ${text}`)
    .join('');
}

function OnShelf({ shelf, count }: { shelf: FromShelf; count: number }) {
  return (
    <small className={styles.shelf} data-verdict={shelf.verdict}>
      <b>{verdictWords[shelf.verdict]}</b> on the shelf: {shelf.count} × <span className="figure">{shelf.typed}</span>
      {shelf.count < count && `, ${count - shelf.count} too few`}
      {shelf.reason !== '' && ` · ${shelf.reason}`}
    </small>
  );
}

interface OrderProps {
  readonly row: NeedRow;
  readonly currency: string;
  readonly busy: boolean;
  readonly order: (order: { readonly supplier: string; readonly due: string; readonly price: number | null }) => void;
}

/** Who is to send it, by when, for how much. */
function Order({ row, currency, busy, order }: OrderProps) {
  const [supplier, setSupplier] = useState(row.supplier);
  const [due, setDue] = useState(row.due);
  const [price, setPrice] = useState(row.price === null ? '' : String(row.price));
  return (
    <form
      className={styles.order}
      onSubmit={(event) => {
        event.preventDefault();
        order({ supplier, due, price: price === '' ? null : Number(price) });
      }}
    >
      <label>
        <span className="label">From</span>
        <input
          className="field"
          value={supplier}
          maxLength={60}
          autoFocus
          onChange={(event) => setSupplier(event.target.value)}
        />
      </label>
      <label>
        <span className="label">Due</span>
        <input className="field" type="date" value={due} onChange={(event) => setDue(event.target.value)} />
      </label>
      <label>
        <span className="label">{currency} each</span>
        <input className="field" inputMode="decimal" value={price} onChange={(event) => setPrice(event.target.value)} />
      </label>
      <button type="submit" className="press main" disabled={busy}>
        Ordered
      </button>
    </form>
  );
}
