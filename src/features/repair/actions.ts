'use server';

import { revalidatePath } from 'next/cache';
import { database, setWaiting } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { waitingSchema } from './waitingSchema';

/** Puts a set aside until something comes, or takes it up again where it waits for nothing. */
export async function putAside(job: string, input: unknown): Promise<Answered> {
  return answered(async () => {
    const { for: cause, note, until } = waitingSchema.validateSync(input);
    await setWaiting(await database(), job, cause === '' ? null : { for: cause, note, until });
    revalidatePath('/');
    return undefined;
  });
}
