import { type StressStep } from '@/core/proof';
import { minutesText } from '@/ui';
import styles from './map.module.css';

interface StressStepsProps {
  readonly steps: readonly StressStep[];
  /** May they be ticked? */
  readonly running: boolean;
  onDone(title: string): void;
}

/** What the set is put through so that the fault has its chance to come. */
export function StressSteps({ steps, running, onDone }: StressStepsProps) {
  return (
    <ul className={styles.stress} data-testid="stress">
      {steps.map(({ id, title, how, why, minutes, done }) => (
        <li key={id} data-done={done || undefined}>
          <label>
            <input type="checkbox" checked={done} disabled={!running || done} onChange={() => onDone(title)} />{' '}
            <b>{title}</b> <span className="figure">{minutesText(minutes)}</span>
          </label>
          <small>
            {how}. Because {why}.
          </small>
        </li>
      ))}
    </ul>
  );
}
