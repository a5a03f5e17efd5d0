import { type RepairAction } from './repairs';

const prefix = 'replace:';

/** References of the parts that repairs have put new ones in for. */
export const replacedParts = (
  repairs: readonly { readonly repair: { readonly action: RepairAction['id'] } }[],
): ReadonlySet<string> =>
  new Set(
    repairs.flatMap(({ repair: { action } }) => (action.startsWith(prefix) ? [action.slice(prefix.length)] : [])),
  );
