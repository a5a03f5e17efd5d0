import { Refusal } from '../quantity';
import { type Place } from './place';

/** One thing wrong in a sheet, where, and what would be right. */
export interface Problem extends Place {
  readonly message: string;
}

/** A sheet that cannot be used. `problems` is never empty and is in file order. */
export class SheetError extends Refusal {
  override readonly name = 'SheetError';

  constructor(readonly problems: readonly Problem[]) {
    const [first] = problems;
    const more = problems.length > 1 ? ` (and ${problems.length - 1} more)` : '';
    const within = first?.sheet === undefined ? '' : `in ${first.sheet}, `;
    super(
      first ? `${within}line ${first.line}, column ${first.column}: ${first.message}${more}` : 'empty sheet',
      first && { line: first.line, column: first.column },
    );
  }
}
