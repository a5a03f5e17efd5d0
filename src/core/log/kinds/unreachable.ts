import * as yup from 'yup';
import { type LineKind, type LineOf, name } from '../line';

const fields = yup.object({ check: name() });

/** A check that cannot be made on this set. */
export type UnreachableLine = LineOf<'unreachable', typeof fields>;

export const unreachable: LineKind<UnreachableLine> = {
  work: 'measuring',
  fields,
  unknown: ({ check }, { sheet, checks }) => (checks.has(check) ? undefined : `${sheet.title} has no point "${check}"`),
  fold: (bench, { check }) => bench.unreachable.add(check),
  said: ({ check }) => `${check} cannot be reached`,
};
