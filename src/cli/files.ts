import { readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { longestSheet, readSheet, type Sheet } from '@/core/sheet';
import { UsageError } from './usage';

/** A path as the user gave it, from the folder the user stands in. */
export function fromHere(file: string): string {
  return path.resolve(process.env.TOVRIK_CWD ?? process.cwd(), file);
}

/** Nothing longer is read: no sheet or list of observations comes near it. */
const longestFile = 4 * longestSheet;

/**
 * @throws UsageError when there is no such file or it is far too long
 */
export function readText(file: string): string {
  const place = fromHere(file);
  try {
    if (statSync(place).size > longestFile)
      throw new UsageError(`${file}: longer than ${longestFile / 1024} KB, which no sheet is`);
    return readFileSync(place, 'utf8');
  } catch (error) {
    if (error instanceof UsageError) throw error;
    throw new UsageError(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}

/**
 * @throws SheetError when the sheet has problems, UsageError when there is no file
 */
export function sheetFrom(file: string | undefined): Sheet {
  if (file === undefined) throw new UsageError('name the sheet’s file');
  return readSheet(readText(file));
}
