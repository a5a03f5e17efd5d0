import { kept } from '../recent';
import { type Sheet } from '../sheet';
import { repairActions, type RepairAction } from './repairs';

const known = new WeakMap<Sheet, ReadonlyMap<string, RepairAction>>();

/**
 * Faults of a sheet that a repair has dealt with: those it was recorded for, and all that what was done puts
 * right by the sheet as it is now, listed or not.
 */
export function dealtWith(
  sheet: Sheet,
  { action, cures }: Pick<RepairAction, 'cures'> & { readonly action: string },
): ReadonlySet<string> {
  const actions = kept(known, sheet, () => new Map(repairActions(sheet).map((one) => [one.id, one])));
  return new Set([...cures, ...(actions.get(action)?.cures ?? [])]);
}
