import { attempt, parseQuantity, Refusal } from '../quantity';
import { isRail, type Spot, type TracedPart } from './part';

/** What was found between two spots: a beep, none, or ohms. */
export interface TracedFact {
  readonly a: Spot;
  readonly b: Spot;
  readonly found: 'joined' | 'apart';
  /** What was read where it did not beep. */
  readonly ohms?: number;
}

/** Below this it counts as a beep. */
export const beepOhms = 2;

const example = 'R12.1 Q5.b · R12.2 +12 · R12.1 not Q5.e · R12.1 Q5.c 4k7 · D3.k gnd';

/** A spot as it is typed. @throws Refusal where there is no such pin */
export function readSpot(typed: string, parts: ReadonlyMap<string, TracedPart>): Spot {
  const lower = typed.toLowerCase();
  if (lower === 'gnd' || lower === 'ground' || typed === '0') return 'gnd';
  if (/^[+-]\d+(?:\.\d+)?v?$/i.test(typed)) return lower.replace(/v$/, '');
  const [, name = '', pin = ''] = /^([A-Za-z]{1,4}\d[\w-]*?)[.: ]?((?<=[.: ])\w+|[a-z])?$/i.exec(typed) ?? [];
  const part = parts.get(name.toUpperCase());
  if (!part) throw new Refusal(`there is no "${typed}" here: a pin is R12.1 or Q5.b, a rail +12, the ground gnd`);
  const found = part.pins.find((one) => one === pin.toLowerCase());
  if (found === undefined)
    throw new Refusal(
      `${part.ref} has the pins ${part.pins.slice(0, 12).join(', ')}: write ${part.ref}.${part.pins[0]!}`,
    );
  return `${part.ref}.${found}`;
}

/**
 * Reads what was beeped: two spots, and `not` or ohms where there was no beep.
 *
 * @throws Refusal
 */
export function readFact(typed: string, parts: ReadonlyMap<string, TracedPart>): TracedFact {
  const words = typed.trim().split(/\s+/);
  const apart = words.some((word) => /^(?:not|x|no)$/i.test(word));
  const [first, second, ohms, ...more] = words.filter((word) => !/^(?:not|x|no|yes|beep)$/i.test(word));
  if (first === undefined || second === undefined || more.length > 0) throw new Refusal(`two spots a line: ${example}`);
  const [a, b] = [readSpot(first, parts), readSpot(second, parts)];
  if (a === b) throw new Refusal(`${a} twice: a beep is between two spots`);
  if (isRail(a) && isRail(b) && !apart && ohms === undefined)
    throw new Refusal(`${a} on ${b} would be a short of two rails: if it is one, follow it on the bench first`);
  if (ohms === undefined) return { a, b, found: apart ? 'apart' : 'joined' };
  if (/^[+-]/.test(ohms)) throw new Refusal(`"${ohms}" is no ohms: ${example}`);
  const read = /^ol$/i.test(ohms) ? { value: Infinity } : attempt(() => parseQuantity(ohms));
  if (read instanceof Refusal || !(read.value >= 0)) throw new Refusal(`"${ohms}" is no ohms: ${example}`);
  return { a, b, found: read.value < beepOhms ? 'joined' : 'apart', ohms: read.value };
}
