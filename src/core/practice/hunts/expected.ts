import { type Advice } from '../../diagnosis';
import { type Minutes } from '../../quantity';

/** What is to be expected from here on, in minutes to the cure: the best probe first, or the repairs in their order. */
export function expectedFrom({ probes, repairNow }: Pick<Advice, 'probes' | 'repairNow'>): Minutes {
  return Math.min(repairNow, ...probes.map(({ saves }) => repairNow - saves));
}
