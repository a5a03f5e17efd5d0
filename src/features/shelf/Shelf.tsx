'use client';

import Link from 'next/link';
import { useHotkeys } from 'react-hotkeys-hook';
import { EmptyState, Key, LineEntry } from '@/ui';
import { type Found, type ShelfRow, verdictWords } from '@/workshop/parts';
import { ListFile } from './ListFile';
import { SideBySide } from './SideBySide';
import { askedIn } from './shelfModel';
import styles from './shelf.module.css';
import { useShelf } from './useShelf';

interface ShelfProps {
  readonly typed: string;
  readonly found: Found;
  readonly size: { readonly kinds: number; readonly pieces: number };
}

/** What lies in the drawers: found as it is typed, taken and put by a key. */
export function Shelf({ size, ...initial }: ShelfProps) {
  const shelf = useShelf(initial);
  const { rows, refused } = shelf.found;
  useHotkeys('alt+z', () => void shelf.undo(), { enableOnFormTags: true, preventDefault: true });
  useHotkeys(
    'down',
    () => shelf.choose(Math.min(shelf.chosen + 1, rows.length - 1)),
    { enableOnFormTags: true, preventDefault: true },
    [shelf, rows],
  );
  useHotkeys(
    'up',
    () => shelf.choose(Math.max(shelf.chosen - 1, 0)),
    { enableOnFormTags: true, preventDefault: true },
    [shelf],
  );
  const asked = askedIn(shelf.typed);
  // The one that is chosen, and the best of the others.
  const compared = [rows[shelf.chosen], rows.find((_, at) => at !== shelf.chosen)].filter(
    (row) => row !== undefined && row.verdict !== undefined,
  ) as ShelfRow[];
  return (
    <div className={styles.page}>
      <section aria-label="The shelf" className={styles.shelf}>
        <div className={styles.top}>
          <h1>Shelf</h1>
          <span className="soft" role="status">
            {size.kinds} {size.kinds === 1 ? 'kind' : 'kinds'} · {size.pieces} pieces
          </span>
          {rows.length > 0 && (
            <Link href={`/shelf/labels?q=${encodeURIComponent(shelf.typed)}`} className={styles.labels}>
              Labels for these
            </Link>
          )}
        </div>
        <LineEntry
          label="Look for a part, put one, or ask what would do"
          placeholder="680u 50V"
          maxLength={300}
          autoFocus
          value={shelf.typed}
          message={shelf.message}
          onType={shelf.type}
          onEnter={() => void shelf.enter()}
        />
        {rows.length > 0 ? (
          <ol className={styles.rows} data-testid="stock">
            {rows.map((row, at) => (
              <Row
                key={row.id}
                row={row}
                chosen={at === shelf.chosen}
                choose={() => shelf.choose(at)}
                move={(delta) => void shelf.move(row, delta)}
              />
            ))}
          </ol>
        ) : (
          <Nothing typed={shelf.typed} refused={refused} empty={size.kinds === 0} />
        )}
        {asked && compared.length > 0 && <SideBySide asked={asked} rows={compared} />}
      </section>
      <aside className={styles.side}>
        <section aria-label="What can be typed">
          <h2 className="label">What can be typed</h2>
          <dl className={styles.forms}>
            <dt className="figure">1500V damper</dt>
            <dd>a value, a rating or more, a word, a drawer</dd>
            <dt className="figure">680u 50V -4</dt>
            <dd>takes four of the row that is chosen; +4 puts four</dd>
            <dt className="figure">B3 =7</dt>
            <dd>seven of the row that is chosen were counted; the next row is chosen</dd>
            <dt className="figure">put C 680u 50V 105 lowesr x4 in B3</dt>
            <dd>puts four into drawer B3</dd>
            <dt className="figure">for C 680u 50V 105 at 24 V</dt>
            <dd>what would do there, the nearest first, and why the next best would not</dd>
          </dl>
        </section>
        <section aria-label="Just done">
          <h2 className="label">Just done</h2>
          {shelf.done.length === 0 ? (
            <p className="soft">What is taken or put stands here, and can be taken back.</p>
          ) : (
            <ol className={styles.done}>
              {shelf.done.map(({ move, said }, at) => (
                <li key={move}>
                  <span>{said}</span>
                  {at === 0 && (
                    <button type="button" className={styles.undo} onClick={() => void shelf.undo()}>
                      Take back <Key>Alt Z</Key>
                    </button>
                  )}
                </li>
              ))}
            </ol>
          )}
        </section>
        <ListFile onPut={() => void shelf.again()} />
      </aside>
    </div>
  );
}

interface RowProps {
  readonly row: ShelfRow;
  readonly chosen: boolean;
  readonly choose: () => void;
  readonly move: (delta: number) => void;
}

function Row({ row, chosen, choose, move }: RowProps) {
  return (
    <li data-chosen={chosen || undefined} data-verdict={row.verdict} data-empty={row.count === 0 || undefined}>
      <button type="button" className={styles.pick} onClick={choose} aria-pressed={chosen}>
        <b className={`figure ${styles.count}`}>{row.count}</b>
        <span className={styles.part}>
          <span className="figure">{row.typed}</span>
          {row.reason !== '' && <small>{row.reason}</small>}
        </span>
        <span className={styles.verdict}>{row.verdict && verdictWords[row.verdict]}</span>
        <span className={styles.drawer}>{row.drawer}</span>
        <span className={`soft ${styles.origin}`}>{row.origin}</span>
      </button>
      <button
        type="button"
        className={styles.step}
        disabled={row.count === 0}
        onClick={() => move(-1)}
        aria-label={`Take one ${row.typed}`}
      >
        −
      </button>
      <button type="button" className={styles.step} onClick={() => move(1)} aria-label={`Put one ${row.typed}`}>
        +
      </button>
    </li>
  );
}

function Nothing({ typed, refused, empty }: { typed: string; refused: string | undefined; empty: boolean }) {
  if (/^put\s/i.test(typed)) return <p className="soft">{refused ?? 'Enter puts it on the shelf.'}</p>;
  if (refused !== undefined) return <p className="soft">{refused}</p>;
  if (empty && typed === '')
    return (
      <EmptyState title="The shelf is empty">
        <p>
          Put the first part in: <span className="figure">put C 680u 50V 105 lowesr x4 in B3</span>
        </p>
      </EmptyState>
    );
  return (
    <EmptyState title={`Nothing on the shelf ${/^for\s/i.test(typed) ? 'would do' : 'is like that'}`}>
      <p>Fewer figures find more. What is needed for a set is written down under Parts.</p>
    </EmptyState>
  );
}
