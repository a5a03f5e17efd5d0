import * as yup from 'yup';
import { type Complaint } from '@/core/diagnosis';
import { manners, symptoms } from '@/core/picture';
import { signStates } from '@/core/measure';

const money = (what: string) =>
  yup
    .number()
    .typeError(`${what} should be an amount, like 45`)
    .min(0, `${what} cannot be below nothing`)
    .max(1e6)
    .required();

/** What is said of a set, typed into a form. */
export const describedSchema = yup.object({
  title: yup
    .string()
    .trim()
    .min(1, 'give the set a name you will know it by, like "Tea-room set"')
    .max(80, 'a name of at most 80 letters')
    .required('give the set a name you will know it by, like "Tea-room set"'),
  place: yup.string().trim().max(80).defined(),
  owner: yup.string().trim().max(80).defined(),
  words: yup.string().trim().max(2000, 'at most 2000 letters of the owner’s words').defined(),
  value: money('the value'),
  limit: money('the limit'),
  due: yup
    .string()
    .matches(/^(\d{4}-\d\d-\d\d)?$/, 'the day it is due is a date, like 2026-12-04')
    .default(''),
});

/** What is said of a set. */
export type Described = yup.InferType<typeof describedSchema>;

/** Values by name, each held to a rule of its own. */
const byName = <Value>(message: string, holds: (value: unknown) => boolean) =>
  yup
    .mixed<Readonly<Record<string, Value>>>(
      (value): value is Record<string, Value> => typeof value === 'object' && value !== null && !Array.isArray(value),
    )
    .test('values', message, (values) => Object.values(values ?? {}).every(holds))
    .required();

const mostVolts = 5000;

/** How a set differs from others of its kind: the values of its label, and its options. */
export const kindSchema = yup.object({
  label: byName<number>(
    'label values are volts, like 187 or -168',
    (value) => typeof value === 'number' && Number.isFinite(value) && value !== 0 && Math.abs(value) < mostVolts,
  ),
  options: byName<string>(
    'an option is answered with the name of a choice',
    (choice) => typeof choice === 'string' && choice.length <= 80,
  ),
});

/** What taking in a set needs, shared by the form and the action. */
export const takeInSchema = describedSchema.concat(kindSchema).concat(
  yup.object({
    id: yup.string().uuid().required(),
    sheet: yup.string().required('choose a chassis sheet'),
    /** The job it was here for before. */
    former: yup.string().uuid().nullable().default(null),
    complaint: yup
      .object({
        symptoms: yup.array(yup.string().oneOf(symptoms).required()).required(),
        signs: byName<Complaint['signs'][string]>('a sign is answered with yes, weak, brief or no', (state) =>
          (signStates as readonly unknown[]).includes(state),
        ),
        manner: yup.string().oneOf(manners).optional(),
      })
      .required(),
  }),
);
