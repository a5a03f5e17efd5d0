'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { needStates, readCounted } from '@/core/supply';
import { addNeed, database, moveNeed, takeForNeed } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { orderSchema } from './orderSchema';

const id = () => yup.string().uuid('every step needs an id of its own').required('every step needs an id of its own');
const now = () => new Date().toISOString();

/** Writes down what a set needs, as it is typed: `C 680u 50V 105 lowesr x4`. */
export async function wantPart(input: unknown): Promise<Answered> {
  return answered(async () => {
    const {
      id: own,
      job,
      typed,
    } = yup
      .object({
        id: id(),
        job: yup.string().required('choose the set it is for'),
        typed: yup
          .string()
          .trim()
          .max(300, 'a part is written in 300 letters at most')
          .required('write the part, as C 680u 50V 105 lowesr x4'),
      })
      .validateSync(input);
    await addNeed(await database(), job, readCounted(typed), own, now());
    revalidatePath('/parts');
    return undefined;
  });
}

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

/** Takes what is needed from the shelf. */
export async function takeFromShelf(input: unknown): Promise<Answered> {
  return answered(async () => {
    const {
      id: own,
      need,
      part,
    } = yup
      .object({
        id: id(),
        need: yup.string().required('choose what it is for'),
        part: yup.string().required('choose a part'),
      })
      .validateSync(input, { strict: true });
    await takeForNeed(await database(), need, part, own, now());
    revalidatePath('/parts');
    revalidatePath('/shelf');
    return undefined;
  });
}
