import 'server-only';
import { readNetlist } from '@/core/circuit';
import { patternOf, traceOf, type TracedPattern } from '@/core/tracing';
import { shippedStages } from '@/sheets/stages';

let boards: TracedPattern[] | undefined;

/**
 * Are two pins one node of the board that a stand-in plays? It is the shipped stage that shares most parts, by name and
 * kind, with what was typed.
 */
export function areJoined(lines: readonly string[], a: string, b: string): boolean {
  boards ??= shippedStages().map(({ id, text }) => patternOf(id, readNetlist(text)));
  const typed = new Map(traceOf(lines).parts.map(({ ref, kind }) => [ref, kind]));
  const shared = ({ parts }: TracedPattern) => parts.filter(({ ref, kind }) => typed.get(ref) === kind).length;
  const [board] = boards.toSorted((one, other) => shared(other) - shared(one));
  return board !== undefined && board.nodes.some((spots) => spots.includes(a) && spots.includes(b));
}
