import { sureBands } from '@/core/practice';
import { chanceText, useDraft } from '@/ui';
import styles from './practice.module.css';
import { readSuspicions } from './sureness';

/** How sure one was over all hunts of this browser, against how often that was right. */
export function Sureness() {
  const { draft } = useDraft('suspicions');
  const all = readSuspicions(draft);
  const bands = sureBands(all);
  if (bands.length === 0) return null;
  return (
    <>
      <h2 className={`label ${styles.sureTitle}`}>How sure, and how often right · {all.length} suspicions in hunts</h2>
      <table className={styles.sure} data-testid="sureness">
        <thead>
          <tr>
            <th scope="col">Sure by</th>
            <th scope="col">Times</th>
            <th scope="col">Right</th>
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {bands.map(({ from, sure, count, right, off }) => (
            <tr key={from}>
              <td className="figure">{chanceText(sure)}</td>
              <td className="figure">{count}</td>
              <td className="figure">{chanceText(right)}</td>
              <td>{off ?? 'as sure as right'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
