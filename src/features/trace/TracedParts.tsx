import { type TracedPart } from '@/core/tracing';
import styles from './trace.module.css';

interface TracedPartsProps {
  readonly parts: readonly TracedPart[];
  /** Asks to be shown where a part lies; nothing where no board is laid out. */
  readonly onShow: ((part: TracedPart) => void) | undefined;
}

/** The parts that were typed; on a board each is a key to place it anew. */
export function TracedParts({ parts, onShow }: TracedPartsProps) {
  return (
    <ul className={styles.parts} aria-label="Parts">
      {parts.map((part) => (
        <li key={part.ref}>
          {onShow ? (
            <button type="button" title={`Show where ${part.ref} lies`} onClick={() => onShow(part)}>
              <b className="figure">{part.ref}</b>
            </button>
          ) : (
            <b className="figure">{part.ref}</b>
          )}{' '}
          <small>{part.kind}</small>
        </li>
      ))}
    </ul>
  );
}
