import * as yup from 'yup';
import { Refusal } from '../../quantity';
import { readDocument, unknownKey } from '../readDocument';

/** A part of a donor that may be pulled. */
export interface DonorPart {
  readonly id: string;
  readonly board: string | undefined;
  readonly count: number;
  /** Minutes of work for each. */
  readonly minutes: number;
  /** Chance that it survives being pulled, and works. */
  readonly survives: number;
  /** How many the shop will want in the time it looks ahead, on average. */
  readonly demand: number;
  /** What one costs to buy, or is worth where it cannot be had. */
  readonly worth: number;
  /** How many lie on the shelf already. */
  readonly shelf: number;
  /** What one would fetch now. */
  readonly sale: number;
}

/** A donor, the time there is for it, and what taking each board out takes besides. */
export interface HarvestProblem {
  readonly minutes: number;
  /** What an hour of work has to bring; what brings less is left. */
  readonly hour: number;
  readonly boards: ReadonlyMap<string, number>;
  readonly parts: readonly DonorPart[];
}

const number = (what: string) => yup.number().min(0, `\${path} is ${what}, from 0 on`).typeError(`\${path} is ${what}`);
const name = () => yup.string().required('${path} is a name').typeError('${path} is a name, as text');

const schema = yup
  .object({
    minutes: number('a number of minutes').required('minutes are missing: how long there is for the donor'),
    hour: number('money').default(0),
    boards: yup
      .array(
        yup
          .object({ id: name(), minutes: number('a number of minutes').required('${path} is missing') })
          .noUnknown(unknownKey),
      )
      .max(200, '${path} has 200 boards at most')
      .default([]),
    parts: yup
      .array(
        yup
          .object({
            id: name(),
            board: yup.string().optional(),
            count: yup
              .number()
              .integer('${path} is a whole number')
              .min(1, '${path} is a whole number, from 1 on')
              .max(100, '${path} is at most 100')
              .default(1),
            minutes: number('a number of minutes').required('${path} is missing: minutes to pull one'),
            survives: yup
              .number()
              .min(0, '${path} is a chance from 0 to 1')
              .max(1, '${path} is a chance from 0 to 1')
              .typeError('${path} is a chance from 0 to 1')
              .default(1),
            demand: number('a number of pieces').required('${path} is missing: how many will be wanted'),
            worth: number('money').required('${path} is missing: what one costs to buy'),
            shelf: yup
              .number()
              .integer('${path} is a whole number')
              .min(0, '${path} is a whole number, from 0 on')
              .default(0),
            sale: number('money').default(0),
          })
          .noUnknown(unknownKey),
      )
      .min(1, '${path} has one part at least')
      .max(1000, '${path} has 1000 parts at most')
      .required('parts are missing'),
  })
  .noUnknown(unknownKey)
  .required();

/**
 * Reads a donor: `{ minutes, hour?, boards: [{ id, minutes }], parts: [{ id, board?, count?, minutes, survives?, demand,
 * worth, shelf?, sale? }] }`, as YAML or JSON.
 *
 * @throws Refusal with the line of the first thing that is wrong
 */
export function readHarvest(text: string): HarvestProblem {
  const read = readDocument(text, schema);
  const boards = new Map((read.boards ?? []).map(({ id, minutes }) => [id, minutes]));
  const parts = read.parts.map(
    ({ id, board, count = 1, minutes, survives = 1, demand, worth, shelf = 0, sale = 0 }): DonorPart => {
      if (board !== undefined && !boards.has(board))
        throw new Refusal(`part "${id}" sits on board "${board}", and no board is called that`);
      return { id, board, count, minutes, survives, demand, worth, shelf, sale };
    },
  );
  const twice = parts.find(({ id }, at) => parts.findIndex((other) => other.id === id) !== at);
  if (twice) throw new Refusal(`two parts are called "${twice.id}": give one its count`);
  return { minutes: read.minutes, hour: read.hour ?? 0, boards, parts };
}
