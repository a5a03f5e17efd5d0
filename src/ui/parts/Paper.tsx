import { type ReactNode } from 'react';
import styles from './paper.module.css';

interface PaperProps {
  readonly label: string;
  /** What stands at the head, left and right. */
  readonly head: string;
  readonly date: string;
  /** What stands at the foot. */
  readonly foot: ReactNode;
  readonly children: ReactNode;
}

/** A page that is printed and given away: paper, whatever the theme. */
export function Paper({ label, head, date, foot, children }: PaperProps) {
  return (
    <article className={styles.paper} aria-label={label}>
      <header>
        <b>{head}</b>
        <span>{date}</span>
      </header>
      {children}
      <footer>{foot}</footer>
    </article>
  );
}
