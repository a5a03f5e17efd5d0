import * as yup from 'yup';

const text = (what: string, most: number) =>
  yup.string().trim().max(most, `${what} may have at most ${most} letters`).defined();
const amount = (what: string) =>
  yup
    .number()
    .typeError(`${what} should be a number, like 45`)
    .min(0, `${what} cannot be below nothing`)
    .max(1e6)
    .required();

/** A note from a paper notebook as it is typed, shared by form and action. */
export const oldNoteSchema = yup.object({
  date: text('the day', 10),
  set: text('the set', 80),
  sheet: text('the sheet', 80),
  symptom: text('the symptom', 4000),
  cause: text('the cause', 4000).min(1, 'say what it was'),
  cure: text('the cure', 4000),
  parts: text('the parts', 4000),
  remember: text('what to remember', 4000),
  minutes: amount('the minutes'),
  money: amount('the money'),
});

export type OldNoteForm = yup.InferType<typeof oldNoteSchema>;
