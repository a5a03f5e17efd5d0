'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { readCounted } from '@/core/supply';
import { addNeed, database, takeForNeed, takeFromDonor } from '@/store';
import { answered, type Answered } from '@/workshop/answer';

const id = () => yup.string().uuid('every step needs an id of its own').required('every step needs an id of its own');
const now = () => new Date().toISOString();

const wanted = yup.object({
  id: id(),
  job: yup.string().required('choose the set it is for'),
  typed: yup
    .string()
    .trim()
    .max(300, 'a part is written in 300 letters at most')
    .required('write the part, as C 680u 50V 105 lowesr x4'),
});

/** Writes down what a set needs, as it is typed: `C 680u 50V 105 lowesr x4`. */
export async function wantPart(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { id: own, job, typed } = wanted.validateSync(input);
    await addNeed(await database(), job, readCounted(typed), own, now());
    revalidatePath('/parts');
    return undefined;
  });
}

const taken = yup.object({
  id: id(),
  need: yup.string().required('choose what it is for'),
  part: yup.string().required('choose a part'),
  from: yup.string().oneOf(['shelf', 'donor'], 'it is taken from a ${values}').required('where is it taken from?'),
});

/** Takes what is needed from the shelf, or out of a donor. */
export async function takeFromHouse(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { id: own, need, part, from } = taken.validateSync(input, { strict: true });
    await (from === 'shelf' ? takeForNeed : takeFromDonor)(await database(), need, part, own, now());
    revalidatePath('/parts');
    revalidatePath('/shelf');
    revalidatePath('/donors');
    return undefined;
  });
}
