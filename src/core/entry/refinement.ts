import { type Check } from '../behaviour';
import { parseQuantity, Refusal } from '../quantity';
import { type Sheet } from '../sheet';
import { type EntryScope, findNamed, unknownPoint } from './named';

/** What a line typed at the bench adds to the sheet of the set. */
export type Refinement =
  | {
      readonly kind: 'new point';
      readonly name: string;
      readonly net: string;
      /** Volts a good set shows there; absent where nobody knows. */
      readonly volts?: number;
      readonly where: string;
    }
  | { readonly kind: 'learn'; readonly check: Check };

/**
 * Reads a line that refines the sheet: `new tp4 v12 12.1 pin 3` puts a point in, `learn tp4` takes its
 * last reading as what a good set shows. Undefined for any other line.
 *
 * @throws Refusal when a name is not known, or is there already
 */
export function readRefinement(line: string, scope: EntryScope): Refinement | undefined {
  const words = line.trim().split(/\s+/);
  const first = words[0]!.toLowerCase();
  if (first === 'new') return readNewPoint(words.slice(1), scope);
  if (first !== 'learn' || words.length !== 2) return undefined;
  const named = findNamed(words.slice(1), { ...scope, focus: undefined });
  if (!named) throw unknownPoint(words.slice(1), scope);
  return { kind: 'learn', check: named.check };
}

/** `new tp4 v12 12.1 pin 3 of CN2`: a name, the net it is on, what the manual gives and where it is. */
function readNewPoint(words: readonly string[], { sheet, checks }: EntryScope): Refinement {
  const [name = '', on = '', third = ''] = words;
  const example = `like "new tp4 ${[...sheet.nets.keys()][0] ?? 'v12'} 12.1 pin 3"`;
  if (!/^[a-z][\w-]{0,30}$/i.test(name) || on === '')
    throw new Refusal(`a new point needs a short name, its net, and if known the volts and the place, ${example}`);
  if (findNamed([name], { sheet, checks })) throw new Refusal(`${sheet.title} has a point "${name}" already`);
  const net = netNamed(on, sheet);
  if (!/^[-+.,\d]/.test(third)) return { kind: 'new point', name, net, where: words.slice(2).join(' ') };
  const { value, unit } = parseQuantity(third);
  if (unit !== undefined && unit !== 'V') throw new Refusal(`a new point is read in volts, ${example}`);
  return { kind: 'new point', name, net, volts: value, where: words.slice(3).join(' ') };
}

function netNamed(name: string, { title, nets }: Sheet): string {
  const net = [...nets.keys()].find((id) => id.toLowerCase() === name.toLowerCase());
  if (net === undefined) throw new Refusal(`${title} has no net "${name}"; it has ${[...nets.keys()].join(', ')}`);
  return net;
}
