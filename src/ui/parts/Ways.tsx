import { type ReactNode } from 'react';
import styles from './parts.module.css';

interface WaysProps<Way extends string> {
  /** What there is to choose from, by id. */
  readonly ways: Readonly<Record<NoInfer<Way>, string>>;
  readonly chosen: Way;
  onChoose(way: NoInfer<Way>): void;
  /** What stands beside them. */
  readonly children?: ReactNode;
}

/** Ways to do the same thing, one of which is pressed. */
export function Ways<Way extends string>({ ways, chosen, onChoose, children }: WaysProps<Way>) {
  return (
    <p className={styles.ways}>
      {(Object.entries(ways) as [Way, string][]).map(([way, title]) => (
        <button key={way} type="button" className="press" aria-pressed={way === chosen} onClick={() => onChoose(way)}>
          {title}
        </button>
      ))}
      {children}
    </p>
  );
}
