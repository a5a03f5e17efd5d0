import * as yup from 'yup';
import { type Outcome } from '@/store';

/** How a job can end. */
export const outcomeTitles = {
  returned: 'Returned',
  sold: 'Sold',
  kept: 'Kept',
  stripped: 'Stripped for parts',
} as const satisfies Record<Outcome, string>;

const text = (what: string, most = 4000) =>
  yup.string().trim().max(most, `${what} may have at most ${most} letters`).defined();

/** A fault note as edited, shared by the form and the action. */
export const closeSchema = yup.object({
  job: yup.string().required(),
  title: text('the title', 160).min(1, 'give the note a title'),
  symptom: text('the symptom'),
  cause: text('the cause').min(1, 'say what it was, or "not found"'),
  proof: text('the proof'),
  cure: text('the cure'),
  misled: text('what misled'),
  parts: text('the parts'),
  remember: text('what to remember').default(''),
  accepted: text('what is left').default(''),
  fault: yup.string().nullable().defined(),
  money: yup
    .number()
    .typeError('money should be an amount, like 4.50')
    .min(0, 'money cannot be below nothing')
    .max(1e6)
    .required(),
  minutes: yup
    .number()
    .typeError('minutes should be a number, like 75')
    .min(0, 'minutes cannot be below nothing')
    .max(1e5)
    .required(),
  outcome: yup
    .string()
    .oneOf(Object.keys(outcomeTitles) as (keyof typeof outcomeTitles)[], 'choose how it ends')
    .required(),
  /** Parts of a stripped set that go on the shelf, one a line. */
  kept: text('what is kept').default(''),
  /** What still sits in it as a donor, one a line. */
  left: text('what is left in it').default(''),
});

/** A fault note as edited, with how the job ends. */
export type Closing = yup.InferType<typeof closeSchema>;
