import { kept } from '../../recent';
import { sumOf } from '../../statistics';
import { faultRate } from '../../parts';
import { type Sheet } from '../../sheet';

/** Closed jobs it takes before the shop's own experience weighs as much as the sheet's. */
const sheetWeight = 20;

const none: ReadonlyMap<string, number> = new Map();
const known = new WeakMap<ReadonlyMap<string, number>, WeakMap<Sheet, ReadonlyMap<string, number>>>();

/**
 * Prior probability of each fault: sheet weight × rate of the part kind, as Dirichlet
 * pseudo-counts to which the shop's own closed jobs are added.
 *
 * Worked out once for a sheet and counts, neither of which is changed afterwards.
 *
 * @param closed closed jobs of this sheet by fault id
 */
export function priorOf(sheet: Sheet, closed: ReadonlyMap<string, number> = none): ReadonlyMap<string, number> {
  const ofSheets = kept(known, closed, () => new WeakMap<Sheet, ReadonlyMap<string, number>>());
  return kept(ofSheets, sheet, () => workOut(sheet, closed));
}

function workOut(sheet: Sheet, closed: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  const rates = [...sheet.faults.values()].map((fault): [string, number] => [
    fault.id,
    fault.weight * faultRate(sheet.parts.get(fault.part)!, fault.mode),
  ]);
  const total = sumOf(rates, ([, rate]) => rate);
  const counted = rates.map(([id, rate]): [string, number] => [
    id,
    (sheetWeight * rate) / total + (closed.get(id) ?? 0),
  ]);
  const all = sumOf(counted, ([, count]) => count);
  return new Map(counted.map(([id, count]) => [id, count / all]));
}
