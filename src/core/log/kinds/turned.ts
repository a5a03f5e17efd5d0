import * as yup from 'yup';
import { readTurn, Refusal, turnWords } from '../../quantity';
import { type LineKind, type LineOf, name } from '../line';

const fields = yup.object({
  control: name(40),
  end: yup.boolean().required(),
  /** Turns, clockwise up, where somebody counted. */
  turn: yup.number().min(-50).max(50),
  /** It was looked for and is not there: this chassis has no such control. */
  absent: yup.boolean(),
});

/** A control that was turned, as far as it goes or not: what is read after it shows what it did. */
export type TurnedLine = LineOf<'turned', typeof fields>;

export const turned: LineKind<TurnedLine> = {
  work: 'setting up',
  fields,
  said: ({ control, end, turn, absent }) =>
    absent
      ? `no ${control} on this chassis`
      : `turned ${control}${turn === undefined ? '' : ` by ${turnWords(turn)}`}${end ? ' to its end' : ''}`,
  typed([verb, control, ...more], { typed }) {
    if (verb !== 'turned' || control === undefined) return undefined;
    const end = more.join(' ').endsWith('to its end');
    const [turn, ...left] = end ? more.slice(0, -3) : more;
    if (left.length > 0)
      throw new Refusal(`one control a line, like "turned ${typed[1]} 1/8" or "turned ${typed[1]} to its end"`);
    return { kind: 'turned', control: typed[1]!, end, ...(turn === undefined ? {} : { turn: readTurn(turn) }) };
  },
};
