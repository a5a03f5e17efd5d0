import { minutesText, VerdictMark } from '@/ui';
import { type HuntRow } from './huntView';
import styles from './hunt.module.css';

/** What was done and what came of it, the newest first. */
export function HuntRecord({ rows }: { readonly rows: readonly HuntRow[] }) {
  return (
    <ol className={styles.record} data-count={rows.length}>
      {rows
        .map((row, place) => ({ ...row, place }))
        .reverse()
        .map(({ place, title, value, mark, words, expected, minutes, consequences }) => (
          <li key={place} data-wrong={consequences.length > 0 || undefined}>
            <span className={styles.mark}>{mark && <VerdictMark mark={mark} />}</span>
            <span>
              <b>{title}</b>
              {mark !== undefined && mark !== 'within' && <small> · {words}</small>}
              {mark === 'within' && value === '' && <small> · {words}</small>}
            </span>
            <span className={`figure ${styles.value}`}>{value}</span>
            <span className={`figure ${styles.aside}`}>{expected.replace(/ ±.*/, '')}</span>
            <span className={`figure ${styles.aside}`}>{minutes >= 0.5 ? minutesText(minutes) : ''}</span>
            {consequences.map(({ kind, words: said, minutes: cost }) => (
              <span key={kind} className={styles.consequence}>
                {said} {cost >= 0.5 && <b>{minutesText(cost)} lost.</b>}
              </span>
            ))}
          </li>
        ))}
    </ol>
  );
}
