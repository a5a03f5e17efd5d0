import { unfitBoards } from '../parts';
import { type RepairAction, swapOf } from '../repair';
import { type Sheet } from '../sheet';
import { usuallySits, weighBoardOrPart, type Weighed } from '../supply';

/** Pieces that the shop has soldered out, and how many were spoiled: its own hand. */
export interface OwnHand {
  readonly done: number;
  readonly spoiled: number;
}

/** A repair with its chance of being the cure now. */
interface Weighable {
  readonly action: RepairAction;
  readonly chance: number;
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
  { action, chance }: Weighable,
  choices: readonly Weighable[],
  sheet: Sheet,
  reworks: OwnHand,
  hour: number,
): PartOrBoard | undefined {
  const parts = new Set(action.cures.flatMap((fault) => sheet.faults.get(fault)?.part ?? []));
  const part = parts.size === 1 ? sheet.parts.get([...parts][0]!) : undefined;
  const whole = part && choices.find((one) => one.action.id === swapOf(part.board));
  if (!whole || action.method !== 'replace' || chance <= 0) return undefined;
  const { money } = action;
  const guilty = Math.min(1, chance / Math.max(chance, whole.chance));
  const board = { money: whole.action.money, minutes: whole.action.minutes, unfit: unfitBoards };
  return {
    title: sheet.boards.get(part.board)!.title,
    ...weighBoardOrPart({ money, ...usuallySits(part.kind), guilty, reworks }, board, hour),
  };
}
