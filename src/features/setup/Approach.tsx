import { type RailApproach } from '@/core/setup';
import { approachWords } from './setupModel';
import styles from './setup.module.css';

const percent = (share: number) => `${(100 * share).toFixed(1)}%`;

/** How far the figure of the meter is from where the control is let go: to be seen from the corner of an eye. */
export function Approach({ approach }: { approach: RailApproach }) {
  const { there, past, at, near, limit } = approach;
  return (
    <div className={styles.approach} data-there={there || undefined} data-past={past || undefined}>
      <b role="status">{approachWords(approach)}</b>
      <div className={styles.track} aria-hidden>
        <i className={styles.near} style={{ left: percent(0.5 - near), width: percent(2 * near) }} />
        {limit !== undefined && <i className={styles.limit} style={{ left: percent(limit) }} />}
        <i className={styles.needle} style={{ left: percent(at) }} />
      </div>
    </div>
  );
}
