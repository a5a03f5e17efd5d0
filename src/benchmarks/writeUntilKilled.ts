// Writes lines, parts and photographs to a database and says which are kept, until it is killed.
import { readCounted } from '@/core/supply';
import { addPhoto, appendLog, openDatabase, putOnShelf, readLog } from '@/store';

const database = await openDatabase(process.argv[2]!);
const job = process.argv[3]!;
const part = readCounted('C 680u 50V');
const at = new Date().toISOString();
let { seq } = await readLog(database, job);
for (;;) {
  const id = crypto.randomUUID();
  seq = await appendLog(database, job, [{ id, at, body: { kind: 'note', text: id } }], seq);
  process.stdout.write(`log_entry ${id}\n`);
  const move = crypto.randomUUID();
  await putOnShelf(database, part, 'bench', { id: move, why: 'put', at });
  process.stdout.write(`stock_move ${move}\n`);
  const photo = crypto.randomUUID();
  await addPhoto(database, { id: photo, job, at, type: 'image/png', bytes: Buffer.alloc(20_000, 7) }).catch(
    () => undefined,
  );
}
