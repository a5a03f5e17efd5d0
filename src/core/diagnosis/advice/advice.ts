import { sumOf } from '../../statistics';
import { type Case, circumstance, type Posterior, posteriorOf } from '../belief';
import { type RepairAction } from '../../repair';
import { type Context, contextKey } from '../../behaviour';
import { planOneStep, type PlanTest, type RankedTest } from '../../plan';
import { type Minutes } from '../../quantity';
import { type Sheet } from '../../sheet';
import { foundParts } from './found';
import { byContext, type ExpectedHarm, expectedHarm, probeMinutesOn } from './harm';
import { changeCost, type Probe, probeCost } from './probes';
import { type OpenFaults, problemOf, repairCost } from './problem';
import { switchingsWorth, worthSearching } from './search';
import { proofOf } from './verification';

/** A probe worth making, with what it is expected to bring. */
export interface ProbeAdvice {
  readonly probe: Probe;
  /** The probe with the change of state it needs. */
  readonly minutes: Minutes;
  /** Of which for changing the set's state. */
  readonly changing: Minutes;
  /** Expected minutes saved against repairing now. */
  readonly saves: Minutes;
  readonly bits: number;
  /** What it may do to the set or to whoever makes it; undefined where nothing is to be feared. */
  readonly harm: ExpectedHarm | undefined;
  /** Chance that the reading now in the log is a slip, where it is asked for again. */
  readonly doubt?: number;
  /** It was read before, while what comes and goes was likely away. */
  readonly readAtRest?: true;
  /** Chance of each class of answer and the suspect it would leave in front. */
  readonly outcomes: readonly {
    readonly name: string;
    readonly chance: number;
    readonly leads: string;
    readonly with: number;
  }[];
}

/** A repair with its chance of being the cure. */
export interface RepairAdvice {
  readonly action: RepairAction;
  readonly chance: number;
  /** With the changes of state before it. */
  readonly minutes: Minutes;
}

/** Readings in, judgement out, next probe named. */
export interface Advice {
  readonly posterior: Posterior;
  /** Best first; the first is the one to make. */
  readonly probes: readonly ProbeAdvice[];
  /** Likeliest cure for its cost first. */
  readonly repairs: readonly RepairAdvice[];
  /** `act`: no probe is worth its minutes; `verify`: a repair is likely to have cured it, or was not tried yet. */
  readonly next: 'probe' | 'act' | 'verify';
  /** Expected minutes to the cure when repairing now in the best order. */
  readonly repairNow: Minutes;
  /** Chance that a repair already done was the cure. */
  readonly curedChance: number;
  /** How often what seems cured is worth switching off and on again before that is believed. */
  readonly switchings: number;
  /** What is wrong comes and goes and is likely not there now: nothing that is measured tells until it shows again. */
  readonly dormant: boolean;
  /** What a minute more does to the set as it stands; undefined where nothing is to be feared. */
  readonly harmNow: ExpectedHarm | undefined;
}

/**
 * What to do next with a set.
 *
 * The posterior over its faults becomes a decision problem, and one step of looking ahead values every
 * probe in it; `lookDeeper` looks further.
 */
export function adviseOn(job: Case): Advice {
  const { predictions, bench, hourlyRate } = job;
  const { sheet } = predictions.model;
  const posterior = posteriorOf(job);
  const { plan: problem, open, harmfulIn, probes, actions, toWorkbench } = problemOf(job, posterior);
  const { repairs } = problem;
  const plan = planOneStep(problem);
  const rankedRepairs = repairs
    .map((repair): RepairAdvice => {
      const chance = sumOf(repair.cures, (index) => open.weights[index]!) * open.mass;
      return { action: actions.get(repair.id)!, chance, minutes: actions.get(repair.id)!.minutes + toWorkbench };
    })
    .filter(({ chance }) => chance > 0.002)
    .sort((a, b) => b.chance / repairCost(b.action, hourlyRate) - a.chance / repairCost(a.action, hourlyRate));
  const curedChance = 1 - open.mass;
  const best = plan.tests[0];
  const harmOn = byContext((context, on) => expectedHarm(harmfulIn(context), open, on));
  const atRest = new Set(
    posterior.observations.flatMap(({ check, context, entry }) =>
      entry !== undefined && posterior.atRest.has(entry) ? [circumstance(check.id, context, 0)] : [],
    ),
  );
  const harmed = (probe: Probe) => ({
    probe,
    harm: harmOn(probe.context, probeMinutesOn(bench.context, probe)),
    ...(atRest.has(circumstance(probe.check.id, probe.context, 0)) ? { readAtRest: true as const } : {}),
  });
  const described = plan.tests.map((ranked, place) =>
    describe(ranked, harmed(probes.get(ranked.test.id)!), plan.repairNow, open, place < mostTold),
  );
  const again = isProvenBad(job, posterior)
    ? undefined
    : askedAgain(posterior, [...probes.values()].map(harmed), described, sheet, bench.context);
  const worthProbing = again !== undefined || (best !== undefined && best.total < plan.repairNow - 1e-6);
  const proving = bench.repairs.length > 0 && curedChance > 0.5 && again === undefined;
  // What has gone the same way is looked for as long as that costs less than its coming back would.
  const proven = proving && proofOf(job).done;
  const telling = proven ? worthSearching(job, open, described) : undefined;
  const first = again ?? telling;
  return {
    posterior,
    probes: first ? [first, ...described.filter(({ probe }) => probe.id !== first.probe.id)] : described,
    repairs: rankedRepairs,
    next: proving ? (telling ? 'probe' : 'verify') : worthProbing ? 'probe' : untried(job) ? 'verify' : 'act',
    repairNow: plan.repairNow,
    curedChance,
    switchings: proven && !telling ? switchingsWorth(job, open) : 0,
    dormant: bench.context.power === 'live' && posterior.dormant > likelyDormant,
    harmNow: harmOn(bench.context, minuteOn),
  };
}

