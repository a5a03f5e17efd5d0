import { type PartNotes } from '@/core/sheet';
import styles from './repair.module.css';

/** What the sheet says of fitting the part: what to take, and where its print or its habits mislead. */
export function Fitting({ notes: { kit, quirks } }: { readonly notes: PartNotes }) {
  if (kit.length === 0 && quirks.length === 0) return null;
  return (
    <ul className={styles.fitting} aria-label="Fitting it">
      {kit.map(({ refs, value, note }) => (
        <li key={refs.join()}>
          {refs.join(', ')}: <b>{value}</b>
          {note !== '' && `, ${note}`}
        </li>
      ))}
      {quirks.map(({ title, note }) => (
        <li key={title} className="caution">
          <b>{title}.</b> {note}
        </li>
      ))}
    </ul>
  );
}
