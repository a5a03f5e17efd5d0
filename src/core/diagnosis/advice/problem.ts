import { kept } from '../../recent';
import { sum, sumOf } from '../../statistics';
import { type Case, circumstance, mayMiss, outcomesOf, type Posterior } from '../belief';
import { repairActions, type RepairAction, type RepairMethod } from '../../repair';
import { asBuilt, type Context, contextKey } from '../../behaviour';
import { type PlanProblem, type PlanTest } from '../../plan';
import { type BenchState } from '../../log';
import { type Minutes } from '../../quantity';
import { type Fault } from '../../sheet';
import { byContext, forbiddenChance, harmBy, harmfulAmong, type HarmfulIn, probeMinutesOn, renewedBy } from './harm';
import { changeCost, contextFor, powerUp, type Probe, probeCost, probesOf } from './probes';

/** Seeing whether a repair helped. */
const verifying: Minutes = 2;

/** How likely a tripped supply must be before pulling connectors is offered. */
const isolatingFrom = 0.15;

/**
 * What an unneeded piece of rework is reckoned at: pads lift, wires break, a good part is spent.
 * Weighing it keeps the advice from fitting parts where a probe would tell.
 */
const reworkRisk: Readonly<Record<RepairMethod, Minutes>> = {
  replace: 6,
  resolder: 3,
  reseat: 1,
  clean: 1,
  adjust: 2,
  swap: 3,
  recap: 12,
  trace: 3,
  follow: 3,
};

