import { mean } from '../../statistics';
import { type Statement } from './debrief';

/** Suspicions that were about as sure, and how often they were right. */
interface SureBand {
  readonly from: number;
  readonly to: number;
  readonly count: number;
  /** Mean of how sure one was. */
  readonly sure: number;
  /** Share that was right. */
  readonly right: number;
  /** Whether so many can tell that one is surer, or less sure, than one is right. */
  readonly off: 'too sure' | 'right more often' | undefined;
}

const edges = [0, 0.3, 0.5, 0.7, 0.9, 1] as const;
/** A gap of so many standard deviations is no luck any more. */
const noLuck = 2;

/** How sure somebody was against how often that was right, band by band; bands without a suspicion are left out. */
export function sureBands(statements: readonly Pick<Statement, 'sure' | 'right'>[]): SureBand[] {
  return edges.slice(1).flatMap((to, index): SureBand[] => {
    const from = edges[index]!;
    const own = statements.filter(({ sure }) => sure > from && sure <= to);
    if (own.length === 0) return [];
    const sure = mean(own.map((one) => one.sure));
    const right = own.filter((one) => one.right).length / own.length;
    // Were one exactly as often right as one is sure, this is how far chance alone would take it.
    const chance = Math.sqrt((sure * (1 - sure)) / own.length);
    const gap = sure - right;
    const off = Math.abs(gap) <= noLuck * chance ? undefined : gap > 0 ? 'too sure' : 'right more often';
    return [{ from, to, count: own.length, sure, right, off }];
  });
}
