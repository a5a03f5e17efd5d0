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

/** Keeps a photograph; one of an id that is there already is left as it is. */
export async function addPhoto(db: Knex, photo: Photo): Promise<void> {
  await db<Photo>('photo').insert(photo).onConflict('id').ignore();
}

export async function findPhoto(db: Knex, job: string, id: string): Promise<Photo | undefined> {
  return db<Photo>('photo').where({ job, id }).first();
}
