'use server';

import { revalidatePath } from 'next/cache';
import { ValidationError } from 'yup';
import { type Complaint } from '@/core/diagnosis';
import { SheetError } from '@/core/sheet';
import { readLibrary, sheetOf } from '@/features/sheets/library';
import { addJob, database } from '@/store';
import { takeInSchema } from './takeInSchema';

/**
 * Stores a set taken in.
 *
 * @returns the message to show where the form is not right; undefined when it was stored
 */
export async function takeIn(input: unknown): Promise<string | undefined> {
  try {
    const form = takeInSchema.validateSync(input);
    const options = form.options as Record<string, string>;
    if (!sheetOf(await readLibrary(), { sheet: form.sheet, options, label: {} }))
      return `there is no sheet "${form.sheet}"`;
    await addJob(await database(), {
      ...form,
      label: form.label as Record<string, number>,
      options,
      complaint: form.complaint as Complaint,
      waiting: null,
      createdAt: new Date().toISOString(),
      closedAt: null,
    });
    revalidatePath('/');
    return undefined;
  } catch (error) {
    if (error instanceof SheetError) return error.message;
    if (error instanceof ValidationError) return error.errors[0] ?? error.message;
    throw error;
  }
}
