import { standingOf } from '@/core/circuit';
import { type StageReading } from '@/core/inside';
import { formatQuantity } from '@/core/quantity';
import { VerdictMark } from '@/ui';
import styles from './stage.module.css';

interface StageReadingsProps {
  readonly readings: readonly StageReading[];
  /** Volts that each node should have, by node. */
  readonly expected: ReadonlyMap<string, number> | undefined;
}

/** What was read at the nodes of a stage beside what should be there, the latest first. */
export function StageReadings({ readings, expected }: StageReadingsProps) {
  return (
    <ul className={styles.readings} aria-label="Readings">
      {[...readings].reverse().map((one) => (
        <ReadingRow key={`${one.node} ${one.measure}`} reading={one} expected={expected?.get(one.node) ?? 0} />
      ))}
    </ul>
  );
}

function ReadingRow({ reading: { node, measure, volts }, expected }: { reading: StageReading; expected: number }) {
  return (
    <li>
      {measure === 'volts' ? <VerdictMark mark={standingOf(volts, expected)} /> : <span aria-hidden>∿</span>}
      <b>{node}</b>
      <span className="figure">{formatQuantity(volts, 'V', 4)}</span>
      <span className="figure soft">{measure === 'ripple' ? 'ripple' : formatQuantity(expected, 'V', 4)}</span>
    </li>
  );
}
