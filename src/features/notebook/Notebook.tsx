import Link from 'next/link';
import { type FoundNotes } from '@/store';
import { dateText, EmptyState, minutesText, moneyText } from '@/ui';
import styles from './notebook.module.css';
import { SearchBox } from './SearchBox';

interface NotebookProps extends FoundNotes {
  readonly typed: string;
  readonly currency: string;
}

/** All that closed jobs taught, searched by any word of them. */
export function Notebook({ notes, instead, typed, currency }: NotebookProps) {
  return (
    <div className={styles.page}>
      <div className={styles.top}>
        <h1>Notebook</h1>
        <div className={styles.search}>
          <SearchBox initial={typed} />
        </div>
        <span className="soft" role="status">
          {notes.length} {notes.length === 1 ? 'note' : 'notes'}
          {instead !== undefined && ` for “${instead}”: nothing holds “${typed}”`}
        </span>
        <Link href="/notebook/old" className="press">
          Old notes in
        </Link>
      </div>
      {notes.length === 0 ? (
        <EmptyState title={typed === '' ? 'The notebook is empty' : `Nothing holds "${typed}"`}>
          <p>
            {typed === ''
              ? 'Every closed job leaves a note here, and the next such set starts from it.'
              : 'Every word must occur in the note. Try fewer, or the beginning of one.'}
          </p>
        </EmptyState>
      ) : (
        <ul className={styles.notes} data-testid="notes">
          {notes.map((note) => (
            <li key={note.job}>
              <Link href={`/notebook/${note.job}`} prefetch={false}>
                <span className={styles.head}>
                  <b>{note.cause}</b>
                  <small>
                    {note.chassis} · {dateText(note.closedAt)}
                  </small>
                </span>
                <span className={styles.symptom}>{note.symptom}</span>
                <span className={styles.proof}>{note.proof}</span>
                <span className={`figure ${styles.cost}`}>
                  {moneyText(note.money, currency)}
                  <small>{minutesText(note.minutes)}</small>
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
