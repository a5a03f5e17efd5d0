import { type LogEntry, replay } from '@/core/log';
import { predictionsOf } from '@/core/behaviour';
import { type Case } from '@/core/diagnosis';
import { type Sheet, sheetText } from '@/core/sheet';

/** What a set may wait for. */
export const waitingTitles = {
  part: 'Waits for a part',
  donor: 'Waits for a donor',
  owner: 'Waits for the owner',
  soak: 'Soaking',
  bench: 'Waits for the bench',
} as const;
export type WaitingFor = keyof typeof waitingTitles;

/** Mains in volts, the lamp in watts and the discharge resistor of a bench; null or empty for the usual ones. */
export interface Habits {
  readonly mains: number | null;
  readonly lampWatts: number | null;
  readonly tool: string;
}

/** A job as every page of it needs it. */
export interface JobFile {
  readonly id: string;
  readonly title: string;
  readonly place: string;
  readonly owner: string;
  readonly words: string;
  readonly value: number;
  readonly limit: number;
  readonly complaint: Case['complaint'];
  /** What the set waits for, if anything. */
  readonly waiting: { readonly for: WaitingFor; readonly note: string; readonly until: string } | null;
  readonly createdAt: string;
  readonly closedAt: string | null;
  readonly entries: readonly LogEntry[];
  /** Number of the last stored line of the log. */
  readonly seq: number;
  /** The chassis sheet with the values of this set's own label. */
  readonly sheet: Sheet;
  /** Which version of the sheet that is; 0 of one that ships. */
  readonly sheetVersion: number;
  readonly closed: ReadonlyMap<string, number>;
  readonly hourlyRate: number;
  readonly currency: string;
  /** What this bench has, where its owner said so. */
  readonly habits?: Habits;
  /** What it was here for before, where it came back. */
  readonly former?: { readonly job: string; readonly cause: string; readonly closedAt: string };
}

/** A job as a page is sent it: its sheet as text, read there once. */
export interface SentJob extends Omit<JobFile, 'sheet'> {
  readonly sheetText: string;
}

export const sentJob = ({ sheet, ...file }: JobFile): SentJob => ({ ...file, sheetText: sheetText(sheet) });

/** The case a log makes of a job. */
export function caseOf(
  file: Pick<JobFile, 'sheet' | 'complaint' | 'closed' | 'hourlyRate'>,
  entries: readonly LogEntry[],
): Case {
  return {
    predictions: predictionsOf(file.sheet),
    complaint: file.complaint,
    bench: replay(entries, [...file.sheet.stores.keys()]),
    closed: file.closed,
    hourlyRate: file.hourlyRate,
  };
}
