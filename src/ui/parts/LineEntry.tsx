import { type Ref, useImperativeHandle, useRef } from 'react';
import { useTypedEarly } from '../useTypedEarly';
import styles from './parts.module.css';

interface LineEntryProps {
  /** What it is called; not shown. */
  readonly label: string;
  readonly value: string;
  readonly placeholder: string;
  readonly maxLength: number;
  readonly autoFocus?: boolean;
  readonly ref?: Ref<HTMLInputElement>;
  /** What is wrong with what was typed, and what would be right. */
  readonly message?: string | undefined;
  onType(text: string): void;
  onEnter(): void;
}

/** One line in large letters, taken with Enter. */
export function LineEntry({ label, message, onType, onEnter, ref, ...input }: LineEntryProps) {
  const own = useRef<HTMLInputElement>(null);
  useImperativeHandle(ref, () => own.current!);
  useTypedEarly(own, input.value, onType);
  return (
    <>
      <input
        {...input}
        ref={own}
        className={`figure ${styles.lineEntry}`}
        autoComplete="off"
        spellCheck={false}
        aria-label={label}
        onChange={(event) => onType(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && onEnter()}
      />
      {message !== undefined && (
        <p role="alert" className="bad">
          {message}
        </p>
      )}
    </>
  );
}
