import { type ReactNode } from 'react';
import styles from './parts.module.css';

/** What to do where there is nothing yet. */
export function EmptyState({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className={styles.empty}>
      <strong>{title}</strong>
      {children}
    </div>
  );
}
