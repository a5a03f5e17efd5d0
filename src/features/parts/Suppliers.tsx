import { useState } from 'react';
import { moneyText, OpenFile } from '@/ui';
import { type Answered } from '@/workshop/answer';
import { keepSupplier } from './orderActions';
import { type SupplierView } from './partsModel';
import parts from './parts.module.css';
import styles from './whereFrom.module.css';

interface SuppliersProps {
  readonly suppliers: readonly SupplierView[];
  readonly currency: string;
  readonly settle: (answer: Answered) => boolean;
}

/** Who sells: terms, the address of a service, a catalogue from a file. */
export function Suppliers({ suppliers, currency, settle }: SuppliersProps) {
  const [editing, setEditing] = useState<string>();
  const [told, setTold] = useState<string>();
  const load = async (supplier: string, text: string) => {
    const sent = await fetch(`/api/catalogue?supplier=${supplier}`, { method: 'POST', body: text });
    const answer = (await sent.json()) as { readonly items: number } | { readonly refused: string };
    if ('refused' in answer) return setTold(answer.refused);
    setTold(`${answer.items} items are known of it now`);
    settle({ done: undefined });
  };
  return (
    <section aria-label="Suppliers">
      <h2 className="label">Suppliers · {suppliers.length}</h2>
      {told !== undefined && (
        <p role="status" style={{ whiteSpace: 'pre-line' }}>
          {told}
        </p>
      )}
      <div className={styles.cards}>
        {suppliers.map((supplier) =>
          editing === supplier.id ? (
            <Terms
              key={supplier.id}
              supplier={supplier}
              currency={currency}
              settle={settle}
              leave={() => setEditing(undefined)}
            />
          ) : (
            <div key={supplier.id} className={styles.card} role="group" aria-label={supplier.title}>
              <h3>
                {supplier.title}
                <small>
                  {moneyText(supplier.postage, currency)} postage
                  {supplier.freeFrom !== null && `, free from ${moneyText(supplier.freeFrom, currency)}`}
                  {supplier.minimum !== null && `, at least ${moneyText(supplier.minimum, currency)}`} · {supplier.days}{' '}
                  {supplier.days === 1 ? 'day' : 'days'}
                </small>
              </h3>
              <small>
                {supplier.items} items known · {supplier.link === '' ? 'ordered by hand' : supplier.link}
              </small>
              <span className={parts.steps} style={{ justifyContent: 'flex-start' }}>
                <button type="button" className="press" onClick={() => setEditing(supplier.id)}>
                  Change
                </button>
                <OpenFile
                  accept=".csv,.txt"
                  title="Catalogue from a file"
                  onText={(text) => void load(supplier.id, text)}
                  onRefused={setTold}
                />
              </span>
            </div>
          ),
        )}
        {editing === 'new' ? (
          <Terms currency={currency} settle={settle} leave={() => setEditing(undefined)} />
        ) : (
          <button type="button" className="press" onClick={() => setEditing('new')}>
            Another supplier
          </button>
        )}
      </div>
    </section>
  );
}

interface TermsProps {
  readonly supplier?: SupplierView;
  readonly currency: string;
  readonly settle: SuppliersProps['settle'];
  readonly leave: () => void;
}

const number = (text: string) => (text.trim() === '' ? null : Number(text));

/** What a supplier is called, takes for sending, and where his service stands. */
function Terms({ supplier, currency, settle, leave }: TermsProps) {
  const shown = (value: number | null | undefined) => (value == null ? '' : String(value));
  const save = async (form: FormData) => {
    const text = (name: string) => String(form.get(name) ?? '');
    const answer = await keepSupplier({
      id: supplier?.id ?? crypto.randomUUID(),
      title: text('title'),
      link: text('link'),
      postage: number(text('postage')) ?? 0,
      freeFrom: number(text('freeFrom')),
      minimum: number(text('minimum')),
      days: number(text('days')) ?? 3,
    });
    if (settle(answer)) leave();
  };
  const fields = [
    ['title', 'Supplier', supplier?.title ?? '', 60],
    ['link', 'Address of the service, if any', supplier?.link ?? '', 300],
    ['postage', `Postage, ${currency}`, shown(supplier?.postage), 9],
    ['freeFrom', `Free from, ${currency}`, shown(supplier?.freeFrom), 9],
    ['minimum', `Least order, ${currency}`, shown(supplier?.minimum), 9],
    ['days', 'Days', shown(supplier?.days), 4],
  ] as const;
  return (
    <form
      className={styles.card}
      onSubmit={(event) => {
        event.preventDefault();
        void save(new FormData(event.currentTarget));
      }}
    >
      {fields.map(([name, title, value, most], index) => (
        <label key={name} className={styles.term}>
          <span className="label">{title}</span>
          <input name={name} className="field" defaultValue={value} maxLength={most} autoFocus={index === 0} />
        </label>
      ))}
      <span className={parts.steps} style={{ justifyContent: 'flex-start' }}>
        <button type="submit" className="press main">
          Keep
        </button>
        <button type="button" className="press" onClick={leave}>
          Leave
        </button>
      </span>
    </form>
  );
}
