import { useState } from 'react';
import { isRight, type TypedDrill } from '@/core/practice';
import { attempt, Refusal } from '@/core/quantity';
import { Key } from '@/ui';
import styles from './practice.module.css';

interface DrillTypedProps {
  readonly drill: TypedDrill;
  onAnswer(right: boolean): void;
}

/** What to type where the answer has a unit. */
const like: Partial<Record<TypedDrill['unit'], string>> = { Ω: 'in ohms, like 4k7', F: 'like 4n7 or 100n' };

/** An answer that is typed: what is no value is asked for again, and counts for nothing. */
export function DrillTyped({ drill, onAnswer }: DrillTypedProps) {
  const [text, setText] = useState('');
  const [judged, setJudged] = useState<boolean>();
  const [refused, setRefused] = useState<string>();
  const submit = () => {
    const right = attempt(() => isRight(drill, text));
    if (right instanceof Refusal) return setRefused(right.message);
    setRefused(undefined);
    setJudged(right);
    onAnswer(right);
  };
  return (
    <form
      className={styles.typed}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <input
        type="text"
        aria-label="Your answer"
        aria-invalid={refused !== undefined}
        autoFocus
        autoComplete="off"
        inputMode={drill.unit === '' ? 'numeric' : 'text'}
        disabled={judged !== undefined}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      {judged === undefined ? (
        <span className="soft">
          {like[drill.unit] ?? 'a number'}, then <Key>⏎</Key>
        </span>
      ) : (
        <b data-verdict={judged ? 'right' : 'wrong'}>{judged ? '● right' : '◇ not this'}</b>
      )}
      {refused !== undefined && (
        <p role="alert" className="bad">
          {refused}
        </p>
      )}
    </form>
  );
}
