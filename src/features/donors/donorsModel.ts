import { type Demand, type DonorCondition, type HarvestPlan } from '@/core/supply';
import { type Donor, type DonorPart } from '@/store';

/** What is known of a part, in words and by a shape. */
export const conditionWords: Readonly<Record<DonorCondition, string>> = {
  tested: '● tested',
  likely: '◐ likely good',
  unknown: '○ not known',
  doubtful: '◇ doubtful',
};

/** A set in the house that waits for something that sits in a donor. */
export interface Match {
  readonly need: string;
  readonly set: string;
  readonly count: number;
  readonly wanted: string;
  /** It is on order already. */
  readonly ordered: boolean;
}

/** A part of a donor with who wants it and how many may. */
export interface PartRow extends DonorPart {
  readonly matches: readonly Match[];
  readonly demand: Demand;
}

/** A donor with what is left in it. */
export interface DonorView extends Donor {
  readonly parts: readonly PartRow[];
}

/** The rows of a donor by board, those that sit on none last. */
export function byBoard(parts: readonly PartRow[]): readonly (readonly [board: string, rows: readonly PartRow[]])[] {
  const boards = new Map<string, PartRow[]>();
  for (const part of parts) boards.set(part.board, [...(boards.get(part.board) ?? []), part]);
  return [...boards].sort(([a], [b]) => Number(a === '') - Number(b === '') || a.localeCompare(b));
}

/** How likely it is to be wanted, in words: `2 wanted now`, `1.4 a year`. */
export function demandWords({ now, fitted, comesIn }: Demand): string {
  const yearly = Math.max(fitted, comesIn);
  const words = [
    ...(now > 0 ? [`${now} wanted now`] : []),
    ...(yearly >= 0.05
      ? [`${yearly.toFixed(1)} a year by ${fitted >= comesIn ? 'what was fitted' : 'what comes in'}`]
      : []),
  ];
  return words.length > 0 ? words.join(', ') : 'nobody wants it';
}

/** A plan with the parts it names. */
export interface PlanView {
  readonly plan: HarvestPlan;
  readonly minutes: number;
}
