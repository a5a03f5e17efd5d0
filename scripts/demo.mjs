// npm run demo: installs, builds, seeds the demo scenario into its own database and serves it.
import path from 'node:path';
import { seed } from './seed.mjs';
import {
  ensureBuilt,
  ensureInstalled,
  freePort,
  lookAhead,
  playSuppliers,
  serveForever,
  tellCode,
  wantedPort,
} from './setup.mjs';
import { workFolder } from './upToDate.mjs';

ensureInstalled();
ensureBuilt();
const database = path.join(workFolder, 'demo.db');
seed(database, { fresh: process.argv.includes('--fresh') });
const suppliers = playSuppliers(database, await freePort(4895));
const { address, ended, door } = await serveForever({
  database,
  port: await freePort(wantedPort(4880)),
  quiet: true,
  // The sets are invented, so their readings may be.
  simulatedMeter: true,
});
console.log(`Tovrik demo: ${address}   (Ctrl C ends it; "npm run demo -- --fresh" starts the scenario anew)`);
tellCode(door);
void lookAhead(address);
await ended;
suppliers.kill('SIGTERM');
