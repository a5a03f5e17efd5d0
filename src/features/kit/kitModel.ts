import { type Case, foundParts } from '@/core/diagnosis';
import { surveyRows } from '@/core/job';
import { type BadPart, type Kit, type KitPlace, kitOf, kitPolicies, type KitPolicy } from '@/core/kit';
import { type LogBody, type LogEntry } from '@/core/log';
import { replacing } from '@/core/parts';
import { nextToFail, type ReturnsSeen, type Weighed, visitCost, weighExtent, yearsWanted } from '@/core/proof';
import { repairActions, replacedParts } from '@/core/repair';
import { formatQuantity } from '@/core/quantity';
import { type PartCheck } from '@/core/survey';
import { type Sheet } from '@/core/sheet';
import { writePart } from '@/core/supply';
import { type JobFile } from '@/workshop/job';

/** What lies in the house of a part that is wanted, and what is on the parts list for this set. */
export interface InHouse {
  readonly shelf: number;
  readonly donors: number;
  readonly listed: number;
}

export const policyWords: Readonly<Record<KitPolicy, string>> = {
  bad: 'Only what measures bad',
  block: 'The kit of its blocks besides',
  all: 'All of the kit',
};

/** A part of the survey as it would be bought. */
function asBad(check: PartCheck): BadPart {
  const { ref } = check;
  if (check.kind === 'capacitor') {
    const volts = check.volts === undefined ? '' : ` ${check.volts}V`;
    return { ref, kind: check.type, mark: `${formatQuantity(check.farads, 'F', 3).replace(/\s/g, '')}${volts}` };
  }
  if (check.kind === 'resistor')
    return { ref, kind: 'resistor', mark: formatQuantity(check.marked, 'Ω', 3).replace(/\s/g, '') };
  return { ref };
}

/** All that was found bad in a set, by the readings and by the survey; what has been replaced since stays on the list. */
export function badParts(job: Case, log: readonly LogEntry[]): BadPart[] {
  const { sheet } = job.predictions.model;
  const surveyed = surveyRows(log, sheet).flatMap(({ check, verdict }) =>
    verdict.mark === 'replace' ? [asBad(check)] : [],
  );
  const marked = new Map(surveyed.map((one) => [one.ref, one]));
  const refs = [...foundParts(job).map(({ part }) => part), ...marked.keys(), ...fittedRefs(job)];
  const found = new Map(refs.map((ref) => [ref, marked.get(ref) ?? { ref }]));
  return [...found.values()];
}

/** What an extent of replacing comes to, beside replacing least. */
export interface PolicyOutlook {
  readonly risk: number;
  /** What it saves on average against the least extent, in money; negative where it costs. */
  readonly saves: number;
}

/** How likely the set is back within the years wanted, by how much is replaced, and what more of it saves. */
export function outlookOf(
  kits: Readonly<Record<KitPolicy, Kit>>,
  { sheet, closed, hourlyRate }: Pick<JobFile, 'sheet' | 'closed' | 'hourlyRate'>,
  seen: ReturnsSeen,
): Readonly<Record<KitPolicy, PolicyOutlook>> {
  const chances = nextToFail(sheet, closed);
  const weighed = (policy: KitPolicy) => {
    const { places, money, minutes } = kits[policy];
    return weighExtent({ refs: places.map(({ ref }) => ref), money, minutes }, chances, seen, {
      years: yearsWanted,
      visit: visitCost(hourlyRate),
      hour: hourlyRate,
    });
  };
  const costOf = ({ now, later }: Weighed) => now + later;
  const least = costOf(weighed('bad'));
  return Object.fromEntries(
    kitPolicies.map((policy) => {
      const one = weighed(policy);
      return [policy, { risk: one.risk, saves: least - costOf(one) }];
    }),
  ) as Record<KitPolicy, PolicyOutlook>;
}

export const kitsOf = (sheet: Sheet, bad: readonly BadPart[]): Readonly<Record<KitPolicy, Kit>> =>
  Object.fromEntries(kitPolicies.map((policy) => [policy, kitOf(sheet, bad, policy)])) as Record<KitPolicy, Kit>;

/** Words of a place: what goes in. */
export const valueOf = ({ part, value }: KitPlace): string =>
  part ? writePart(part) : value || 'its value is not known';

/** The repair that puts a new part in a place; of a part on no sheet nobody knows what it cures. */
export function fittedLine(place: KitPlace, sheet: Sheet): LogBody {
  const own = `replace:${place.ref}`;
  const known = repairActions(sheet).find(({ id }) => id === own);
  const { title, listed, money, minutes } = known ?? {
    title: `Fit a new ${place.ref}`,
    listed: [],
    ...(place.kind ? replacing(place.kind) : { money: 0, minutes: 0 }),
  };
  return { kind: 'repair', action: own, title, cures: [...listed], money, minutes, note: valueOf(place) };
}

/** Places that have their new part, by the repairs on record. */
export const fittedRefs = ({ bench }: Case): ReadonlySet<string> => replacedParts(bench.repairs);

/** What is said of a place before the new part goes in. */
export function spokenPlace(place: KitPlace): string {
  const way = place.misprinted ? 'The print is the wrong way round.' : place.polarised ? 'Mind its polarity.' : '';
  return `${place.ref.split('').join(' ')}. ${valueOf(place)}. ${way}`;
}
