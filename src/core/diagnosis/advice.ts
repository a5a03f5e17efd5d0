import { asBuilt, type Context, contextKey } from '../behaviour';
import { type Minutes } from '../quantity';
import { planOneStep, type PlanTest, type RankedTest } from '../plan';
import { repairActions, type RepairAction, type RepairMethod } from '../parts';
import { type Case } from './case';
import { type Fault, type Sheet } from '../sheet';
import { doubtsOf, outcomesOf } from './outcomes';
import { type Posterior, posteriorOf } from './posterior';
import { changeCost, circumstance, contextFor, powerUp, type Probe, probeCost, probesOf } from './probes';

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
  /** Chance that the reading now in the log is a slip, where it is asked for again. */
  readonly doubt?: number;
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
  /** `act`: no probe is worth its minutes; `verify`: a repair is likely to have cured it. */
  readonly next: 'probe' | 'act' | 'verify';
  /** Expected minutes to the cure when repairing now in the best order. */
  readonly repairNow: Minutes;
  /** Chance that a repair already done was the cure. */
  readonly curedChance: number;
}

/** Seeing whether a repair helped. */
const verifying: Minutes = 2;

/** How likely a tripped supply must be before pulling connectors is offered. */
const isolatingFrom = 0.15;

/**
 * What an unneeded piece of rework is reckoned at: pads lift, wires break, a good part is spent.
 * Weighing it keeps the advice from fitting parts where a probe would tell.
 */
const reworkRisk: Readonly<Record<RepairMethod, Minutes>> = { replace: 6, resolder: 3, reseat: 1, clean: 1, adjust: 2 };

/** Minutes, money and risk of a repair, all as minutes at the shop's rate. */
function repairCost(action: RepairAction, hourlyRate: number): Minutes {
  const money = hourlyRate > 0 ? (action.money / hourlyRate) * 60 : 0;
  return action.minutes + powerUp + verifying + money + reworkRisk[action.method];
}

function tripChance({ predictions, bench }: Case, posterior: Posterior): number {
  const context = contextFor(asBuilt(bench.context), 'live');
  return posterior.suspects.reduce(
    (sum, { fault, probability, cured }) =>
      !cured && probability > negligible && predictions.behaviour(fault, context).tripped.length > 0
        ? sum + probability
        : sum,
    0,
  );
}

/** Probes not yet made in these circumstances and not out of reach; a doubtful reading is asked for again. */
function openProbes(job: Case, posterior: Posterior, isolating: boolean): Probe[] {
  const { bench, predictions } = job;
  const again = new Set(
    posterior.doubts.flatMap(({ observation }) => (observation.times === 1 ? (observation.entry ?? []) : [])),
  );
  const done = new Set(
    bench.readings
      .filter(({ entry }) => !again.has(entry.id))
      .map((reading) => circumstance(reading.check, reading.context, reading.afterRepairs)),
  );
  return probesOf(predictions, bench.context, isolating).filter(
    (probe) =>
      !bench.unreachable.has(probe.check.id) &&
      !done.has(circumstance(probe.check.id, probe.context, bench.repairs.length)),
  );
}

/**
 * What to do next with a set.
 *
 * The posterior over its faults becomes a decision problem: each open probe with the chances of
 * its outcomes, each repair with what it cures, and the minutes it takes to change the set's
 * state between them. One step of looking ahead values every probe.
 */
