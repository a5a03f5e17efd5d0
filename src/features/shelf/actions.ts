'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { readCounted } from '@/core/supply';
import { database, moveStock, putOnShelf, type StockRow, takeMoveBack } from '@/store';
import { answered, type Answered } from '@/workshop/answer';

const id = () =>
  yup.string().uuid('every movement needs an id of its own').required('every movement needs an id of its own');
const typedPart = yup.object({
  id: id(),
  typed: yup.string().trim().max(300, 'a part is written in 300 letters at most').required('write the part'),
  origin: yup.string().trim().max(60, 'where it came from is said in 60 letters at most').default('new'),
});
const move = yup.object({
  id: id(),
  part: yup.string().required('choose a part'),
  delta: yup
    .number()
    .integer('whole pieces only')
    .min(-100_000, 'so many are never taken')
    .max(100_000, 'so many are never put')
    .notOneOf([0], 'none is no movement')
    .required('how many?'),
  counted: yup.boolean().default(false),
});

/** Puts a part on the shelf as it is typed: `C 680u 50V x4 in B3`. */
export async function putTyped(input: unknown): Promise<Answered<StockRow>> {
  return answered(async () => {
    const { id: own, typed, origin } = typedPart.validateSync(input);
    const row = await putOnShelf(await database(), readCounted(typed), origin, {
      id: own,
      at: new Date().toISOString(),
      why: 'put',
    });
    revalidatePath('/shelf');
    return row;
  });
}

/** Takes pieces off the shelf, puts some back, or sets right what was counted; gives how many there are then. */
export async function movePieces(input: unknown): Promise<Answered<number>> {
  return answered(async () => {
    const { id: own, part, delta, counted } = move.validateSync(input);
    const at = new Date().toISOString();
    const why = counted ? 'counted' : delta < 0 ? 'taken' : 'put';
    const count = await moveStock(await database(), part, delta, { id: own, at, why });
    revalidatePath('/shelf');
    return count;
  });
}

/** Takes a movement back. */
export async function undoMove(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { id: own, move: undone } = yup.object({ id: id(), move: id() }).validateSync(input, { strict: true });
    await takeMoveBack(await database(), undone, own, new Date().toISOString());
    revalidatePath('/shelf');
    return undefined;
  });
}
