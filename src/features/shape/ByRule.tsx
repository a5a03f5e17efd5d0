import { useState } from 'react';
import { attempt, Refusal } from '@/core/quantity';
import { shapeByLengths } from '@/core/setup';
import styles from './shape.module.css';

export type ByRuleFound = ReturnType<typeof shapeByLengths>;

interface ByRuleProps {
  /** What the lengths come to; undefined while they are not all there. */
  onFound(found: ByRuleFound | undefined): void;
  onRecord(): void;
}

const example = '12 40 41 41 40 14';

/** Size, place and linearity without a camera: lengths along the two middle lines of a crosshatch, as a rule gives them. */
export function ByRule({ onFound, onRecord }: ByRuleProps) {
  const [typed, setTyped] = useState({ across: '', down: '' });
  const whole = typed.across.trim() !== '' && typed.down.trim() !== '';
  const found = whole ? attempt(() => shapeByLengths(typed.across, typed.down)) : undefined;
  const type = (next: typeof typed) => {
    setTyped(next);
    const both = next.across.trim() !== '' && next.down.trim() !== '';
    const read = both ? attempt(() => shapeByLengths(next.across, next.down)) : undefined;
    onFound(read instanceof Refusal ? undefined : read);
  };
  return (
    <details className={styles.byRule}>
      <summary>No camera? Measure along the middle with a rule</summary>
      <p className="soft">
        Edge of the glass to the first line, each cell, last line to the edge, in any unit; eyes straight before each
        line. Bends and corners take a photograph.
      </p>
      {(['across', 'down'] as const).map((way) => (
        <label key={way}>
          {way === 'across' ? 'Left to right' : 'Top to bottom'}{' '}
          <input
            className="field figure"
            value={typed[way]}
            maxLength={300}
            placeholder={example}
            onChange={(event) => type({ ...typed, [way]: event.target.value })}
            onKeyDown={(event) => event.key === 'Enter' && found && !(found instanceof Refusal) && onRecord()}
          />
        </label>
      ))}
      {found instanceof Refusal && (
        <p role="alert" className="bad">
          {found.message}
        </p>
      )}
      {found && !(found instanceof Refusal) && (
        <p>
          <button type="button" className="press main" onClick={onRecord}>
            Record it
          </button>
        </p>
      )}
    </details>
  );
}
