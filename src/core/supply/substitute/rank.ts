import { Recent } from '../../recent';
import { kindTyped, readPart, type SupplyPart } from '../part/readPart';
import { substitute } from './judge';
import { type Place } from './place';
import { nearness, type SubstituteVerdict } from './rules';

/** Something there is, judged as a substitute. */
export interface Ranked<Row> {
  readonly row: Row;
  readonly verdict: SubstituteVerdict;
  /** Why it is no better than that, and what has to be altered; empty where it simply does. */
  readonly reason: string;
  /** Figures in which it does not do. */
  readonly failing: readonly string[];
}

/** May it be taken without being watched? */
export const simplyDoes = ({ verdict }: { readonly verdict: SubstituteVerdict }): boolean =>
  verdict === 'fits' || verdict === 'better';

/** What lies on a shelf is read again and again. */
const known = new Recent<string, SupplyPart>(4000);
function readAgain(typed: string): SupplyPart {
  const kept = known.get(typed);
  if (kept) return kept;
  const part = readPart(typed);
  known.set(typed, part);
  return part;
}

/**
 * What there is, the nearest to a part first: like for like, then better, then what is to be watched, then what does not do.
 * Parts of another kind are passed over.
 */
export function rankFor<Row extends { readonly typed: string }>(
  part: SupplyPart,
  rows: readonly Row[],
  place?: Place,
): Ranked<Row>[] {
  return rows
    .flatMap((row): Ranked<Row>[] => {
      if (kindTyped(row.typed) !== part.kind) return [];
      const { verdict, fields, alter } = substitute(part, readAgain(row.typed), place);
      const [worst] = fields;
      const why = verdict === 'watch' || verdict === 'no' ? [`${worst!.title}: ${worst!.reason}`] : [];
      return [
        {
          row,
          verdict,
          reason: [...why, ...alter].join(' · '),
          failing: fields.flatMap((one) => (one.verdict === 'no' ? [one.field] : [])),
        },
      ];
    })
    .sort((a, b) => nearness[a.verdict] - nearness[b.verdict]);
}
