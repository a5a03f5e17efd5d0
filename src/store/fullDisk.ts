import { Refusal } from '@/core/quantity';

/** What SQLite and the file system say where there is no room left to write. */
const codes = new Set(['SQLITE_FULL', 'SQLITE_IOERR_SHMSIZE', 'ENOSPC', 'EDQUOT']);

/**
 * SQLite undoes a transaction by itself where the disk fails under it, and Knex then asks for that once more: its error
 * takes the place of the first.
 */
const undoneTwice = /cannot rollback - no transaction is active/;

/** The refusal that an error for want of room on the disk comes to; undefined for any other error. */
export function fullDisk(error: unknown): Refusal | undefined {
  if (!(error instanceof Error)) return undefined;
  const isFull = 'code' in error && typeof error.code === 'string' && codes.has(error.code);
  return isFull || undoneTwice.test(error.message)
    ? new Refusal('the disk is full or fails, and nothing was written: make room on it, then do the same once more')
    : undefined;
}
