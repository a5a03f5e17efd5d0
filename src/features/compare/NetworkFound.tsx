import { type Compared, type Comparison } from '@/core/compare';
import { formatQuantity } from '@/core/quantity';
import { VerdictMark } from '@/ui';
import { ComparedTable } from './ComparedTable';
import { leavesAt, ratioText } from './compareModel';
import styles from './compare.module.css';

const most = 6;

/** Repetitions side by side: the values that leave their row, the furthest away first. */
export function NetworkFound({ network, comparison, channels }: Extract<Compared, { kind: 'network' }>) {
  const { rows, cells, unit } = network;
  const { odd } = comparison;
  const oddAt = new Set(odd.map(({ row, cell }) => `${row} ${cell}`));
  return (
    <>
      {channels && <Channel channels={channels} />}
      <ul className={styles.odd} data-testid="odd-cells">
        {odd.length === 0 && (
          <li>
            <VerdictMark mark="within" /> Every value keeps to its row.
          </li>
        )}
        {odd.slice(0, most).map(({ row, cell, value, usual, away }) => (
          <li key={`${row} ${cell}`}>
            <VerdictMark mark={value > usual ? 'high' : 'low'} />
            <span>
              <b>
                {rows[row]}, {cells[cell]}
              </b>{' '}
              reads <b className="figure">{formatQuantity(value, unit, 3)}</b>, its row{' '}
              <b className="figure">{formatQuantity(usual, unit, 3)}</b>
              {value > 0 && Number.isFinite(value) && ` (${ratioText(value / usual)})`}: {Math.round(away)} spreads away
            </span>
          </li>
        ))}
        {odd.length > most && <li className="soft">and {odd.length - most} more, marked below</li>}
      </ul>
      <ComparedTable network={network} isOdd={(row, cell) => oddAt.has(`${row} ${cell}`)} usual={comparison.usual} />
    </>
  );
}

/** Which of three channels leaves the others, and between which rows. */
function Channel({ channels }: { channels: Comparison }) {
  const { oddColumn, columns, between } = channels;
  const where = leavesAt(channels);
  if (oddColumn === undefined || !where) return null;
  return (
    <p className={styles.channel} data-testid="channel">
      <VerdictMark mark="odd" />{' '}
      <span>
        <b>{columns[oddColumn]}</b> leaves the others at <b>{where.odd}</b>
        {where.agrees !== undefined && (
          <>
            , and keeps to them at <b>{where.agrees}</b>
          </>
        )}
        .{' '}
        {between.length > 0 ? (
          <>
            Between stands <b>{between.join(', ')}</b>.
          </>
        ) : where.agrees === undefined ? (
          'Measure the next row towards the signal.'
        ) : (
          'Look at what stands between.'
        )}
      </span>
    </p>
  );
}
