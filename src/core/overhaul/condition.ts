import { type Case } from '../diagnosis';
import { leftUndone, type ReadingRow } from '../job';
import { nextToFail, returnRisk, type ReturnsSeen, shareLeft } from '../proof';
import { replacedParts } from '../repair';
import { ageingParts, type AgeingPart } from './ageing';
import { type OverhaulStage, type OverhaulStep } from './walk';

/** How a set stands after an overhaul: what its report says. */
export interface Condition {
  /** What was done, in the order of the work. */
  readonly putRight: readonly string[];
  /** Read off, and not put right since. */
  readonly found: readonly ReadingRow[];
  readonly right: readonly ReadingRow[];
  /** Not measured, or out of reach. */
  readonly open: readonly OverhaulStep[];
  /** What may go next. */
  readonly ageing: readonly AgeingPart[];
  /** Chance that the set needs the bench again within the years looked ahead; what was done holds or not only where something was. */
  readonly risk: ReturnType<typeof returnRisk>;
  /** What is not yet as it was: links cut, connectors pulled, the lamp in. */
  readonly undone: readonly string[];
}

/**
 * @param stages of the overhaul, as far as it has come
 * @param years looked ahead
 */
export function conditionOf(job: Case, stages: readonly OverhaulStage[], seen: ReturnsSeen, years: number): Condition {
  const steps = stages.flatMap((stage) => stage.steps);
  const rows = steps.flatMap(({ row }) => row ?? []);
  const left = shareLeft(nextToFail(job.predictions.model.sheet, job.closed), replacedParts(job.bench.repairs));
  const found = rows.filter(({ verdict }) => verdict.mark !== 'within');
  // A reading of one part says that part; a look at several, or a rail, does not.
  const bad = new Set(
    found.flatMap(({ check: { point } }) => (point?.parts.length === 1 && point.net === undefined ? point.parts : [])),
  );
  const risk = returnRisk(seen, years, left);
  return {
    putRight: job.bench.repairs.map(({ repair }) => repair.title),
    found,
    right: rows.filter(({ verdict }) => verdict.mark === 'within'),
    open: steps.filter(({ row }) => row === undefined),
    ageing: ageingParts(job, bad, seen, years),
    risk: job.bench.repairs.length > 0 ? risk : { same: 0, other: risk.other, any: risk.other },
    undone: leftUndone(job.bench),
  };
}