/** Minutes, money and risk of a repair, all as minutes at the shop's rate. */
export function repairCost(action: RepairAction, hourlyRate: number): Minutes {
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

/** Was it switched on or measured here? One that nobody has looked at is not taken apart. */
const isLookedAt = ({ readings, context }: BenchState): boolean => readings.length > 0 || context.power === 'live';

/** How likely it must be that switching on does what is not to be done twice, to measure cold alone. */
export const forbiddenFrom = 0.2;

/** Probes not yet made in these circumstances and not out of reach; a doubtful reading is asked for again. */
function openProbes(job: Case, posterior: Posterior, isolating: boolean): Probe[] {
  const { bench, predictions } = job;
  const again = new Set(
    posterior.doubts.flatMap(({ observation: { times, readSince, entry } }) =>
      times === 1 && !readSince ? (entry ?? []) : [],
    ),
  );
  const twice = new Set(
    posterior.observations.flatMap(({ check, times, entry }) => (mayMiss(check) && times < 2 ? (entry ?? []) : [])),
  );
  const done = new Set(
    bench.readings
      .filter(({ entry, episode }) => {
        const rested = posterior.atRest.has(entry.id) && episode !== bench.episode;
        return !again.has(entry.id) && !twice.has(entry.id) && !rested;
      })
      .map((reading) => circumstance(reading.check, reading.context, reading.afterRepairs)),
  );
  return probesOf(predictions, bench.context, isolating).filter(
    (probe) =>
      !bench.unreachable.has(probe.check.id) &&
      !(bench.mains !== undefined && probe.check.point?.net === 'mains' && probe.check.measure === 'ac') &&
      !done.has(circumstance(probe.check.id, probe.context, bench.repairs.length)),
  );
}

/** What may still be wrong and is likely enough to matter. */
export interface OpenFaults {
  /** Faults that no repair has dealt with, one or two to a set. */
  readonly sets: readonly (readonly Fault[])[];
  /** Their probabilities as a distribution of their own. */
  readonly weights: Float64Array;
  /** Of each, how likely it comes and goes. */
  readonly fading: Float64Array;
  /** What they weigh together among all hypotheses. */
  readonly mass: number;
}

/** Faults less likely than this are left out of the reckoning, and the least likely that weigh so little together. */
const negligible = 2e-5;
const negligibleTogether = 0.004;
/** So many sets of faults are reckoned with at most: where more are open, each of the others hardly counts yet. */
const mostReckoned = 400;

/** The sets of faults that count, in the order in which they came. */
function weightiest<T extends { readonly weight: number }>(sets: readonly T[]): T[] {
  const ascending = Float64Array.from(sets, ({ weight }) => weight).sort();
  const spare = negligibleTogether * sum(ascending);
  let together = 0;
  const least = Math.max(
    ascending.at(-mostReckoned) ?? 0,
    ascending.find((weight) => (together += weight) > spare) ?? 0,
  );
  return sets.filter(({ weight }) => weight > negligible && weight >= least);
}

function openFaults({ hypotheses, weights, cured }: Posterior): OpenFaults {
  const sets = new Map<string, { readonly faults: readonly Fault[]; weight: number; fading: number }>();
  hypotheses.forEach((hypothesis, h) => {
    const faults =
      cured.size > 0 && !hypothesis.despite ? hypothesis.faults.filter(({ id }) => !cured.has(id)) : hypothesis.faults;
    if (faults.length === 0) return;
    const key = faults.length === 1 ? faults[0]!.id : faults.map(({ id }) => id).join('+');
    const set = kept(sets, key, () => ({ faults, weight: 0, fading: 0 }));
    set.weight += weights[h]!;
    if (hypothesis.sometimes) set.fading += weights[h]!;
  });
  const all = [...sets.values()];
  const counting = weightiest(all);
  const sum = sumOf(counting, ({ weight }) => weight);
  return {
    sets: counting.map(({ faults }) => faults),
    weights: Float64Array.from(counting, ({ weight }) => weight / (sum || 1)),
    fading: Float64Array.from(counting, ({ weight, fading }) => fading / weight),
    mass: sumOf(all, ({ weight }) => weight),
  };
}

/** While anything else is this likely to help, what was done in vain is not done again. */
const worthInstead = 0.04;

/** The repairs that come into question. */
function offered(
  actions: readonly RepairAction[],
  done: BenchState['repairs'],
  chanceOf: (action: RepairAction) => number,
): readonly RepairAction[] {
  if (done.length === 0) return actions;
  const tried = new Set(done.map(({ repair }) => repair.action));
  const others = actions.filter(({ id }) => !tried.has(id));
  return others.some((action) => chanceOf(action) > worthInstead) ? others : actions;
}

/** Are there sets of several kinds? */
function tellsApart(kinds: Int32Array): boolean {
  for (let set = 1; set < kinds.length; set += 1) if (kinds[set] !== kinds[0]) return true;
  return false;
}

/** A case as an abstract decision problem, with what its tests and repairs stand for. */
export interface CaseProblem {
  readonly plan: PlanProblem;
  readonly open: OpenFaults;
  readonly harmfulIn: HarmfulIn;
  readonly probes: ReadonlyMap<string, Probe>;
  readonly actions: ReadonlyMap<string, RepairAction>;
  /** Minutes from here to the state in which repairs are made. */
  readonly toWorkbench: Minutes;
}

/**
 * The decision problem of a case: each open probe with the chances of its outcomes, each repair with
 * what it cures, and the minutes it takes to change the set's state between them.
 */
export function problemOf(job: Case, posterior: Posterior): CaseProblem {
  const { predictions, bench, hourlyRate } = job;
  const { sheet } = predictions.model;
  const open = openFaults(posterior);
  const setsWith = new Map<string, number[]>();
  open.sets.forEach((faults, index) => {
    for (const { id } of faults) kept(setsWith, id, () => []).push(index);
  });
  const harmfulIn = harmfulAmong(predictions, open.sets, renewedBy(predictions, posterior.cured));
  const count = open.sets.length;
  const contexts: Context[] = [];
  const known = new Map<string, number>();
  /** The index of a context among the states of the plan. */
  const stateOf = (context: Context): number => {
    const key = `${context.power}@${contextKey(context)}`;
    return kept(known, key, () => contexts.push(context) - 1);
  };
  const answers = new Map(
    openProbes(job, posterior, isLookedAt(bench) && tripChance(job, posterior) > isolatingFrom)
      .map((probe) => [probe, outcomesOf(predictions, probe.check, probe.context, open.sets)] as const)
      .filter(([, { kinds }]) => tellsApart(kinds)),
  );
  const all = [...answers.keys()];
  const forbidden = byContext((context) => open.mass * forbiddenChance(harmfulIn(context), open.weights));
  const harmOn = byContext((context, on) => harmBy(harmfulIn(context), count, on));
  const harmless = all.filter(({ context }) => context.power !== 'live' || forbidden(context, 0) < forbiddenFrom);
  const probes = new Map((harmless.length > 0 ? harmless : all).map((probe) => [probe.id, probe]));
  const tests = [...probes.values()].map((probe): PlanTest => ({
    id: probe.id,
    cost: probeCost(probe),
    state: stateOf(probe.context),
    ...(probe.context.power === 'live' ? { harm: harmOn(probe.context, probeMinutesOn(bench.context, probe)) } : {}),
    ...answers.get(probe)!,
  }));
  const workbench = stateOf(contextFor(asBuilt(bench.context), 'cold'));
  /** The sets that a repair cures. */
  const curedBy = ({ cures }: RepairAction) => {
    const found = new Set<number>();
    for (const fault of cures) for (const index of setsWith.get(fault) ?? []) found.add(index);
    return [...found];
  };
  const chanceOf = (action: RepairAction) => sumOf(curedBy(action), (index) => open.weights[index]!);
  const actions = new Map(repairActions(sheet).map((action) => [action.id, action]));
  const repairs = offered([...actions.values()], bench.repairs, chanceOf).map((action) => ({
    id: action.id,
    cost: repairCost(action, hourlyRate),
    state: workbench,
    cures: curedBy(action),
  }));
  const here = stateOf(bench.context);
  const switchCost = contexts.map((from) => contexts.map((to) => changeCost(sheet, from, to)));
  return {
    plan: {
      weights: open.weights,
      tests,
      repairs,
      state: here,
      switchCost,
      trialHarm: harmBy(harmfulIn(contextFor(asBuilt(bench.context), 'live')), count, verifying),
    },
    open,
    harmfulIn,
    probes,
    actions,
    toWorkbench: switchCost[here]![workbench]!,
  };
}
