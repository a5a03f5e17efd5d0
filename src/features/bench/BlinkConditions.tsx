import { type BlinkCondition } from '@/core/behaviour';
import styles from './bench.module.css';

const words = { dead: 'missing', low: 'low', good: 'right', high: 'high' } as const;

/** The conditions behind a code: all of them have to be caught at start. */
export function BlinkConditions({ conditions }: { conditions: readonly BlinkCondition[] }) {
  if (conditions.length === 0) return null;
  return (
    <ul className={styles.conditions} data-testid="blink-conditions">
      {conditions.map(({ title, after, nets }) => (
        <li key={title}>
          <b>{title}</b>, within {after} s:{' '}
          {nets.map((net) => `${net.title} ${net.levels.map((level) => words[level]).join(' or ')}`).join('; ')}
        </li>
      ))}
    </ul>
  );
}
