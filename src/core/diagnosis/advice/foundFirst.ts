import { isSearch } from '../../repair';
import { type Briefed } from './briefed';
import { type FoundPart } from './found';

/**
 * What was found bad and is put right before the leading repair: whatever that cures, this stays bad. A part that no
 * sheet knows comes first only where nothing else is to be done than to look.
 *
 * @returns undefined where a probe or a proof comes first, nothing was found, or the leading repair deals with what was
 */
export function foundFirst({
  next,
  repairs: [repair],
  found,
  suspects,
}: Pick<Briefed, 'next' | 'repairs' | 'found' | 'suspects'>): FoundPart | undefined {
  const dealtWith = (part: string) =>
    suspects.some(({ fault }) => fault.part === part && repair?.action.cures.includes(fault.id));
  if (next !== 'act' || !repair || found.some(({ part }) => dealtWith(part))) return undefined;
  return isSearch(repair.action) ? found[0] : found.find(({ putIn }) => putIn === undefined);
}
