import { Refusal } from '@/core/quantity';
import { command } from './command';
import { fromHere } from './files';

export const backup = command({
  name: 'backup',
  takes: 'FOLDER',
  about: 'A consistent copy of the user’s data, also while the server runs.',
  async answer({ words: [folder] }) {
    if (folder === undefined) throw new Refusal('name the folder for the copy');
    // The other commands need no database.
    const { backupInto, database } = await import('@/store');
    const db = await database();
    try {
      return { copy: await backupInto(db, fromHere(folder), new Date()) };
    } finally {
      await db.destroy();
    }
  },
});
