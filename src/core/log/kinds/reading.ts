import * as yup from 'yup';
import { type Answer } from '../../measure';
import { symptoms } from '../../picture';
import { type LineKind, name, text } from '../line';

const answer = yup.lazy((value: { kind?: unknown } | undefined) => {
  switch (value?.kind) {
    case 'number':
      return yup
        .object({
          kind: yup.string().oneOf(['number']).required(),
          // JSON has no infinity: OL travels as null.
          value: yup.number().nullable().defined(),
          shape: yup.string().oneOf(['settled', 'brief']).required(),
        })
        .required();
    case 'picture':
      return yup
        .object({
          kind: yup.string().oneOf(['picture']).required(),
          symptoms: yup.array(yup.string().oneOf(symptoms).required()).max(symptoms.length).required(),
        })
        .required();
    default:
      return yup.object({ kind: yup.string().oneOf(['choice']).required(), choice: name() }).required();
  }
});

/** What a check answered. */
export interface ReadingLine {
  readonly kind: 'reading';
  readonly check: string;
  readonly answer: Answer;
  /** As it was typed, or what took it. */
  readonly text: string;
}

export const reading: LineKind<ReadingLine> = {
  work: 'measuring',
  fields: yup.object({ check: name(), answer, text: text(200) }),
  unknown: ({ check }, { sheet, checks }) => (checks.has(check) ? undefined : `${sheet.title} has no point "${check}"`),
  fold: (bench, { check, answer: given, text: typed }, stamp) => bench.take(bench.taken(stamp, check, given, typed)),
  foldSuperseded: (bench, { check, answer: given, text: typed }, stamp) =>
    bench.superseded.push(bench.taken(stamp, check, given, typed)),
  said: ({ check, text: typed }) => `${check} read: ${typed}`,
  revive: (body) =>
    body.answer.kind === 'number' && (body.answer.value as number | null) === null
      ? { ...body, answer: { ...body.answer, value: Infinity } }
      : body,
};
