'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { readDonorLine } from '@/core/supply';
import { addDonorPart, database, harvestPart, moveDonorPart, saveDonor } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { type PlanView } from './donorsModel';
import { planFor } from './load';

const id = () => yup.string().uuid('every step needs an id of its own').required('every step needs an id of its own');
const now = () => new Date().toISOString();
const text = (what: string, most: number) => yup.string().trim().max(most, `${what} has at most ${most} letters`);

const donor = yup.object({
  id: id(),
  title: text('a donor’s name', 60).required('what is the donor called?'),
  place: text('the place', 60).default(''),
  note: text('the note', 300).default(''),
});

/** Writes a donor down: what it is, where it lies, what is known of it. */
export async function keepDonor(input: unknown): Promise<Answered> {
  return answered(async () => {
    await saveDonor(await database(), { ...donor.validateSync(input), at: now() });
    revalidatePath('/donors');
    return undefined;
  });
}

const line = yup.object({
  id: id(),
  donor: yup.string().required('choose a donor'),
  typed: text('a part', 300).required('write what sits in it, as C 680u 50V lowesr x4 on PSU tested'),
});

/** Writes down what sits in a donor, as it is typed. */
export async function addTyped(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { id: own, donor: of, typed } = line.validateSync(input);
    const { board, condition, minutes, ...counted } = readDonorLine(typed);
    await addDonorPart(await database(), of, counted, { board, condition, minutes }, { id: own, at: now() });
    revalidatePath('/donors');
    revalidatePath('/parts');
    return undefined;
  });
}

const taking = yup.object({
  id: id(),
  part: yup.string().required('choose a part'),
  count: yup.number().integer('whole pieces only').min(1, 'at least one').max(1000).required(),
  how: yup.string().oneOf(['shelf', 'spoiled'], 'it goes to the ${values}').required(),
});

/** Takes parts out of a donor: onto the shelf, or spoiled on the way. */
export async function takeOut(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { id: own, part, count, how } = taking.validateSync(input, { strict: true });
    const db = await database();
    if (how === 'shelf') await harvestPart(db, part, count, own, now());
    else await moveDonorPart(db, part, -count, { id: own, at: now(), why: 'spoiled' });
    revalidatePath('/donors');
    revalidatePath('/shelf');
    return undefined;
  });
}

const asked = yup.object({
  donor: yup.string().required('choose a donor'),
  minutes: yup
    .number()
    .typeError('minutes are a number')
    .min(1, 'a plan takes a minute at least')
    .max(1440, 'a plan has a day at most')
    .required('how many minutes are there?'),
});

/** What to take out of a donor in the time there is. */
export async function askPlan(input: unknown): Promise<Answered<PlanView>> {
  return answered(async () => {
    const { donor: of, minutes } = asked.validateSync(input);
    return planFor(of, minutes);
  });
}
