import { attempt, Refusal } from '../quantity';
import { readFact, type TracedFact } from './fact';
import { readTracedPart, type TracedPart } from './part';
import { readPath, type TracedPath, withLook } from './path';
import { bareBoard, isOfBoard, type TracedBoard, withPlaced } from './place';
import { readLift, readShort, type TracedShort } from './short';
import { readSpotVolts, type SpotVolts } from './volts';

/** What was typed while a board was traced, read. */
export interface Trace {
  readonly parts: readonly TracedPart[];
  readonly facts: readonly TracedFact[];
  readonly board: TracedBoard;
  /** The place that reads like a short, while it is followed. */
  readonly short?: TracedShort | undefined;
  /** What goes from one spot to another and is followed, while it is. */
  readonly path?: TracedPath | undefined;
  /** What spots read with the set live, each once. */
  readonly volts: readonly SpotVolts[];
}

/** `rail +12`, or two spots: a fact; else a part. */
const isFact = (typed: string): boolean =>
  typed.trim().split(/\s+/).length >= 2 && /^\s*(?:[A-Za-z]{1,4}\d[\w-]*[.:]\w+|gnd|[+-]\d[\d.]*v?)\s/i.test(typed);

/** Is it a line of what is measured with the set cold: a beep, or what lifting a part did? */
export const isOfColdSet = (typed: string): boolean => isFact(typed) || /^\s*(?:short|lifted)\b/i.test(typed);

/** Reads one more line upon what was typed before. @throws Refusal */
export function withTraced(trace: Trace, typed: string): Trace {
  const parts = new Map(trace.parts.map((part) => [part.ref, part]));
  const [word = ''] = typed.trim().toLowerCase().split(/\s+/);
  if (isOfBoard(word)) return { ...trace, board: withPlaced(trace.board, typed, parts) };
  if (word === 'volts') {
    const { at, volts } = readSpotVolts(typed, parts);
    const others = trace.volts.filter((one) => one.at !== at);
    return { ...trace, volts: volts === undefined ? others : [...others, { at, volts }] };
  }
  if (word === 'short') {
    const short = readShort(typed, parts);
    return short ? { ...trace, short, path: undefined } : { ...trace, short };
  }
  if (word === 'lifted') {
    if (!trace.short) throw new Refusal('nothing is followed: say first what reads like a short, short +12 0.8');
    return { ...trace, short: { ...trace.short, lifts: [...trace.short.lifts, readLift(typed, parts)] } };
  }
  // One thing is followed at a time.
  if (word === 'path') {
    const path = readPath(typed, parts);
    return path ? { ...trace, path, short: undefined } : { ...trace, path };
  }
  if (word === 'there' || word === 'gone') {
    if (!trace.path) throw new Refusal('nothing is followed: say first where from and where to, path IC1.8 CN9.3');
    return { ...trace, path: withLook(trace.path, typed, parts) };
  }
  if (isFact(typed)) return { ...trace, facts: [...trace.facts, readFact(typed, parts)] };
  const part = readTracedPart(typed);
  const known = parts.get(part.ref);
  // What was traced by its pins here may turn out to be a plug.
  const isItsPlug = known?.kind === 'chip' && part.kind === 'plug' && part.pins.length >= 2 * known.pins.length;
  if (known && known.kind !== part.kind && !isItsPlug)
    throw new Refusal(`${part.ref} is there as ${known.kind}: take that line back first`);
  // A part that is typed once more gets its value, or another.
  return { ...trace, parts: [...trace.parts.filter(({ ref }) => ref !== part.ref), part] };
}

/** All lines, in their order; those that cannot be read are passed over with why. */
export function traceOf(lines: readonly string[]): Trace & { readonly refused: readonly string[] } {
  let trace: Trace = { parts: [], facts: [], board: bareBoard, volts: [] };
  const refused: string[] = [];
  for (const line of lines) {
    const next = attempt(() => withTraced(trace, line));
    if (next instanceof Refusal) refused.push(`${line}: ${next.message}`);
    else trace = next;
  }
  return { ...trace, refused };
}
