import { type CircuitFault, type Dictionary, weightOf } from '../circuit';
import { type FaultMode } from '../parts';
import { sumOf } from '../statistics';

/** A rail that stays as near as that was not touched. */
const untouched = 0.03;

const isOpen = ({ mode }: CircuitFault): boolean => mode.startsWith('open');

/** Ways of failing of an element that a way of failing of its part is. */
const waysOf: Readonly<Partial<Record<FaultMode, (fault: CircuitFault) => boolean>>> = {
  open: isOpen,
  joint: isOpen,
  // Of a transistor, through it.
  short: ({ mode }) => mode === 'short' || mode === 'short-ce' || mode === 'short-ds',
  drifted: ({ mode, factor = 1 }) => mode === 'value' && factor > 1,
};

/**
 * What of a node is left under each way of failing of a part, as a ratio, the usual ways counting for more; 1 where it
 * is not touched.
 *
 * @param failed the part’s own entries of the dictionary
 * @param node index of the node’s voltage
 */
export function leftUnder(
  failed: Dictionary['entries'],
  { healthy }: Pick<Dictionary, 'healthy'>,
  node: number,
): Partial<Record<FaultMode, number>> {
  return Object.fromEntries(
    (Object.keys(waysOf) as FaultMode[]).flatMap((mode) => {
      const ways = failed.filter(({ fault }) => waysOf[mode]!(fault));
      if (ways.length === 0) return [];
      const weights = sumOf(ways, ({ fault }) => weightOf(fault));
      const ratio = sumOf(ways, ({ fault, point }) => weightOf(fault) * point[node]!) / weights / healthy[node]!;
      return [[mode, Math.abs(ratio - 1) < untouched ? 1 : Math.round(100 * ratio) / 100] as const];
    }),
  );
}
