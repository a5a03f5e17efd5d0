// npm start: serves the user's own data.
import path from 'node:path';
import { requireReadable } from './sound.mjs';
import { ensureBuilt, ensureInstalled, freePort, lookAhead, serveForever, tellCode, wantedPort } from './setup.mjs';
import { root } from './upToDate.mjs';

ensureInstalled();
ensureBuilt();
const database = process.env.TOVRIK_DB ?? path.join(root, 'data', 'tovrik.db');
await requireReadable(database);
const { address, ended, door } = await serveForever({
  database,
  port: await freePort(wantedPort(4870)),
  quiet: true,
});
console.log(`Tovrik: ${address}   (data in ${path.relative(process.cwd(), database)}; Ctrl C ends it)`);
tellCode(door);
void lookAhead(address);
await ended;
