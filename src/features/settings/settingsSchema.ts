import * as yup from 'yup';
import { readTool } from '@/core/safety';
import { type Settings } from '@/store';

/** An amount that may be left out: an empty field is none. */
const perhaps = (what: string, least: number, most: number) =>
  yup
    .number()
    .transform((value: number, typed: unknown) => (typed === '' ? null : value))
    .typeError(`${what} should be a number, or empty`)
    .min(least, `${what} should be between ${least} and ${most}, or empty`)
    .max(most, `${what} should be between ${least} and ${most}, or empty`)
    .nullable()
    .defined();

/** What a shop sets once, shared by form and action. */
export const settingsSchema = yup.object({
  shop: yup.string().trim().max(80, 'the name may have at most 80 letters').defined(),
  hourlyRate: yup
    .number()
    .typeError('an hour should be worth an amount, like 18')
    .min(0, 'an hour cannot be worth less than nothing')
    .max(10_000)
    .required('an hour should be worth an amount, like 18'),
  currency: yup
    .string()
    .trim()
    .min(1, 'the currency is a sign or letters, like £ or EUR')
    .max(4, 'the currency is a sign or letters, like £ or EUR')
    .required('the currency is a sign or letters, like £ or EUR'),
  mains: perhaps('the mains', 90, 260),
  lampWatts: perhaps('the lamp', 5, 2000),
  tool: yup
    .string()
    .trim()
    .max(20)
    .defined()
    .test('tool', 'the discharge resistor is its ohms and watts, like 2k2 20W, or empty', (typed) =>
      typed === '' ? true : readTool(typed) !== undefined,
    ),
}) as yup.ObjectSchema<Settings>;
