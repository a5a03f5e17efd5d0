import { sum } from '../../statistics';
import { type Fault, type Sheet } from '../../sheet';
import { alike, casualty, independent } from './beside';
import { type Hypothesis } from './hypothesis';

/** How many first and second faults are put together. */
const mostAnchors = 8;
const mostPartners = 12;
/** So many of its worst observations are left for the second fault to explain. */
const left = 3;

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

  const gone = (fault: Fault) => alike(fault, parts);
  const ofKind = new Map<string, number>();
  for (const fault of faults) {
    const way = gone(fault)?.way;
    if (way !== undefined) ofKind.set(way, (ofKind.get(way) ?? 0) + prior.get(fault.id)!);
  }
  const sharing = (a: Fault, b: Fault) => {
    const way = gone(a);
    if (!way || way.way !== gone(b)?.way) return 0;
    return (way.oneMore * prior.get(a.id)! * prior.get(b.id)!) / ofKind.get(way.way)!;
  };

  const found = new Map<string, { hypothesis: Hypothesis; prior: number }>();
  const add = (one: number, other: number) => {
    const [a, b] = one < other ? [faults[one]!, faults[other]!] : [faults[other]!, faults[one]!];
    if (a.part === b.part) return;
    const chance = prior.get(a.id)! * prior.get(b.id)! * independent;
    const linked =
      (a.harms.includes(b.id) ? prior.get(a.id)! * casualty : 0) +
      (b.harms.includes(a.id) ? prior.get(b.id)! * casualty : 0);
    found.set(`${a.id}+${b.id}`, { hypothesis: { faults: [a, b] }, prior: chance + linked + sharing(a, b) });
  };
  for (const anchor of anchors) for (const partner of partners) if (partner !== anchor) add(anchor, partner);
  const indexOf = new Map(faults.map(({ id }, index) => [id, index]));
  for (const anchor of anchors)
    if (mended.has(faults[anchor]!.id))
      faults.forEach((other, f) => {
        if (f !== anchor && sharing(faults[anchor]!, other) > 0) add(anchor, f);
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
