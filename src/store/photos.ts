import { Refusal } from '@/core/quantity';
import { type Knex } from 'knex';

/** A photograph of a job. */
export interface Photo {
  readonly id: string;
  readonly job: string;
  /** ISO 8601 instant. */
  readonly at: string;
  readonly type: string;
  readonly bytes: Buffer;
}

/** So many photographs are kept of one job. */
export const mostPhotos = 150;

/** The job has as many photographs as are kept. */
export class TooManyPhotos extends Refusal {
  override readonly name = 'TooManyPhotos';
}

/**
 * Keeps a photograph; one of an id that is there already is left as it is.
 *
 * @throws TooManyPhotos
 */
export async function addPhoto(db: Knex, photo: Photo): Promise<void> {
  await db.transaction(async (transaction) => {
    const counted = await transaction<Photo>('photo')
      .where({ job: photo.job })
      .whereNot({ id: photo.id })
      .count<{ count: number }[]>({ count: '*' });
    if (counted[0]!.count >= mostPhotos) throw new TooManyPhotos(`job ${photo.job} has ${mostPhotos} photographs`);
    await transaction<Photo>('photo').insert(photo).onConflict('id').ignore();
  });
}

export async function findPhoto(db: Knex, job: string, id: string): Promise<Photo | undefined> {
  return db<Photo>('photo').where({ job, id }).first();
}
