import { type Answered } from '@/workshop/answer';
import { takeFromHouse } from '@/workshop/parts';
import { takeOut } from './actions';
import styles from './donors.module.css';
import { conditionWords, demandWords, type PartRow } from './donorsModel';

interface DonorPartProps {
  readonly row: PartRow;
  readonly busy: boolean;
  readonly act: (work: () => Promise<Answered>) => void;
}

/** A part that sits in a donor: who wants it, and where it goes. */
export function DonorPart({ row, busy, act }: DonorPartProps) {
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
