import * as yup from 'yup';
import { type LineKind, type LineOf, name } from '../line';

const above0 = (most: number) => yup.number().moreThan(0).max(most).required();
const fields = yup.object({
  lampWatts: above0(2000),
  lampVolts: above0(500),
  mains: above0(500),
  loadWatts: above0(5000),
  /** Plain, and with a variable transformer, in lines from before these were asked for. */
  frontEnd: yup.string().oneOf(['plain', 'doubler', 'boost', 'transformer'] as const),
  variable: yup.boolean(),
  reservoir: yup.number().moreThan(0).max(2000),
  /** The rail in whose fuse or link the lamp stands; absent where it stands in the mains. */
  rail: yup
    .object({ title: name(200), volts: above0(2000), watts: above0(5000) })
    .optional()
    .default(undefined),
});

/** What was agreed on before power was applied. */
export type PlanLine = LineOf<'plan', typeof fields>;

export const plan: LineKind<PlanLine> = { work: 'powering', fields, said: () => 'first power agreed on' };
