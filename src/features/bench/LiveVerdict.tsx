import { type Interpreted } from '@/core/entry';
import { markColours, VerdictMark } from '@/ui';
import styles from './bench.module.css';

/** What is typed comes to, beside the entry, before it is recorded. */
export function LiveVerdict({ interpreted }: { interpreted: Interpreted }) {
  if (interpreted.kind === 'sheet') return <span className={styles.verdict}>{interpreted.said}</span>;
  if (interpreted.kind !== 'line') return null;
  const { reading, said } = interpreted;
  if (!reading) return <span className={styles.verdict}>{said}</span>;
  const { verdict, check } = reading;
  return (
    <span className={styles.verdict} style={{ color: markColours[verdict.mark] }}>
      <span>
        <VerdictMark mark={verdict.mark} /> {verdict.words}
      </span>
      <small>
        {said} · {check.title}
      </small>
    </span>
  );
}
