import { existsSync, renameSync, rmSync } from 'node:fs';
import { fail, runPackage, scripts } from './setup.mjs';

/** Makes a demo database, whole or not at all. */
export function seed(file, { fresh = false } = {}) {
  if (existsSync(file) && !fresh) return;
  const draft = `${file}.new`;
  const pieces = (name) => [name, `${name}-wal`, `${name}-shm`];
  for (const piece of [...pieces(draft), ...pieces(file)]) rmSync(piece, { force: true });
  console.error('Seeding the demo scenario.');
  if (runPackage(scripts.tsx, ['src/cli/seedDemo.ts', draft]) !== 0) fail('Seeding failed: see above.');
  renameSync(draft, file);
}
