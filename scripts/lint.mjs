// npm run lint: ESLint, the frame of the house (.dependency-cruiser.mjs), and the layout of the text.
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureInstalled, runBeside, scripts } from './setup.mjs';

/** Is everything as it should be? What is not is printed. */
export async function lint() {
  const others = async () => [
    await runBeside(scripts.depcruise, ['src', '--config', '.dependency-cruiser.mjs']),
    await runBeside(scripts.prettier, ['--check', '--log-level', 'warn', '.']),
  ];
  const [own, rest] = await Promise.all([runBeside(scripts.eslint, ['.', '--max-warnings', '0']), others()]);
  return [own, ...rest].every((status) => status === 0);
}

if (path.resolve(process.argv[1]) === fileURLToPath(import.meta.url)) {
  ensureInstalled();
  process.exitCode = (await lint()) ? 0 : 1;
}