/** From here on a suspect whose own part was found bad is out of doubt, whatever another reading says. */
const outOfDoubt = 0.8;

/** Is the leading suspect a part that was seen or measured bad itself? */
function isProvenBad(job: Case, { suspects, doubts }: Posterior): boolean {
  const [lead] = suspects;
  if (!lead || lead.cured || lead.probability < outOfDoubt || doubts.length === 0) return false;
  return foundParts(job).some(
    ({ part, entry }) => part === lead.fault.part && doubts.every(({ observation }) => observation.entry !== entry),
  );
}

/** Was nothing read of the live set since its last repair? One change, then a test. */
const untried = ({ bench: { repairs, readings }, predictions: { checks } }: Case): boolean =>
  repairs.length > 0 &&
  !readings.some(({ afterRepairs, check }) => afterRepairs === repairs.length && checks.get(check)?.state === 'live');

/** The doubtful reading to take once more before it leads astray. */
function askedAgain(
  { doubts, cured }: Posterior,
  probes: readonly Pick<ProbeAdvice, 'probe' | 'harm'>[],
  described: readonly ProbeAdvice[],
  sheet: Sheet,
  here: Context,
): ProbeAdvice | undefined {
  for (const { observation, chance } of doubts) {
    // What was read before the last repair cannot be read again; what was read again since need not be.
    if (observation.times > 1 || observation.readSince || observation.cured.size < cured.size) continue;
    const open = probes.find(
      ({ probe: { check, context } }) =>
        check === observation.check && contextKey(context) === contextKey(observation.context),
    );
    // Nothing is read again that does harm.
    if (!open || (open.harm?.minutes ?? 0) > mostHarmAgain) continue;
    const { probe } = open;
    const changing = changeCost(sheet, here, probe.context);
    const known = described.find((one) => one.probe.id === probe.id);
    return {
      ...open,
      minutes: probeCost(probe) + changing,
      changing,
      saves: known?.saves ?? 0,
      bits: Math.max(known?.bits ?? 0, 4 * chance * (1 - chance)),
      outcomes: known?.outcomes ?? [],
      doubt: chance,
    };
  }
  return undefined;
}

const minuteOn: Minutes = 1;

/** How likely it must be that what is wrong does not show now, to wait until it does. */
const likelyDormant = 0.6;

/** A doubtful reading is not taken again where that is expected to do more harm, in minutes. */
const mostHarmAgain = 3;

/** Of so many probes it is said where each answer would lead. */
const mostTold = 12;

/** The likeliest set of faults of a kind. */
interface Leader {
  readonly set: number;
  readonly kind: number;
}

/** The likeliest set of each kind that a test knows, in the order of the sets. */
function leadersOf({ kinds }: PlanTest, weights: Float64Array): Leader[] {
  const first = new Map<number, number>();
  kinds.forEach((kind, set) => {
    const best = first.get(kind);
    if (best === undefined || weights[set]! > weights[best]!) first.set(kind, set);
  });
  return [...first].map(([kind, set]) => ({ kind, set })).sort((a, b) => a.set - b.set);
}

function describe(
  ranked: RankedTest,
  harmed: Pick<ProbeAdvice, 'probe' | 'harm' | 'readAtRest'>,
  repairNow: Minutes,
  open: OpenFaults,
  told: boolean,
): ProbeAdvice {
  const { test } = ranked;
  const leaders = told ? leadersOf(test, open.weights) : [];
  const outcomes = (told ? test.outcomes : [])
    .map(({ name, chances }, index) => {
      const weightOf = ({ set, kind }: Leader) => open.weights[set]! * chances[kind]!;
      const leader = leaders.reduce((best, one) => (weightOf(one) > weightOf(best) ? one : best));
      const chance = ranked.chances[index]!;
      return {
        name,
        chance,
        leads: open.sets[leader.set]![0]!.id,
        with: chance > 0 ? weightOf(leader) / chance : 0,
      };
    })
    .filter(({ chance }) => chance >= 0.01)
    .sort((a, b) => b.chance - a.chance);
  return {
    ...harmed,
    minutes: ranked.cost,
    changing: ranked.cost - ranked.test.cost,
    saves: repairNow - ranked.total,
    bits: ranked.bits,
    outcomes,
  };
}
