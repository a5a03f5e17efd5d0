// What is installed and built, and whether it is of the sources as they stand. Loads little: every command begins here.
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
process.chdir(root);

/** Where the demo, tests and benchmarks keep what they make. */
export const workFolder = path.join(root, '.tovrik');
mkdirSync(workFolder, { recursive: true });

export function digest(files) {
  const hash = createHash('sha1');
  for (const file of files) hash.update(file).update(readFileSync(path.join(root, file)));
  return hash.digest('hex');
}

export function stamped(file, stamp) {
  return existsSync(file) && readFileSync(file, 'utf8') === stamp;
}

export function sources(folder) {
  return readdirSync(path.join(root, folder), { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && !/\.test\.tsx?$/.test(entry.name))
    .map((entry) => path.relative(root, path.join(entry.parentPath ?? entry.path, entry.name)))
    .sort();
}

/** What the packages were installed from. */
export const installed = {
  file: path.join(root, 'node_modules', '.tovrik-lock'),
  stamp: () => digest(['package-lock.json', 'package.json']),
};

export const isInstalled = () => stamped(installed.file, installed.stamp());

/** The command line as a file for Node. */
export const commandLine = path.join(workFolder, 'commandLine', 'main.js');

/** Is none of its sources newer? */
export function isCommandLineBuilt() {
  const changed = (file) => statSync(path.join(root, file)).mtimeMs;
  const files = [...['src/core', 'src/store', 'src/cli', 'src/sheets'].flatMap(sources), 'package-lock.json'];
  return existsSync(commandLine) && Math.max(...files.map(changed)) < statSync(commandLine).mtimeMs;
}
