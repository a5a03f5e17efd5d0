import { type Advice, type Case, verificationOf, type Verification, verified } from '@/core/diagnosis';
import { repairActions, type RepairAction } from '@/core/parts';
import { partNotes, type PartNotes, type Sheet } from '@/core/sheet';

/** A repair that can be recorded, with its chance of being the cure now. */
export interface RepairChoice {
  readonly action: RepairAction;
  readonly chance: number;
}

/** Every repair the sheet knows, the likeliest cure first; those not suspected follow by name. */
export function repairChoices(advice: Advice, job: Case): RepairChoice[] {
  const chances = new Map(advice.repairs.map(({ action, chance }) => [action.id, chance]));
  const ranked = advice.repairs.map(({ action, chance }) => ({ action, chance }));
  const others = repairActions(job.predictions.model.sheet)
    .filter(({ id }) => !chances.has(id))
    .map((action) => ({ action, chance: 0 }))
    .sort((a, b) => a.action.title.localeCompare(b.action.title));
  return [...ranked, ...others];
}

/** What the sheet says of fitting the parts that a repair touches. */
export function notesOf({ cures }: RepairAction, sheet: Sheet): PartNotes {
  return partNotes(sheet, [...new Set(cures.flatMap((fault) => sheet.faults.get(fault)?.part ?? []))]);
}

/** What must have changed, and whether it has. */
export interface Proof {
  readonly list: readonly Verification[];
  readonly open: readonly Verification[];
  readonly done: boolean;
}

export function proofOf(job: Case): Proof {
  const list = verificationOf(job);
  return { list, open: list.filter(({ after }) => after === undefined), done: verified(list) };
}
