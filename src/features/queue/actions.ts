'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { database, pinJob } from '@/store';
import { answered, type Answered } from '@/workshop/answer';

const pinSchema = yup.object({ id: yup.string().uuid().required(), pinned: yup.boolean().required() });

/** Puts a set first on the queue by hand, or back to where its worth puts it. */
export async function pinSet(id: string, pinned: boolean): Promise<Answered> {
  return answered(async () => {
    const asked = pinSchema.validateSync({ id, pinned });
    await pinJob(await database(), asked.id, asked.pinned);
    revalidatePath('/');
    return undefined;
  });
}
