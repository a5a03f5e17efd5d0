import { type Answered } from '@/workshop/answer';
import { takeFromHouse, verdictWords } from '@/workshop/parts';
import { type GivenLine } from './sourcedView';
import styles from './whereFrom.module.css';

interface InHouseProps {
  readonly given: readonly GivenLine[];
  readonly busy: boolean;
  readonly act: (work: () => Promise<Answered>) => void;
}

/** What lies on the shelf or sits in a donor, to be taken for the sets that want it. */
export function InHouse({ given, busy, act }: InHouseProps) {
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
