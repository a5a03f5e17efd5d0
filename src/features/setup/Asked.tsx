import { formatQuantity } from '@/core/quantity';
import { type RailRow, type WalkAsks } from '@/core/setup';
import { markOfRail, turnSaid, watchWords } from './setupModel';
import styles from './setup.module.css';

/** What its label says, or such sets have, and how far it may be taken at most. */
function targetWords({ unread, target, limit }: RailRow): string {
  const most = limit === undefined ? '' : `, never above ${formatQuantity(limit, 'V', 4)}`;
  return `${unread ? 'usually' : 'label'} ${formatQuantity(target, 'V', 4)}${most}`;
}

/** What to turn and until what it reads, or where to read. */
export function Asked({ asks }: { asks: Exclude<WalkAsks, { do: 'done' }> }) {
  const label = targetWords(asks.row);
  if (asks.do === 'read')
    return (
      <>
        <h1>Read {asks.row.step.title}</h1>
        <p className={styles.aim}>
          <small>{[asks.row.check.point?.where, label].filter(Boolean).join(' · ')}</small>
        </p>
      </>
    );
  if (asks.do === 'watch')
    return (
      <>
        <h1>Read {asks.watched.title}</h1>
        <p className={styles.aim}>
          it follows {asks.row.step.title}: {watchWords(asks.watched)}
          <small>{asks.watched.check.point?.where}</small>
        </p>
        <p className="caution">
          Long probe, its ground clipped on before the set is on, one hand; nobody else near the tube. X-rays rise with
          it.
        </p>
      </>
    );
  const { control, aim, now, limited } = asks.move;
  const turn = turnSaid(asks);
  return (
    <>
      <h1>
        Turn {control}
        {turn !== undefined && <span className={styles.way}> {turn}</span>}
      </h1>
      <p className={styles.aim}>
        until {asks.row.step.title} reads <b className="figure">{formatQuantity(aim, 'V', 4)}</b>
        <small>
          now {formatQuantity(now, 'V', 4)}, {label}
          {limited && ' · not further yet: a limit is near'}
        </small>
      </p>
    </>
  );
}

/** What it came to. */
export function Done({ rows, touches }: { rows: readonly RailRow[]; touches: number }) {
  const all = rows.every((row) => markOfRail(row) === 'within');
  return (
    <>
      <h1>{all ? 'All rails are within' : 'No control brings the rest there'}</h1>
      <p>
        {touches === 0 ? 'Nothing had to be turned.' : `${touches} ${touches === 1 ? 'touch' : 'touches'} in all.`} Read
        them once more when the set has been warm for ten minutes.
      </p>
    </>
  );
}
