// npm run dev: the development server on the demo's database.
import path from 'node:path';
import { seed } from './seed.mjs';
import { ensureInstalled, freePort, runPackage, scripts } from './setup.mjs';
import { workFolder } from './upToDate.mjs';

ensureInstalled();
const database = path.join(workFolder, 'demo.db');
seed(database);
process.env.TOVRIK_DB = database;
runPackage(scripts.next, ['dev', '-H', '127.0.0.1', '-p', String(await freePort(4890))], { stdio: 'inherit' });
