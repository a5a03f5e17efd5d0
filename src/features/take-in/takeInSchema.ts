import * as yup from 'yup';
import { symptoms } from '@/core/picture';
import { signStates } from '@/core/sheet';

const money = (what: string) =>
  yup
    .number()
    .typeError(`${what} should be an amount, like 45`)
    .min(0, `${what} cannot be below nothing`)
    .max(1e6)
    .required();

/** What taking in a set needs, shared by the form and the action. */
export const takeInSchema = yup.object({
  id: yup.string().uuid().required(),
  title: yup
    .string()
    .trim()
    .min(1, 'give the set a name you will know it by, like "Tea-room set"')
    .max(80, 'a name of at most 80 letters')
    .required('give the set a name you will know it by, like "Tea-room set"'),
  place: yup.string().trim().max(80).defined(),
  owner: yup.string().trim().max(80).defined(),
  sheet: yup.string().required('choose a chassis sheet'),
  words: yup.string().trim().max(2000, 'at most 2000 letters of the owner’s words').defined(),
  value: money('the value'),
  limit: money('the limit'),
  label: yup
    .object()
    .test('volts', 'label values are volts, like 187 or -168', (values) =>
      Object.values(values as Record<string, unknown>).every(
        (value) => typeof value === 'number' && Number.isFinite(value) && value !== 0 && Math.abs(value) < 5000,
      ),
    )
    .required(),
  options: yup
    .object()
    .test('words', 'an option is answered with the name of a choice', (options) =>
      Object.values(options as Record<string, unknown>).every(
        (choice) => typeof choice === 'string' && choice.length <= 80,
      ),
    )
    .required(),
  complaint: yup
    .object({
      symptoms: yup.array(yup.string().oneOf(symptoms).required()).required(),
      signs: yup
        .object()
        .test('signs', 'a sign is answered with yes, weak, brief or no', (signs) =>
          Object.values(signs as Record<string, unknown>).every((state) =>
            (signStates as readonly unknown[]).includes(state),
          ),
        )
        .required(),
    })
    .required(),
});
