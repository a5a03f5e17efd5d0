import { type crosshatchSaid, wantedOf } from '@/core/setup';
import { ScreenView } from './ScreenView';
import styles from './shape.module.css';
import { type Photo } from './shapeModel';

interface MeasuredProps {
  readonly said: ReturnType<typeof crosshatchSaid>;
  readonly pattern: Photo['pattern'];
  /** Height of the screen to its width. */
  readonly aspect: number;
}

/** So many things to move are named: what comes after them is better read off another photograph. */
const shownMoves = 8;

/** What a photograph shows: how far the picture is off, by which errors, and how far its colours lie apart. */
export function Measured({ said, pattern, aspect }: MeasuredProps) {
  return (
    <>
      <p className={styles.off}>
        <b className="figure">{said.shape.off.toFixed(1)} %</b> of the width off,{' '}
        <b className="figure">{said.shape.furthest.toFixed(1)} %</b> at worst
      </p>
      <ScreenView said={said} wanted={wantedOf(pattern.across, pattern.down, aspect)} aspect={aspect} />
      <ul className={styles.errors}>
        {said.errors.slice(0, 6).map(({ id, title, percent, words }) => (
          <li key={id}>
            <b>{title}</b>
            <span>{words}</span>
            <span className="figure">{Math.abs(percent).toFixed(1)} %</span>
          </li>
        ))}
      </ul>
      {said.convergence && (
        <>
          <h2 className="label">
            Colours: {said.convergence.worst.millimetres.toFixed(1)} mm apart at worst
            {said.convergence.remaining !== undefined &&
              `, ${said.convergence.remaining.toFixed(1)} mm when all below is done`}
          </h2>
          <ul className={styles.moves}>
            {said.convergence.moves.slice(0, shownMoves).map(({ part, words }) => (
              <li key={part + words}>
                <b>{part}</b>: {words}
              </li>
            ))}
          </ul>
          {said.convergence.moves.length > shownMoves && (
            <p className="soft">
              {said.convergence.moves.length - shownMoves} more after these: photograph it again then.
            </p>
          )}
        </>
      )}
    </>
  );
}
