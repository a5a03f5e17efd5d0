import * as yup from 'yup';
import { repairActions, type RepairAction } from '@/core/repair';
import { unfitBoards } from '@/core/parts';
import { fromMark, usuallySits, weighBoardOrPart, type Weighed, writePart } from '@/core/supply';
import { partNotes, type PartNotes, type Sheet } from '@/core/sheet';

/** A repair that can be recorded, with its chance of being the cure now. */
export interface RepairChoice {
  readonly action: RepairAction;
  readonly chance: number;
}

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
  return [...ranked, ...others];
}

/** What the sheet says of fitting the parts that a repair touches; another board brings its own. */
export function notesOf({ method, cures }: RepairAction, sheet: Sheet): PartNotes {
  if (method === 'swap') return { kit: [], quirks: [] };
  return partNotes(sheet, [...new Set(cures.flatMap((fault) => sheet.faults.get(fault)?.part ?? []))]);
}

/** Pieces that the shop has soldered out, and how many were spoiled: its own hand. */
export interface OwnHand {
  readonly done: number;
  readonly spoiled: number;
}

/** A new part against another board in place of the whole. */
export interface PartOrBoard extends Weighed {
  /** The board’s title. */
  readonly title: string;
}

/**
 * A part that is replaced by itself, weighed against another board at once. Undefined where the repair does something
 * else, where there is no such board to be had, or where nothing measured points at it.
 *
 * @param hour what an hour of work is worth
 */
export function partOrBoard(
  { action, chance }: RepairChoice,
  choices: readonly RepairChoice[],
  sheet: Sheet,
  reworks: OwnHand,
  hour: number,
): PartOrBoard | undefined {
  const parts = new Set(action.cures.flatMap((fault) => sheet.faults.get(fault)?.part ?? []));
  const part = parts.size === 1 ? sheet.parts.get([...parts][0]!) : undefined;
  const whole = part && choices.find((one) => one.action.id === `swap:${part.board}`);
  if (!whole || action.method !== 'replace' || chance <= 0) return undefined;
  const { money } = action;
  const guilty = Math.min(1, chance / Math.max(chance, whole.chance));
  const board = { money: whole.action.money, minutes: whole.action.minutes, unfit: unfitBoards };
  return {
    title: sheet.boards.get(part.board)!.title,
    ...weighBoardOrPart({ money, ...usuallySits(part.kind), guilty, reworks }, board, hour),
  };
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
