import { type ReadingRow } from '@/core/job';
import { type BenchState } from '@/core/log';
import { useEffect, useRef } from 'react';
import { engineering } from '@/core/quantity';
import { powerWords } from '@/workshop/job';
import { type MeterWords } from '@/workshop/meter';
import { Key, VerdictMark } from '@/ui';
import { type Large } from './largeModel';
import styles from './large.module.css';

interface LargeFiguresProps {
  readonly large: Large;
  readonly power: BenchState['context']['power'];
  /** What the meter shows, where one is on. */
  readonly value: number | undefined;
  /** How the meter stands. */
  readonly words: MeterWords | undefined;
  readonly last: ReadingRow | undefined;
  onRecord(): void;
  onNext(): void;
  onRedo(): void;
  onLeave(): void;
}

/** The probe and its figure to be read from across the room; one key each, as a pedal sends them. */
export function LargeFigures(props: LargeFiguresProps) {
  const { large, power, value, words, last, onRecord, onNext, onRedo, onLeave } = props;
  const { title, where, wants, unit } = large;
  const panel = useRef<HTMLDivElement>(null);
  // The hands are on the probes: the keys must reach this panel whatever had the focus before.
  useEffect(() => panel.current?.focus());
  const shown =
    value === undefined ? undefined : value === Infinity ? { number: 'OL', prefix: '' } : engineering(value, unit, 4);
  const act: Readonly<Record<string, () => void>> = {
    Enter: onRecord,
    ' ': onRecord,
    ArrowRight: onNext,
    PageDown: onNext,
    Backspace: onRedo,
    PageUp: onRedo,
    Escape: onLeave,
  };
  return (
    <div
      ref={panel}
      className={styles.large}
      role="dialog"
      aria-label="Large figures"
      tabIndex={-1}
      data-wants={wants}
      onKeyDown={(event) => {
        const does = event.altKey || event.ctrlKey || event.metaKey ? undefined : act[event.key];
        if (!does) return;
        event.preventDefault();
        does();
      }}
    >
      <strong data-power={power}>{powerWords[power]}</strong>
      <h1>{title}</h1>
      <p className={styles.where}>{where}</p>
      {wants === 'value' ? (
        <p className={styles.figure}>
          <b className="figure">{shown?.number ?? '–'}</b>
          <span>
            {shown?.prefix}
            {unit}
          </span>
        </p>
      ) : (
        <p className={styles.words}>
          {wants === 'step'
            ? 'Do it, then ⏎'
            : '→ goes on to the next point to measure; words are typed on the bench, Esc'}
        </p>
      )}
      {words && words.kind !== 'waits' && (
        <p className={styles.note} data-kind={words.kind}>
          {words.text}
        </p>
      )}
      {last && (
        <p className={styles.last}>
          <VerdictMark mark={last.verdict.mark} size={54} />
          <b>{last.said}</b> {last.check.title}, {last.verdict.words}
        </p>
      )}
      <footer>
        <span>
          <Key>⏎</Key> {wants === 'step' ? 'done' : 'record'}
        </span>
        <span>
          <Key>→</Key> next
        </span>
        <span>
          <Key>⌫</Key> redo
        </span>
        <span>
          <Key>Esc</Key> back
        </span>
      </footer>
    </div>
  );
}
