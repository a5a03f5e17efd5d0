import { priorOf } from '../diagnosis';
import { type Sheet } from '../sheet';

/**
 * Chance of each part to be what fails next in a set that works, by what its sheet expects and the shop has found.
 *
 * @param closed closed jobs of this sheet by fault id
 */
export function nextToFail(sheet: Sheet, closed: ReadonlyMap<string, number>): Map<string, number> {
  const chances = new Map<string, number>();
  for (const [fault, chance] of priorOf(sheet, closed)) {
    const { part } = sheet.faults.get(fault)!;
    chances.set(part, (chances.get(part) ?? 0) + chance);
  }
  return chances;
}
