import styles from './parts.module.css';

export function Key({ children }: { children: string }) {
  return <kbd className={styles.key}>{children}</kbd>;
}
