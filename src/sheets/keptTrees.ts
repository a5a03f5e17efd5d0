import { type KeptTrees, type PackedText } from '@/core/sheet';
import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** More than all shipped sheets, and a sheet being worked on. */
const mostKept = 48;

/** Counted up when what is kept for a text changes its form. */
const form = 1;

/**
 * Parsed sheets in a folder, one file a text, the oldest going first. What cannot be read or written there is as if it
 * had not been kept.
 */
export function treesIn(folder: string): KeptTrees {
  const fileOf = (text: string) =>
    path.join(folder, `${createHash('sha1').update(`${form}\n${text}`).digest('hex')}.json`);
  return {
    get: (text) => tried(() => JSON.parse(readFileSync(fileOf(text), 'utf8')) as PackedText),
    set: (text, packed) => {
      tried(() => {
        mkdirSync(folder, { recursive: true });
        makeRoom(folder);
        const file = fileOf(text);
        // Another process never reads half of it.
        writeFileSync(`${file}.${process.pid}`, JSON.stringify(packed));
        renameSync(`${file}.${process.pid}`, file);
      });
    },
  };
}

/** Trees of the shipped sheets and of those checked lately; they may be deleted at any time. */
export const keptTrees: KeptTrees = treesIn(path.join(process.cwd(), '.tovrik', 'sheets'));

function makeRoom(folder: string): void {
  const files = readdirSync(folder).map((name) => path.join(folder, name));
  if (files.length < mostKept) return;
  files
    .map((file) => ({ file, written: statSync(file).mtimeMs }))
    .toSorted((a, b) => b.written - a.written)
    .slice(mostKept - 1)
    .forEach(({ file }) => rmSync(file, { force: true }));
}

function tried<T>(act: () => T): T | undefined {
  try {
    return act();
  } catch {
    return undefined;
  }
}
