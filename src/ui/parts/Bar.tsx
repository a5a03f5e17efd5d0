import styles from './parts.module.css';

/** A share from 0 to 1 as a bar. The figure beside it says the same, so it is hidden from readers. */
export function Bar({ share, tone = 'copper' }: { share: number; tone?: 'copper' | 'petrol' }) {
  return (
    <span className={`${styles.bar} ${tone === 'petrol' ? styles.petrol : ''}`} aria-hidden>
      <i style={{ width: `${Math.max(0, Math.min(1, share)) * 100}%` }} />
    </span>
  );
}
