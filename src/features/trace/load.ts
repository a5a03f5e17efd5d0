import 'server-only';
import { readNetlist } from '@/core/circuit';
import { standing } from '@/core/log';
import { isAnyMake } from '@/core/sheet';
import { patternOf, type TracedPattern } from '@/core/tracing';
import { shippedStages } from '@/sheets/stages';
import { database, lastWith } from '@/store';

let patterns: TracedPattern[] | undefined;

/** The stages that a board may turn out to be. */
export function loadPatterns(): TracedPattern[] {
  return (patterns ??= shippedStages().map(({ id, text }) => patternOf(id, readNetlist(text))));
}

/** What was traced on the last set of its make, line by line; empty where none was, or its make is not known. */
export async function loadTracedBefore(job: string, sheet: string): Promise<string[]> {
  if (isAnyMake(sheet)) return [];
  const entries = await lastWith(await database(), 'traced', [sheet], job);
  return standing(entries, 'traced').map(({ body }) => body.text);
}
