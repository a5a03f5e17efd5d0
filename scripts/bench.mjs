// npm run bench: how well faults are named, how fast the core and the interface are.
// Parts of it by name: npm run bench -- plan diagnosis speed circuits traces browser
import { ensureBuilt, ensureInstalled, runPackage, scripts } from './setup.mjs';

ensureInstalled();
const named = process.argv.slice(2);
const wanted = (part) => named.length === 0 || named.includes(part);
for (const part of ['plan', 'diagnosis', 'speed', 'circuits', 'traces'].filter(wanted))
  runPackage(scripts.tsx, [`src/benchmarks/${part}.ts`], { stdio: 'inherit' });
if (wanted('browser')) {
  ensureBuilt();
  await import('./benchBrowser.mjs');
}
