import * as yup from 'yup';
import { type Briefed, type RepairProof } from '@/core/diagnosis';
import { repairActions, type RepairAction } from '@/core/repair';
import { fromMark, writePart } from '@/core/supply';
import { partNotes, type PartNotes, type Sheet } from '@/core/sheet';

/** A repair that can be recorded, with its chance of being the cure now. */
export interface RepairChoice {
  readonly action: RepairAction;
  readonly chance: number;
}

/** A repair likelier than this is offered for recording although one more test would pay. */
const likely = 0.5;

/** All was measured again, it is not cured, and the readings already name what to do about the rest. */
export const namesAnother = (
  { next, repairs: [repair] }: Pick<Briefed, 'next' | 'repairs'>,
  { open, done }: Pick<RepairProof, 'open' | 'done'>,
): boolean => open.length === 0 && !done && (next === 'act' || (repair?.chance ?? 0) > likely);

/** A net is followed only where something may well act on it from elsewhere: there is one for each net of the sheet. */
const worthFollowing = 0.01;

/** Every repair the sheet knows, the likeliest cure first; those not suspected follow by name. */
export function repairChoices(
  { repairs }: { readonly repairs: readonly RepairChoice[] },
  sheet: Sheet,
): RepairChoice[] {
  const chances = new Map(repairs.map(({ action, chance }) => [action.id, chance]));
  const ranked = repairs.map(({ action, chance }) => ({ action, chance }));
  const others = repairActions(sheet)
    .filter(({ id }) => !chances.has(id))
    .map((action) => ({ action, chance: 0 }))
    .sort((a, b) => a.action.title.localeCompare(b.action.title));
  return [...ranked, ...others].filter(({ action, chance }) => action.method !== 'follow' || chance >= worthFollowing);
}

/** What the sheet says of fitting the parts that a repair touches; another board brings its own. */
export function notesOf({ method, cures }: RepairAction, sheet: Sheet): PartNotes {
  if (method === 'swap') return { kit: [], quirks: [] };
  return partNotes(sheet, [...new Set(cures.flatMap((fault) => sheet.faults.get(fault)?.part ?? []))]);
}

/** What has to be got for a repair that fits new parts, as far as their marks say: the same part once, with its number. */
export function toGet({ method, cures }: RepairAction, sheet: Sheet): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  if (method !== 'replace' && method !== 'recap') return counts;
  const parts = [...new Set(cures.flatMap((fault) => sheet.faults.get(fault)?.part ?? []))];
  for (const id of parts) {
    const { kind, value } = sheet.parts.get(id)!;
    const part = fromMark(kind, value);
    if (part) counts.set(writePart(part), (counts.get(writePart(part)) ?? 0) + 1);
  }
  return counts;
}

const amount = (what: string, most: number) =>
  yup
    .number()
    .typeError(`${what} should be a number, like 12`)
    .min(0, `${what} cannot be below nothing`)
    .max(most)
    .required();

/** What is typed of a repair that was done. */
export const doneSchema = yup.object({
  money: amount('parts', 1e6),
  minutes: amount('minutes', 1e5),
  note: yup.string().trim().max(2000, 'a note of at most 2000 letters').defined(),
});

export type Done = yup.InferType<typeof doneSchema>;
