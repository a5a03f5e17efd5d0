import { type ReactNode } from 'react';
import { EmptyState, OpenFile } from '@/ui';

interface NothingTracedProps {
  /** What another set of the kind offers. */
  readonly before: ReactNode;
  /** The text of a board that was written. */
  onBoard(text: string): void;
  onRefused(message: string): void;
}

/** A board of which nothing is known: what is typed, and what may be gone on with. */
export function NothingTraced({ before, onBoard, onRefused }: NothingTracedProps) {
  return (
    <>
      {before}
      <div>
        <OpenFile accept=".json" title="Open a board that was written" onText={onBoard} onRefused={onRefused} />
      </div>
      <EmptyState title="Nothing is traced yet">
        <p>
          Parts: <span className="figure">R12 4k7, Q5 npn, D2 zener 5.6, C3 100n, IC1 8</span>. Beeps:{' '}
          <span className="figure">R12.1 Q5.b</span>, on a rail <span className="figure">R12.2 +12</span>, none{' '}
          <span className="figure">R12.1 not gnd</span>, or ohms <span className="figure">R12.1 Q5.c 4k7</span>. A rail
          that reads like a short is followed to its part: <span className="figure">short +12 0.8</span>. What does not
          arrive is followed pin by pin: <span className="figure">path IC1.8 CN7.1</span>, over a plug to another board:{' '}
          <span className="figure">CN9 plug 4</span>, its far pins <span className="figure">CN9.3f</span>.
        </p>
      </EmptyState>
    </>
  );
}
