import { type Case } from '../diagnosis';
import { type TakenReading } from '../log';
import { type ReadingRow, readingRows } from './readingRows';

/** A check as it read with the set’s own board and with a donor’s in its place. */
export interface OwnAndDonorRow {
  readonly check: ReadingRow['check'];
  /** The newest of each; undefined where it was not read so. */
  readonly own: ReadingRow | undefined;
  readonly donor: ReadingRow | undefined;
}

/** What a donor’s board that was tried has changed. */
export interface OwnAndDonor {
  /** The board’s title. */
  readonly board: string;
  /** Is the donor’s board in now? */
  readonly isIn: boolean;
  /** What was off with the own board, in the order in which it was read, then what else was read with the donor’s. */
  readonly rows: readonly OwnAndDonorRow[];
}

/** Own and donor readings of each board that a donor’s was tried for, since the last repair. */
export function ownAndDonor(job: Case): OwnAndDonor[] {
  const { bench, predictions } = job;
  const isSince = ({ afterRepairs }: TakenReading) => afterRepairs === bench.repairs.length;
  const tried = new Set([
    ...bench.context.donors,
    ...bench.readings.filter(isSince).flatMap(({ context }) => context.donors),
  ]);
  // Hardly ever is one tried, and this is asked at every line.
  if (tried.size === 0) return [];
  const since = readingRows(job).filter(({ reading }) => isSince(reading));
  return [...tried].flatMap((board): OwnAndDonor[] => {
    const withDonor = ({ reading }: ReadingRow) => reading.context.donors.includes(board);
    const checks = new Set(
      [...since]
        .reverse()
        .filter((row) => withDonor(row) || row.verdict.mark !== 'within')
        .map(({ check }) => check),
    );
    const rows = [...checks].map((check): OwnAndDonorRow => {
      const ofCheck = since.filter((row) => row.check === check);
      return { check, own: ofCheck.find((row) => !withDonor(row)), donor: ofCheck.find(withDonor) };
    });
    const title = predictions.model.sheet.boards.get(board)?.title;
    return title === undefined || rows.length === 0
      ? []
      : [{ board: title, isIn: bench.context.donors.includes(board), rows }];
  });
}
