import { type Check } from '../behaviour';
import { parseQuantity, QuantityError } from '../quantity';
import { type Sheet } from '../sheet';
import { EntryError, type EntryScope, findNamed, unknownName } from './entry';

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
 * @throws EntryError when a name is not known, or is there already
 */
export function readRefinement(line: string, { sheet, checks }: EntryScope): Refinement | undefined {
  const words = line.trim().split(/\s+/);
  const first = words[0]!.toLowerCase();
  if (first === 'new') return readNewPoint(words.slice(1), sheet, checks);
  if (first !== 'learn' || words.length !== 2) return undefined;
  const named = findNamed(words.slice(1), { sheet, checks });
  if (!named) throw new EntryError(unknownName(words.slice(1), { sheet, checks }));
  return { kind: 'learn', check: named.check };
}

/** `new tp4 v12 12.1 pin 3 of CN2`: a name, the net it is on, what the manual gives and where it is. */
function readNewPoint(words: readonly string[], sheet: Sheet, checks: EntryScope['checks']): Refinement {
  const [name = '', on = '', third = ''] = words;
  const example = `like "new tp4 ${[...sheet.nets.keys()][0] ?? 'v12'} 12.1 pin 3"`;
  if (!/^[a-z][\w-]{0,30}$/i.test(name) || on === '') {
    throw new EntryError(`a new point needs a short name, its net, and if known the volts and the place, ${example}`);
  }
  if (findNamed([name], { sheet, checks })) throw new EntryError(`${sheet.title} has a point "${name}" already`);
  const net = [...sheet.nets.keys()].find((id) => id.toLowerCase() === on.toLowerCase());
  if (net === undefined) {
    throw new EntryError(`${sheet.title} has no net "${on}"; it has ${[...sheet.nets.keys()].join(', ')}`);
  }
  if (!/^[-+.,\d]/.test(third)) return { kind: 'new point', name, net, where: words.slice(2).join(' ') };
  try {
    const { value, unit } = parseQuantity(third);
    if (unit !== undefined && unit !== 'V') throw new EntryError(`a new point is read in volts, ${example}`);
    return { kind: 'new point', name, net, volts: value, where: words.slice(3).join(' ') };
  } catch (error) {
    if (error instanceof QuantityError) throw new EntryError(error.message);
    throw error;
  }
}
