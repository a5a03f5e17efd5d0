import { cellText, type Compared } from '@/core/compare';
import { VerdictMark } from '@/ui';
import { ComparedTable } from './ComparedTable';
import { markOfOdd, ratioText } from './compareModel';
import styles from './compare.module.css';

/** Two sides pin by pin: what is shorted, open, or away from what all the others say. */
export function PinsFound({ network, pins }: Extract<Compared, { kind: 'pins' }>) {
  const { rows, cells, values, unit } = network;
  const { odd, shortedOnBoth, usualRatio } = pins;
  const sideOf = new Map(odd.map(({ row, side }) => [row, side]));
  return (
    <>
      <ul className={styles.odd} data-testid="odd-pins">
        {odd.length === 0 && (
          <li>
            <VerdictMark mark="within" /> Both sides say the same.
          </li>
        )}
        {odd.slice(0, 8).map(({ row, kind, side, away }) => (
          <li key={row}>
            <VerdictMark mark={markOfOdd[kind]} />
            <span>
              <b>{rows[row]}</b> {kind} on the {cells[side]} side:{' '}
              <b className="figure">{cellText(values[row]![side]!, unit)}</b> against{' '}
              <b className="figure">{cellText(values[row]![1 - side]!, unit)}</b>
              {Number.isFinite(away) &&
                ` (${ratioText(values[row]![1]! / values[row]![0]!)}; the others ${ratioText(usualRatio)}): ${Math.round(away)} spreads away`}
            </span>
          </li>
        ))}
        {shortedOnBoth.length > 0 && (
          <li className="soft">Shorted on both sides: {shortedOnBoth.map((row) => rows[row]).join(', ')}</li>
        )}
      </ul>
      <ComparedTable network={network} isOdd={(row, side) => sideOf.get(row) === side} />
    </>
  );
}
