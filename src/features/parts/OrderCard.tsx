import { useState } from 'react';
import { dateText, moneyText } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { placeOrder } from './orderActions';
import { type ProposedOrder } from './sourcedView';
import styles from './whereFrom.module.css';

interface OrderCardProps {
  readonly order: ProposedOrder;
  readonly currency: string;
  readonly busy: boolean;
  readonly act: (work: () => Promise<Answered>) => void;
}

/** An order that is proposed; sending it twice, as when a supplier was away, orders once. */
export function OrderCard({ order, currency, busy, act }: OrderCardProps) {
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
