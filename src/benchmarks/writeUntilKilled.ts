// Writes all that is written at a bench to a database, and says which rows are kept, until it is killed.
import { type LogBody } from '@/core/log';
import { readCounted } from '@/core/supply';
import { addJob, addPhoto, appendLog, closeJob, openDatabase, putOnShelf, readLog } from '@/store';
import { someNote, someSet } from './tenYears';

const database = await openDatabase(process.argv[2]!);
const part = readCounted('C 680u 50V');
const at = new Date().toISOString();
/** Says that a row is kept, by what tells it apart. */
const kept = (table: string, column: string, is: string) => process.stdout.write(`${table} ${column} ${is}\n`);

for (;;) {
  const set = { ...someSet(0, at), id: crypto.randomUUID() };
  await addJob(database, set);
  kept('job', 'id', set.id);
  let { seq } = await readLog(database, set.id);
  const bodies: readonly LogBody[] = [
    { kind: 'power', power: 'live' },
    { kind: 'note', text: 'read' },
    { kind: 'repair', action: 'replace:C547', title: 'C547', cures: [], money: 1, minutes: 8, note: '' },
  ];
  for (const body of bodies) {
    const id = crypto.randomUUID();
    seq = await appendLog(database, set.id, [{ id, at, body }], seq);
    kept('log_entry', 'id', id);
  }
  const move = crypto.randomUUID();
  await putOnShelf(database, part, 'bench', { id: move, why: 'put', at });
  kept('stock_move', 'id', move);
  const photo = crypto.randomUUID();
  await addPhoto(database, { id: photo, job: set.id, at, type: 'image/png', bytes: Buffer.alloc(20_000, 7) });
  kept('photo', 'id', photo);
  await closeJob(database, someNote(set, at));
  kept('fault_note', 'job', set.id);
}
