'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { EmptyState, LineEntry, WriteFile } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { wantPart } from '@/workshop/parts';
import { NeedLine } from './NeedLine';
import styles from './parts.module.css';
import { OpenOrders } from './OpenOrders';
import { groups, kindOf, type NeedRow, orderSheet, type OrderView, type SupplierView, toBuy } from './partsModel';
import { Suppliers } from './Suppliers';
import { WhereFrom } from './WhereFrom';

interface PartsProps {
  readonly rows: readonly NeedRow[];
  readonly orders: readonly OrderView[];
  readonly suppliers: readonly SupplierView[];
  readonly sets: readonly { readonly id: string; readonly title: string }[];
  readonly currency: string;
}

/** What the sets in the house need, from wanted to fitted. */
export function Parts({ rows, orders, suppliers, sets, currency }: PartsProps) {
  const router = useRouter();
  const [typed, setTyped] = useState('');
  const [job, setJob] = useState(sets[0]?.id ?? '');
  const [message, setMessage] = useState<string>();

  /** Shows why nothing was done, or what stands now. */
  const settle = (answer: Answered) => {
    const refused = 'refused' in answer;
    setMessage(refused ? answer.refused : undefined);
    if (!refused) router.refresh();
    return !refused;
  };
  const want = async () => {
    if (settle(await wantPart({ id: crypto.randomUUID(), job, typed }))) setTyped('');
  };
  const lines = toBuy(rows);
  return (
    <div className={styles.page}>
      <div className={styles.top}>
        <h1>Parts</h1>
        <span className="soft" role="status">
          {rows.filter(({ state }) => state !== 'fitted' && state !== 'dropped').length} on their way
        </span>
        {lines.length > 0 && (
          <WriteFile
            name="order.csv"
            type="text/csv"
            title={`Order sheet, ${lines.length} ${lines.length === 1 ? 'line' : 'lines'}`}
            text={() => orderSheet(rows)}
          />
        )}
      </div>
      {sets.length === 0 ? (
        <EmptyState title="No set is in the house">
          <p>What a set needs is written down here once it is taken in.</p>
        </EmptyState>
      ) : (
        <div className={styles.entry}>
          <div>
            <LineEntry
              label="A part that is needed"
              placeholder="C 680u 50V 105 lowesr x4"
              maxLength={300}
              autoFocus
              value={typed}
              message={message}
              onType={(text) => {
                setTyped(text);
                setMessage(undefined);
              }}
              onEnter={() => void want()}
            />
          </div>
          <label className={styles.for}>
            <span className="label">{kindOf(typed) ? `${kindOf(typed)!}, needed for` : 'needed for'}</span>
            <select className="field" value={job} onChange={(event) => setJob(event.target.value)}>
              {sets.map(({ id, title }) => (
                <option key={id} value={id}>
                  {title}
                </option>
              ))}
            </select>
          </label>
        </div>
      )}
      {lines.length > 0 && (
        <WhereFrom
          wanted={rows
            .filter(({ state }) => state === 'wanted')
            .map(({ id }) => id)
            .join()}
          currency={currency}
          settle={settle}
        />
      )}
      {orders.length > 0 && <OpenOrders orders={orders} settle={settle} />}
      {groups.map(({ state, title }) => {
        const own = rows.filter((row) => row.state === state);
        if (own.length === 0) return null;
        return (
          <section key={state} aria-label={title}>
            <h2 className="label">
              {title} · {own.length}
            </h2>
            <ol className={styles.rows}>
              {[...own]
                .sort((a, b) => (b.overdue ?? 0) - (a.overdue ?? 0))
                .map((row) => (
                  <NeedLine key={row.id} row={row} currency={currency} settle={settle} />
                ))}
            </ol>
          </section>
        );
      })}
      {rows.length === 0 && sets.length > 0 && (
        <EmptyState title="Nothing is needed">
          <p>Write the first part above: what it is, and how many. The shelf is looked through at once.</p>
        </EmptyState>
      )}
      <Suppliers suppliers={suppliers} currency={currency} settle={settle} />
    </div>
  );
}
