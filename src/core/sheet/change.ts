import * as yup from 'yup';

/** What is learnt of a sheet at the bench: a point it lacks, or what a good set reads. */
export const sheetChangeSchema = yup.object({
  point: yup
    .string()
    .matches(/^[A-Za-z][\w-]{0,30}$/, 'a short name, like tp4')
    .required(),
  net: yup.string().max(60),
  where: yup.string().max(200, 'a place of at most 200 letters'),
  volts: yup.number().min(-60_000).max(60_000),
  source: yup
    .string()
    .oneOf(['manual', 'good set'] as const)
    .required(),
});

/** A change as {@link sheetChangeSchema} takes it. */
export type SheetChange = yup.InferType<typeof sheetChangeSchema>;
