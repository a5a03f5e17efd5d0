import * as yup from 'yup';
import { between, type LineKind, type LineOf, name } from '../line';

const fields = yup.object({ step: name(40), volts: between(-1000, 1000) });

/** What a step of the plan of first power came to, in volts at the reservoir. */
export type StepLine = LineOf<'step', typeof fields>;

export const step: LineKind<StepLine> = {
  work: 'powering',
  fields,
  said: ({ step: id, volts }) => `step ${id}: ${volts} V`,
};
