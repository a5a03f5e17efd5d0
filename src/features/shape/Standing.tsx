import { type ShapeWalk } from '@/core/setup';
import { errorsOf, nextTurn } from './shapeModel';
import styles from './shape.module.css';

interface StandingProps {
  readonly walk: ShapeWalk;
  readonly onTurned: (turned: { control: string; end: boolean; absent?: boolean }) => void;
}

/** How the picture stands by the record: what to turn next, and what it was and is. */
export function Standing({ walk, onTurned }: StandingProps) {
  const { first, latest, colours, open } = walk;
  const advice = nextTurn(walk);
  if (!first || !latest || !advice)
    return (
      <p className={styles.none}>
        Nothing measured yet. B+ and high voltage come first, then size, centring, linearity, and the corners last.
      </p>
    );
  const { next, best, beyond, trouble } = advice;
  return (
    <>
      {open.length > 0 ? (
        <p className={styles.off}>
          Turned: <b>{open.join(', ')}</b>. A photograph shows what it did.
        </p>
      ) : next ? (
        <div className={styles.next} data-testid="turn">
          <span className="label">Turn next</span>
          <h1>{next.control}</h1>
          <p className={styles.way}>
            {next.way}, by <b className="figure">{Math.abs(next.aim - next.now).toFixed(1)} %</b> of the width
          </p>
          <p className="caution">
            The set is on for this: insulated tool, one hand, a mirror before the screen; never raise the high voltage
            for width.
          </p>
          <p className={styles.take}>
            <button
              type="button"
              className="press main"
              onClick={() => onTurned({ control: next.control, end: false })}
            >
              Turned
            </button>
            <button type="button" className="press" onClick={() => onTurned({ control: next.control, end: true })}>
              It is at its end
            </button>
            <button
              type="button"
              className="press"
              onClick={() => onTurned({ control: next.control, end: false, absent: true })}
            >
              This chassis has none
            </button>
          </p>
        </div>
      ) : (
        <div>
          <h2 className="label">As good as this tube allows</h2>
          <p className={styles.off}>
            <b className="figure">{latest.off.toFixed(1)} %</b> off,{' '}
            <b className="figure">{latest.furthest.toFixed(1)} %</b> at worst
          </p>
        </div>
      )}
      {trouble.map(({ control, words }) => (
        <p key={control} className="bad">
          ▲ {control}: {words}
        </p>
      ))}
      {next && (
        <p className="soft">
          {latest.off.toFixed(1)} % off now, {best.toFixed(1)} % when all controls are at their best
          {beyond.length > 0 && '; the rest no control reaches'}.
        </p>
      )}
      <h2 className="label">Before and now, in percent of the width</h2>
      <ul className={styles.errors} data-testid="before-now">
        {errorsOf(first, latest).map(({ id, title, before, percent, words }) => (
          <li key={id}>
            <b>{title}</b>
            <span>{words}</span>
            <span className="figure">
              {before === undefined || latest === first ? '' : `${before.toFixed(1)} → `}
              {percent.toFixed(1)}
            </span>
          </li>
        ))}
        {colours[1] !== undefined && (
          <li>
            <b>Colours</b>
            <span>at worst, in millimetres</span>
            <span className="figure">
              {colours[0] === undefined || latest === first ? '' : `${colours[0].toFixed(1)} → `}
              {colours[1].toFixed(1)}
            </span>
          </li>
        )}
      </ul>
    </>
  );
}
