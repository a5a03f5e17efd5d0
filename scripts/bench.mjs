// npm run bench: how well faults are named, how fast the core and the interface are.
// Parts of it by name: npm run bench -- plan diagnosis openworld entered speed circuits traces supply setup shop pages tracing practice browser; of diagnosis, sheets by their id
import { ensureBuilt, ensureInstalled, runPackage, scripts } from './setup.mjs';

ensureInstalled();
const named = process.argv.slice(2);
const wanted = (part) => named.length === 0 || named.includes(part);
const parts = [
  'plan',
  'diagnosis',
  'openworld',
  'entered',
  'speed',
  'circuits',
  'traces',
  'supply',
  'setup',
  'shop',
  'pages',
  'tracing',
  'practice',
  'browser',
];
if (wanted('pages')) ensureBuilt();
for (const part of parts.filter((part) => part !== 'browser' && wanted(part)))
  runPackage(scripts.tsx, [`src/benchmarks/${part}.ts`, ...named.filter((word) => !parts.includes(word))], {
    stdio: 'inherit',
  });
if (wanted('browser')) {
  ensureBuilt();
  await import('./benchBrowser.mjs');
}
