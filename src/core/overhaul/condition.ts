import { type Case } from '../diagnosis';
import { leftUndone, type ReadingRow } from '../job';
import { nextToFail, returnRisk, type ReturnsSeen, shareLeft } from '../proof';
import { replacedParts } from '../repair';
import { isListed } from '../sheet';
import { ageingParts, type AgeingPart } from './ageing';
import { overhaulOf, type OverhaulStep } from './walk';

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

/** @param years looked ahead */
export function conditionOf(job: Case, seen: ReturnsSeen, years: number): Condition {
  const { sheet } = job.predictions.model;
  const steps = overhaulOf(job).flatMap((stage) => stage.steps);
  const rows = steps.flatMap(({ row }) => row ?? []);
  const listed = { ...sheet, faults: new Map([...sheet.faults].filter(([, fault]) => isListed(fault))) };
  const left = shareLeft(nextToFail(listed, job.closed), replacedParts(job.bench.repairs));
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
