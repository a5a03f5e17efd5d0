// npm run lint: ESLint, the frame of the house (.dependency-cruiser.mjs), and the layout of the text.
import { ensureInstalled, runPackage, scripts } from './setup.mjs';

ensureInstalled();
const failed = [
  runPackage(scripts.eslint, ['.', '--max-warnings', '0']),
  runPackage(scripts.depcruise, ['src', '--config', '.dependency-cruiser.mjs']),
  runPackage(scripts.prettier, ['--check', '--log-level', 'warn', '.']),
].some((status) => status !== 0);
process.exitCode = failed ? 1 : 0;
