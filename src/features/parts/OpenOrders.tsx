import { useState } from 'react';
import { dateText, timeText } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { askOrder } from './orderActions';
import { type OrderView } from './partsModel';
import styles from './whereFrom.module.css';

interface OpenOrdersProps {
  readonly orders: readonly OrderView[];
  readonly settle: (answer: Answered) => boolean;
}

/** What is on its way, and what its sellers last said of it. */
export function OpenOrders({ orders, settle }: OpenOrdersProps) {
  return (
    <section aria-label="Orders on their way">
      <h2 className="label">Orders on their way · {orders.length}</h2>
      <div className={styles.cards}>
        {orders.map((order) => (
          <Order key={order.id} order={order} settle={settle} />
        ))}
      </div>
    </section>
  );
}

function Order({ order, settle }: { order: OrderView; settle: OpenOrdersProps['settle'] }) {
  const { id, title, reference, at, lines, linked } = order;
  const [busy, setBusy] = useState(false);
  const ask = async () => {
    setBusy(true);
    settle(await askOrder({ id }));
    setBusy(false);
  };
  return (
    <div className={styles.card} data-order={reference}>
      <h3>
        {title}
        <small>
          {reference !== '' && `${reference} · `}ordered {dateText(at)}, {timeText(at)}
        </small>
      </h3>
      <ul>
        {lines.map((line) => (
          <li key={line.need}>
            <b className="figure">{line.count} ×</b>
            <span>
              <span className="figure">{line.typed}</span>
              <small>
                {line.words} · {line.set}
              </small>
              {line.mistaken !== undefined && <small className="bad">✕ {line.mistaken}</small>}
            </span>
          </li>
        ))}
      </ul>
      {linked && (
        <button type="button" className="press" disabled={busy} onClick={() => void ask()}>
          {busy ? 'Asking' : 'How does it stand?'}
        </button>
      )}
    </div>
  );
}
