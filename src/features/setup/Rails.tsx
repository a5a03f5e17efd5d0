import { formatQuantity } from '@/core/quantity';
import { type railsWalk } from '@/core/setup';
import { VerdictMark } from '@/ui';
import styles from './setup.module.css';
import { markOfRail, offWords, watchWords } from './setupModel';

type Walk = ReturnType<typeof railsWalk>;

/** Every rail as it reads and as it is to read, and what the turns have shown. */
export function Rails({ walk, asked }: { walk: Walk; asked: string | undefined }) {
  return (
    <section aria-label="Rails" className={styles.rails}>
      <h2 className="label">Rails, in the maker’s order</h2>
      <ol data-testid="rails">
        {walk.rows.map((row) => (
          <li key={row.id} data-asked={row.id === asked ? '' : undefined}>
            <VerdictMark mark={markOfRail(row)} />
            <b>{row.step.title}</b>
            <span className="figure">{row.reads === undefined ? 'not read' : formatQuantity(row.reads, 'V', 4)}</span>
            <span className="soft">{offWords(row)}</span>
            <small>
              {row.control}
              {row.first !== undefined && row.first !== row.reads && ` · ${formatQuantity(row.first, 'V', 4)} before`}
              {row.watched?.read && ` · ${row.watched.title}: ${watchWords(row.watched)}`}
            </small>
          </li>
        ))}
      </ol>
      <Learnt walk={walk} />
    </section>
  );
}

/** What the turns so far have shown that each control does to the other rails. */
function Learnt({ walk: { advice, rows } }: { walk: Walk }) {
  const known = (advice?.learnt ?? []).flatMap(({ control, couples }) =>
    couples.flatMap(({ rail, mean, spread }) =>
      Math.abs(mean) > 3 * spread && Math.abs(mean) > 0.01 ? [{ control, rail, mean }] : [],
    ),
  );
  if (known.length === 0) return null;
  const titled = (id: string) => rows.find((row) => row.id === id)?.step.title ?? id;
  const own = (control: string) => rows.find((row) => row.control === control)?.step.title ?? control;
  return (
    <>
      <h2 className="label">Learnt from the turns</h2>
      <ul className={styles.learnt}>
        {known.map(({ control, rail, mean }) => (
          <li key={control + rail}>
            <b>{control}</b>: a volt of {own(control)} {mean > 0 ? 'raises' : 'lowers'} {titled(rail)} by{' '}
            <span className="figure">{Math.abs(mean).toFixed(2)} V</span>
          </li>
        ))}
      </ul>
    </>
  );
}