export function adviseOn(job: Case): Advice {
  const { predictions, bench, hourlyRate } = job;
  const { sheet } = predictions.model;
  const posterior = posteriorOf(job);
  const open = openFaults(posterior);
  const setsWith = new Map<string, number[]>();
  open.sets.forEach((faults, index) => {
    for (const { id } of faults) setsWith.set(id, [...(setsWith.get(id) ?? []), index]);
  });
  const curedChance = 1 - open.mass;

  const contexts: Context[] = [];
  const known = new Map<string, number>();
  /** The index of a context among the states of the plan. */
  const stateOf = (context: Context): number => {
    const key = `${context.power}@${contextKey(context)}`;
    let index = known.get(key);
    if (index === undefined) known.set(key, (index = contexts.push(context) - 1));
    return index;
  };
  const telling = (probe: Probe) => {
    const expected = predictions.row(probe.check, probe.context);
    const [first, ...rest] = open.sets;
    const alike = expected(first?.[0]);
    return rest.some((faults) => faults.length > 1 || expected(faults[0]) !== alike);
  };
  const probes = new Map(
    openProbes(job, posterior, tripChance(job, posterior) > isolatingFrom)
      .filter(telling)
      .map((probe) => [probe.id, probe]),
  );
  const tests = [...probes.values()].map((probe): PlanTest => {
    const doubt = doubtsOf(predictions, probe.check, probe.context, open.sets);
    return {
      id: probe.id,
      cost: probeCost(probe),
      state: stateOf(probe.context),
      outcomes: outcomesOf(predictions, probe.check, probe.context, open.sets),
      ...(doubt ? { doubt } : {}),
    };
  });
  const workbench = stateOf(contextFor(asBuilt(bench.context), 'cold'));
  const actions = new Map(repairActions(sheet).map((action) => [action.id, action]));
  const repairs = [...actions.values()].map((action) => ({
    id: action.id,
    cost: repairCost(action, hourlyRate),
    state: workbench,
    cures: [...new Set(action.cures.flatMap((fault) => setsWith.get(fault) ?? []))],
  }));
  const here = stateOf(bench.context);
  const switchCost = contexts.map((from) => contexts.map((to) => changeCost(sheet, from, to)));
  const plan = planOneStep({ weights: open.weights, tests, repairs, state: here, switchCost });
  const toWorkbench = switchCost[here]![workbench]!;
  const rankedRepairs = repairs
    .map((repair): RepairAdvice => {
      const chance = repair.cures.reduce((sum, index) => sum + open.weights[index]!, 0) * open.mass;
      return { action: actions.get(repair.id)!, chance, minutes: actions.get(repair.id)!.minutes + toWorkbench };
    })
    .filter(({ chance }) => chance > 0.002)
    .sort((a, b) => b.chance / repairCost(b.action, hourlyRate) - a.chance / repairCost(a.action, hourlyRate));
  const best = plan.tests[0];
  const described = plan.tests.map((ranked, place) =>
    describe(ranked, probes.get(ranked.test.id)!, plan.repairNow, open, place < mostTold),
  );
  const again = askedAgain(posterior, [...probes.values()], described, sheet, bench.context);
  const worthProbing = again !== undefined || (best !== undefined && best.total < plan.repairNow - 1e-6);
  return {
    posterior,
    probes: again ? [again, ...described.filter(({ probe }) => probe.id !== again.probe.id)] : described,
    repairs: rankedRepairs,
    next: bench.repairs.length > 0 && curedChance > 0.5 ? 'verify' : worthProbing ? 'probe' : 'act',
    repairNow: plan.repairNow,
    curedChance,
  };
}

/** What may still be wrong and is likely enough to matter. */
interface OpenFaults {
  /** Faults that no repair has dealt with, one or two to a set. */
  readonly sets: readonly (readonly Fault[])[];
  /** Their probabilities as a distribution of their own. */
  readonly weights: Float64Array;
  /** What they weigh together among all hypotheses. */
  readonly mass: number;
}

/** Faults less likely than this are left out of the reckoning; together they weigh next to nothing. */
const negligible = 2e-5;

function openFaults({ hypotheses, weights, cured }: Posterior): OpenFaults {
  const sets = new Map<string, { faults: readonly Fault[]; weight: number }>();
  hypotheses.forEach((hypothesis, h) => {
    const faults = cured.size > 0 ? hypothesis.faults.filter(({ id }) => !cured.has(id)) : hypothesis.faults;
    if (faults.length === 0) return;
    const key = faults.map(({ id }) => id).join('+');
    sets.set(key, { faults, weight: (sets.get(key)?.weight ?? 0) + weights[h]! });
  });
  const all = [...sets.values()];
  const kept = all.filter(({ weight }) => weight > negligible);
  const sum = kept.reduce((total, { weight }) => total + weight, 0);
  return {
    sets: kept.map(({ faults }) => faults),
    weights: Float64Array.from(kept, ({ weight }) => weight / (sum || 1)),
    mass: all.reduce((total, { weight }) => total + weight, 0),
  };
}

/** The doubtful reading to take once more before it leads astray. */
function askedAgain(
  { doubts }: Posterior,
  probes: readonly Probe[],
  described: readonly ProbeAdvice[],
  sheet: Sheet,
  here: Context,
): ProbeAdvice | undefined {
  for (const { observation, chance } of doubts) {
    if (observation.times > 1) continue;
    const probe = probes.find(
      ({ check, context }) => check === observation.check && contextKey(context) === contextKey(observation.context),
    );
    if (!probe) continue;
    const changing = changeCost(sheet, here, probe.context);
    const known = described.find((one) => one.probe.id === probe.id);
    return {
      probe,
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

/** Of so many probes it is said where each answer would lead. */
const mostTold = 12;

function describe(ranked: RankedTest, probe: Probe, repairNow: Minutes, open: OpenFaults, told: boolean): ProbeAdvice {
  const outcomes = (told ? ranked.test.outcomes : [])
    .map(({ name, chances }, index) => {
      let leader = 0;
      let most = -1;
      let sum = 0;
      for (let f = 0; f < chances.length; f += 1) {
        const weight = open.weights[f]! * chances[f]!;
        sum += weight;
        if (weight > most) [most, leader] = [weight, f];
      }
      return {
        name,
        chance: ranked.chances[index]!,
        leads: open.sets[leader]![0]!.id,
        with: sum > 0 ? most / sum : 0,
      };
    })
    .filter(({ chance }) => chance >= 0.01)
    .sort((a, b) => b.chance - a.chance);
  return {
    probe,
    minutes: ranked.cost,
    changing: ranked.cost - ranked.test.cost,
    saves: repairNow - ranked.total,
    bits: ranked.bits,
    outcomes,
  };
}
