import { type Case } from '../diagnosis';
import { judgeAnswer } from '../reading';
import { swappedBoard } from '../repair';
import { type SetVoltage, setVoltages, type Sheet } from '../sheet';

/** The voltages that are set on a board. */
export const setOn = (sheet: Sheet, board: string): SetVoltage[] =>
  setVoltages(sheet).filter(({ point }) => point.board === board);

/** What is still to be set on boards that were put in anew: it was not read within its limits since. */
export function toSet({ predictions, bench }: Case): SetVoltage[] {
  const { checks, model } = predictions;
  return bench.repairs.flatMap(({ repair }, place) => {
    const board = swappedBoard(repair.action);
    if (board === undefined) return [];
    return setOn(model.sheet, board).filter(({ point }) => {
      const check = checks.get(point.id)!;
      const last = bench.readings.findLast((one) => one.check === check.id && one.afterRepairs > place);
      return !last || judgeAnswer(predictions, check, last.answer, last.context).mark !== 'within';
    });
  });
}
