import { useTransition } from 'react';
import { pinSet } from './actions';
import styles from './queue.module.css';

/** Puts a set first by hand, or back to where its worth puts it. */
export function PinButton({ id, title, pinned }: { id: string; title: string; pinned: boolean }) {
  const [sending, send] = useTransition();
  return (
    <button
      type="button"
      className={styles.pin}
      aria-pressed={pinned}
      aria-label={`${title}: first by hand`}
      title={pinned ? 'First by hand: back to where its worth puts it' : 'Put it first by hand'}
      disabled={sending}
      onClick={() => send(async () => void (await pinSet(id, !pinned)))}
    >
      <svg viewBox="0 0 20 20" aria-hidden>
        <path d="M3 5H17M10 17V8M6 12L10 8L14 12" />
      </svg>
    </button>
  );
}
