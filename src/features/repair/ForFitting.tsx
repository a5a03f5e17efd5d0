import Link from 'next/link';
import { useEffect, useState } from 'react';
import { type Answered } from '@/workshop/answer';
import { askShelf, type ShelfRow, takeFromHouse, verdictWords, wantPart } from '@/workshop/parts';
import styles from './repair.module.css';

interface ForFittingProps {
  readonly typed: string;
  readonly count: number;
  readonly job: string;
}

/** What is to be fitted: taken from the shelf where enough of something there would do, else written down as wanted. */
export function ForFitting({ typed, count, job }: ForFittingProps) {
  const [row, setRow] = useState<ShelfRow | null>();
  const [said, setSaid] = useState<string>();
  useEffect(() => {
    let asked = true;
    void askShelf(`for ${typed}`).then(({ rows }) => {
      if (asked) setRow(rows.find((one) => one.verdict !== 'no' && one.count >= count) ?? null);
    });
    return () => {
      asked = false;
    };
  }, [typed, count]);

  const get = async (from: ShelfRow | undefined) => {
    const need = crypto.randomUUID();
    const steps: (() => Promise<Answered>)[] = [
      () => wantPart({ id: need, job, typed: `${typed} x${count}` }),
      ...(from ? [() => takeFromHouse({ id: crypto.randomUUID(), need, part: from.id, from: 'shelf' })] : []),
    ];
    for (const step of steps) {
      const answer = await step();
      if ('refused' in answer) return setSaid(answer.refused);
    }
    return setSaid(from ? `Taken from ${from.drawer === '' ? 'the shelf' : from.drawer}.` : 'Written down as wanted.');
  };

  return (
    <div className={styles.fitting} aria-label="Part to be fitted" role="group">
      <b className="figure">
        {count > 1 && `${count} × `}
        {typed}
      </b>
      {row && (
        <small>
          {verdictWords[row.verdict!]} on the shelf: {row.count} × <span className="figure">{row.typed}</span>
          {row.reason !== '' && ` · ${row.reason}`}
        </small>
      )}
      {row === null && <small>not enough on the shelf that would do</small>}
      {said === undefined ? (
        <span className={styles.get}>
          {row && (
            <button type="button" onClick={() => void get(row)}>
              Take {count} from {row.drawer === '' ? 'the shelf' : row.drawer}
            </button>
          )}
          <button type="button" onClick={() => void get(undefined)}>
            Want it
          </button>
        </span>
      ) : (
        <small role="status">
          {said} <Link href="/parts">Parts</Link>
        </small>
      )}
    </div>
  );
}
