import { type SubstituteVerdict } from '@/core/supply';
import { type StockRow } from '@/store';

/** A row of the shelf, judged where something is looked for that it might stand in for. */
export interface ShelfRow extends StockRow {
  readonly verdict: SubstituteVerdict | undefined;
  /** Why it is no better than that, and what has to be altered. */
  readonly reason: string;
}

/** What a line typed at the shelf finds. */
export interface Found {
  readonly rows: readonly ShelfRow[];
  /** What is wrong with the line, where it cannot be read yet. */
  readonly refused?: string;
}

/** How verdicts are said, and marked besides by a shape. */
export const verdictWords: Readonly<Record<SubstituteVerdict, string>> = {
  better: '▲ better',
  fits: '● fits',
  watch: '◆ watch',
  no: '✕ no',
};

/** The rows that a typed line finds, asked of the server. */
export async function askShelf(typed: string): Promise<Found> {
  try {
    const answer = await fetch(`/api/shelf?q=${encodeURIComponent(typed)}`);
    if (answer.ok) return (await answer.json()) as Found;
  } catch {
    // A server that is away is told as one that answers nothing.
  }
  return { rows: [], refused: 'the shelf does not answer: see that the server runs, then type on' };
}
