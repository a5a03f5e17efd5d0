'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { needStates } from '@/core/supply';
import { database, moveNeed } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { orderSchema } from './orderSchema';

const id = () => yup.string().uuid('every step needs an id of its own').required('every step needs an id of its own');
const now = () => new Date().toISOString();

const step = yup
  .object({
    id: id(),
    need: yup.string().required('choose what it is about'),
    state: yup.string().oneOf(needStates, 'a need is ${values}').required('say where it stands'),
  })
  .concat(orderSchema);

/** Moves a need on: ordered, here, wrong, fitted. */
export async function stepNeed(input: unknown): Promise<Answered> {
  return answered(async () => {
    const change = step.validateSync(input);
    await moveNeed(await database(), { ...change, price: change.price ?? null, at: now() });
    revalidatePath('/parts');
    revalidatePath('/');
    return undefined;
  });
}
