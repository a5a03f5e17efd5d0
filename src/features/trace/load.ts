import 'server-only';
import { readNetlist } from '@/core/circuit';
import { patternOf, type TracedPattern } from '@/core/tracing';
import { shippedStages } from '@/sheets/stages';

let patterns: TracedPattern[] | undefined;

/** The stages that a board may turn out to be. */
export function loadPatterns(): TracedPattern[] {
  return (patterns ??= shippedStages().map(({ id, text }) => patternOf(id, readNetlist(text))));
}
