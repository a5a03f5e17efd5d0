import * as yup from 'yup';

/** What is said of an order: by whom, when it should be here, and for how much each. */
export const orderSchema = yup.object({
  supplier: yup.string().trim().max(60, 'a supplier has at most 60 letters').default(''),
  due: yup
    .string()
    .matches(/^$|^\d{4}-\d{2}-\d{2}$/, 'the date is written 2026-12-02, or left empty')
    .default(''),
  price: yup
    .number()
    .min(0, 'a price is from 0 on')
    .max(1e6, 'a price is at most a million')
    .typeError('a price is a number, as 1.20')
    .nullable()
    .default(null),
});
