import { type RepairAction } from '../../repair';
import { type Suspect } from '../belief';
import { type Briefed } from './briefed';

/** A suspect this likely besides is worth naming. */
const worthNaming = 0.08;
/** A probe that tells less than this, in bits, tells nothing apart. */
const leastTelling = 0.05;

/** What a repair does not put right and no probe that is left tells from what it does. */
export function untoldFrom(
  { cures }: RepairAction,
  { suspects, probes }: Pick<Briefed, 'suspects' | 'probes'>,
): readonly Suspect[] {
  if (probes.some(({ bits }) => bits >= leastTelling)) return [];
  return suspects.filter(
    ({ fault, probability, cured }) => !cured && probability >= worthNaming && !cures.includes(fault.id),
  );
}
