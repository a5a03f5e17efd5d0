import { type Case } from '../diagnosis';
import { judgeAnswer } from '../reading';
import { isUnread, type SetUpStep, type Sheet } from '../sheet';

/** What is to be set on a board that is put in anew. */
export interface ToSet {
  readonly step: SetUpStep;
  /** What its point should read on this set, in volts. */
  readonly volts: number;
  /** It goes by a label that nobody has read: no more than the ordinary value of a kind of set. */
  readonly unread: boolean;
}

const swap = 'swap:';

/** The board that a repair put in anew; undefined where it did something else. */
export const swappedBoard = (action: string): string | undefined =>
  action.startsWith(swap) ? action.slice(swap.length) : undefined;

/** The voltages that are set on a board, in the maker’s order. */
export function setOn({ setUp, points, nets }: Sheet, board: string): ToSet[] {
  return setUp.flatMap((step): ToSet[] => {
    const point = step.point === undefined ? undefined : points.get(step.point);
    const net = point?.net === undefined ? undefined : nets.get(point.net);
    if (!point || !net || point.measure !== 'dc' || point.board !== board) return [];
    return [{ step, volts: point.expect ?? net.volts, unread: isUnread(net) }];
  });
}

/** What is still to be set on boards that were put in anew: it was not read within its limits since. */
export function toSet({ predictions, bench }: Case): ToSet[] {
  const { checks, model } = predictions;
  return bench.repairs.flatMap(({ repair }, place) => {
    const board = swappedBoard(repair.action);
    if (board === undefined) return [];
    return setOn(model.sheet, board).filter(({ step }) => {
      const check = checks.get(step.point!)!;
      const last = bench.readings.findLast((one) => one.check === check.id && one.afterRepairs > place);
      return !last || judgeAnswer(predictions, check, last.answer, last.context).mark !== 'within';
    });
  });
}
