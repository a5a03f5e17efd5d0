import { type Kit } from '@/core/kit';
import styles from './kit.module.css';
import { type InHouse } from './kitModel';

interface PurchasesProps {
  readonly kit: Kit;
  readonly house: ReadonlyMap<string, InHouse>;
  readonly refused: string | undefined;
  readonly list: (wanted: readonly { readonly typed: string; readonly count: number }[]) => void;
}

/** What has to be had for a kit: the same part once, what lies in the house of it, and what is still to be listed. */
export function Purchases({ kit, house, refused, list }: PurchasesProps) {
  const missing = kit.purchases.flatMap(({ typed, count }) => {
    const open = count - (house.get(typed)?.listed ?? 0);
    return open > 0 ? [{ typed, count: open }] : [];
  });
  const unread = kit.places.filter(({ part }) => !part);
  return (
    <section aria-label="What it takes" className={styles.purchases}>
      <h2 className="label">What it takes · {kit.purchases.length}</h2>
      {refused !== undefined && (
        <p role="alert" className="bad">
          {refused}
        </p>
      )}
      <ol className={styles.rows}>
        {kit.purchases.map(({ typed, note, count, refs }) => {
          const { shelf = 0, donors = 0, listed = 0 } = house.get(typed) ?? {};
          return (
            <li key={typed + note} data-purchase={typed}>
              <b className={`figure ${styles.count}`}>{count}</b>
              <span className={styles.part}>
                <span className="figure">{typed}</span>
                <small>
                  {refs.join(', ')}
                  {note !== '' && ` · ${note}`}
                </small>
                <small>
                  needed {count} · <b className={shelf >= count ? styles.good : undefined}>shelf {shelf}</b> · donors{' '}
                  {donors}
                  {listed > 0 && ` · ${listed} on the parts list`}
                </small>
              </span>
              {listed < count && (
                <button type="button" className="press" onClick={() => list([{ typed, count: count - listed }])}>
                  List {count - listed}
                </button>
              )}
            </li>
          );
        })}
      </ol>
      {missing.length > 1 && (
        <button type="button" className="press" style={{ justifySelf: 'start' }} onClick={() => list(missing)}>
          List all {missing.length}
        </button>
      )}
      {unread.length > 0 && (
        <p className="soft">
          Bought by what is printed on them: {unread.map(({ ref, value }) => `${ref} ${value}`.trim()).join(', ')}.
        </p>
      )}
    </section>
  );
}
