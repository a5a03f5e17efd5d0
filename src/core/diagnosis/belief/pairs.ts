import { sum } from '../../statistics';
import { faultModes } from '../../parts';
import { type Fault, type Sheet } from '../../sheet';

/** Faults that are there at once: one, or two. */
export interface Hypothesis {
  readonly faults: readonly Fault[];
  /** It is still there although a repair has dealt with it: the repair failed. */
  readonly despite?: true;
  /** It comes and goes: in some episodes the set is as if good. */
  readonly sometimes?: true;
  /** A donor’s board that was tried is bad itself. */
  readonly donor?: BadDonor;
}

/** A donor’s board with what is wrong with it, which acts while it stands in for the set’s own. */
export interface BadDonor {
  readonly board: string;
  readonly fault: Fault;
}

/** How often a set has two faults that have nothing to do with each other. */
const independent = 0.08;
/** How often a fault has brought about one it is said to harm. */
const casualty = 0.15;
/** How often one more part of the same kind, age and heat has gone the same way, over all of them. */
export const sameCause = 0.3;

/** How many first and second faults are put together. */
const mostAnchors = 8;
const mostPartners = 12;
/** So many of its worst observations are left for the second fault to explain. */
const left = 3;

/** What has aged: its kind of part and the way it went; undefined of what does not go with age. */
export const ageing = ({ mode, part, degreeOf }: Fault, parts: Sheet['parts']): string | undefined =>
  faultModes[mode].byHeat && degreeOf === undefined ? `${parts.get(part)!.kind} ${mode}` : undefined;

/**
 * Pairs worth weighing where no single fault explains all that was read: faults that explain all
 * but a few observations, each with those that explain what is left, and each cause with the
 * casualties the sheet names.
 *
 * @param mended faults that repairs have dealt with: what has gone the same way is looked for beside them
 * @param logs log-likelihood per observation and single fault, in sheet order
 * @param odd indices of observations that no single fault explains
 */
export function pairsToTry(
  faults: readonly Fault[],
  prior: ReadonlyMap<string, number>,
  logs: readonly Float64Array[],
  odd: readonly number[],
  { parts }: Pick<Sheet, 'parts'>,
  mended: ReadonlySet<string>,
): { hypothesis: Hypothesis; prior: number }[] {
  const logPrior = faults.map(({ id }) => Math.log(prior.get(id)!));
  const best = logs.map((log) => log.reduce((most, value) => Math.max(most, value), -Infinity));
  /** Log-likelihood of all but a fault's worst observations. */
  const lenient = faults.map((_, f) => {
    const short = logs.map((log, o) => best[o]! - log[f]!).sort((a, b) => b - a);
    return logPrior[f]! - sum(short.slice(left));
  });
  const order = (score: (f: number) => number) => [...faults.keys()].sort((a, b) => score(b) - score(a));
  const anchors = order((f) => lenient[f]!).slice(0, mostAnchors);
  const open = odd.length > 0 ? odd : anchors.slice(0, 3).map((f) => worstFor(logs, best, f));
  const each = Math.max(3, Math.ceil(mostPartners / Math.max(1, open.length)));
  const partners = new Set([
    ...anchors,
    ...open.flatMap((o) => order((f) => logPrior[f]! + 3 * logs[o]![f]!).slice(0, each)),
  ]);

  const gone = (fault: Fault) => ageing(fault, parts);
  const ofKind = new Map<string, number>();
  for (const fault of faults) {
    const kind = gone(fault);
    if (kind !== undefined) ofKind.set(kind, (ofKind.get(kind) ?? 0) + prior.get(fault.id)!);
  }
  const sharing = (a: Fault, b: Fault) => (sameCause * prior.get(a.id)! * prior.get(b.id)!) / ofKind.get(gone(a)!)!;

  const found = new Map<string, { hypothesis: Hypothesis; prior: number }>();
  const add = (one: number, other: number) => {
    const [a, b] = one < other ? [faults[one]!, faults[other]!] : [faults[other]!, faults[one]!];
    if (a.part === b.part) return;
    const chance = prior.get(a.id)! * prior.get(b.id)! * independent;
    const linked =
      (a.harms.includes(b.id) ? prior.get(a.id)! * casualty : 0) +
      (b.harms.includes(a.id) ? prior.get(b.id)! * casualty : 0);
    const shared = gone(a) !== undefined && gone(a) === gone(b) ? sharing(a, b) : 0;
    found.set(`${a.id}+${b.id}`, { hypothesis: { faults: [a, b] }, prior: chance + linked + shared });
  };
  for (const anchor of anchors) for (const partner of partners) if (partner !== anchor) add(anchor, partner);
  const indexOf = new Map(faults.map(({ id }, index) => [id, index]));
  for (const anchor of anchors)
    if (mended.has(faults[anchor]!.id) && gone(faults[anchor]!) !== undefined)
      faults.forEach((other, f) => {
        if (f !== anchor && gone(other) === gone(faults[anchor]!)) add(anchor, f);
      });
  for (const anchor of anchors) for (const harmed of faults[anchor]!.harms) add(anchor, indexOf.get(harmed)!);
  return [...found.values()];
}

/** The observation a fault explains worst. */
function worstFor(logs: readonly Float64Array[], best: readonly number[], fault: number): number {
  let worst = 0;
  logs.forEach((log, o) => {
    if (best[o]! - log[fault]! > best[worst]! - logs[worst]![fault]!) worst = o;
  });
  return worst;
}
