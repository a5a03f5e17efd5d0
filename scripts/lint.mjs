// npm run lint: ESLint, the frame of the house (.dependency-cruiser.mjs), and the layout of the text.
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureInstalled, runPackage, scripts } from './setup.mjs';

/** Is everything as it should be? What is not is printed. */
export function lint() {
  return [
    runPackage(scripts.eslint, ['.', '--max-warnings', '0']),
    runPackage(scripts.depcruise, ['src', '--config', '.dependency-cruiser.mjs']),
    runPackage(scripts.prettier, ['--check', '--log-level', 'warn', '.']),
  ].every((status) => status === 0);
}

if (path.resolve(process.argv[1]) === fileURLToPath(import.meta.url)) {
  ensureInstalled();
  process.exitCode = lint() ? 0 : 1;
}
