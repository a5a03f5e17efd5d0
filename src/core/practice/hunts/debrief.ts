import { type Advice, adviseOn, type Posterior } from '../../diagnosis';
import { contextKey } from '../../behaviour';
import { type Minutes } from '../../quantity';
import { bitsOf, mean, sumOf } from '../../statistics';
import { type PracticeHunt } from './drawHunt';
import { expectedFrom } from './expected';
import { plannersHunt } from './plannersHunt';
import { caseAfter, type HuntStep, type PlayedHunt, repairMinutes } from './playedHunt';

/** A probe or a repair with all that was done to get to it, beside the best that could have been done. */
export interface DebriefedDecision {
  /** Steps of the hunt that belong to it, the last being the decision. */
  readonly steps: readonly HuntStep[];
  /** Bits by which it narrowed what may be wrong. */
  readonly bits: number;
  /** What it cost, without what went wrong. */
  readonly minutes: Minutes;
  /** By how much it was expected to take longer than the best there was; never below 0. */
  readonly loss: Minutes;
  /** How much better (below 0) or worse it came out than was to be expected. */
  readonly luck: Minutes;
  /** What its slips cost: consequences, and time that told nothing. */
  readonly slips: Minutes;
  /** The best there was, where that is something else. */
  readonly better?: { readonly kind: 'probe' | 'repair'; readonly title: string; readonly chance?: number };
  /** Chance at which a repair was tried. */
  readonly chance?: number;
}

/** What was said to be suspected, beside what could be known then. */
export interface Statement {
  /** Id of the part. */
  readonly part: string;
  /** How sure whoever hunts was, as a share of 1. */
  readonly sure: number;
  /** How likely it was by what had been read. */
  readonly stood: number;
  /** Was it the part? */
  readonly right: boolean;
}

/** A hunt looked back on. The losses, luck and slips together are what it took beyond what was to be expected. */
export interface Debrief {
  readonly decisions: readonly DebriefedDecision[];
  /** Expected minutes from the owner’s account to the cure, by one step of looking ahead. */
  readonly expected: Minutes;
  /** What is still to be expected where the hunt ended without a cure. */
  readonly left: Minutes;
  readonly statements: readonly Statement[];
  /** The planner’s own hunt on the same set: its steps with their minutes. */
  readonly planner: {
    readonly steps: readonly { readonly title: string; readonly minutes: Minutes }[];
    readonly minutes: Minutes;
  };
}

/** Expected minutes of trying repairs in an order, each with its chance and its cost. */
function inOrder(repairs: readonly { readonly chance: number; readonly cost: Minutes }[]): Minutes {
  let alive = 1;
  let cost = 0;
  for (const repair of repairs) {
    cost += alive * repair.cost;
    alive = Math.max(0, alive - repair.chance);
  }
  return cost;
}

function entropyOf({ suspects }: Posterior): number {
  const total = sumOf(suspects, ({ probability }) => probability);
  return sumOf(suspects, ({ probability }) => bitsOf(probability / total));
}

/** What was to be expected of the decision that was taken, in minutes to the cure. */
function expectedOf(step: HuntStep, advice: Advice): Minutes {
  const { probes, repairs, repairNow } = advice;
  if (step.read) {
    const { check, context } = step.read;
    const same = probes.filter(({ probe }) => probe.check.id === check.id);
    const here = same.find(({ probe }) => contextKey(probe.context) === contextKey(context)) ?? same[0];
    // What is not worth a place on the list tells nothing that is not known.
    return here ? repairNow - here.saves : expectedFrom(advice) + check.minutes;
  }
  const costs = repairs.map(({ action, chance }) => ({ id: action.id, chance, cost: repairMinutes(action) }));
  const tried = costs.find(({ id }) => id === step.repair!.id) ?? {
    id: step.repair!.id,
    chance: 0,
    cost: repairMinutes(step.repair!),
  };
  const later = inOrder([tried, ...costs.filter((one) => one !== tried)]) - inOrder(costs);
  return repairNow + Math.max(0, later);
}

function bestOf(advice: Advice): NonNullable<DebriefedDecision['better']> | undefined {
  const { probes, repairs, repairNow } = advice;
  const probe = [...probes].sort((a, b) => b.saves - a.saves)[0];
  if (probe && probe.saves > 0) return { kind: 'probe', title: probe.probe.check.title };
  const repair = repairs[0];
  return repair && repairNow > 0 ? { kind: 'repair', title: repair.action.title, chance: repair.chance } : undefined;
}

/** From so many minutes on it is worth saying that another way was better. */
const worthSaying: Minutes = 0.5;

/** How well sureness went with what was so: the mean square of the gap, from 0 for always right to 1; NaN of nothing. */
export const brierOf = (statements: readonly Pick<Statement, 'sure' | 'right'>[]): number =>
  mean(statements.map(({ sure, right }) => (sure - (right ? 1 : 0)) ** 2));

/** Looks back on a hunt, decision by decision. */
export function debriefOf(hunt: PracticeHunt, played: PlayedHunt): Debrief {
  const adviseAfter = (lines: number) => adviseOn(caseAfter(hunt, played.log.slice(0, lines)));
  const decisions: DebriefedDecision[] = [];
  let before = adviseAfter(0);
  const expected = expectedFrom(before);
  let together: HuntStep[] = [];
  const statements: Statement[] = [];
  played.steps.forEach((step, place) => {
    together.push(step);
    if (step.act.kind === 'suspect') {
      const { part, sure } = step.act;
      const own = before.posterior.suspects.filter(({ fault, cured }) => fault.part === part && !cured);
      const stood = sumOf(own, ({ probability }) => probability);
      statements.push({ part, sure, stood, right: hunt.faults.some((fault) => fault.part === part) });
    }
    const last = place === played.steps.length - 1;
    if (!step.read && !step.repair && !last) return;
    const steps = together;
    together = [];
    const after = adviseAfter(played.steps[place + 1]?.from ?? played.log.length);
    const sum = (pick: (one: HuntStep) => number) => steps.reduce((total, one) => total + pick(one), 0);
    const toldNothing = (one: HuntStep) => one.act.kind === 'probe' && !one.read;
    const slips = sum(
      (one) =>
        one.consequences.reduce((total, { minutes }) => total + minutes, 0) + (toldNothing(one) ? one.minutes : 0),
    );
    const minutes = sum((one) => (toldNothing(one) ? 0 : one.minutes));
    const value = expectedFrom(before);
    const decided = step.read !== undefined || step.repair !== undefined;
    const taken = decided ? Math.max(value, expectedOf(step, before)) : value;
    const then = step.repair?.cured ? 0 : expectedFrom(after);
    const loss = taken - value;
    const best = loss >= worthSaying ? bestOf(before) : undefined;
    const chance = step.repair && (before.repairs.find(({ action }) => action.id === step.repair!.id)?.chance ?? 0);
    decisions.push({
      steps,
      bits: decided ? entropyOf(before.posterior) - entropyOf(after.posterior) : 0,
      minutes,
      loss,
      luck: minutes + then - taken,
      slips,
      ...(best ? { better: best } : {}),
      ...(chance === undefined ? {} : { chance }),
    });
    before = after;
  });
  return {
    decisions,
    expected,
    left: played.ended === 'cured' ? 0 : expectedFrom(before),
    statements,
    planner: plannersWay(hunt),
  };
}

/** The planner’s own hunt on the same set, as it goes with readings of the same noise. */
function plannersWay(hunt: PracticeHunt): Debrief['planner'] {
  const { predictions } = hunt;
  const { log, minutes } = plannersHunt(hunt);
  let from = 0;
  const steps = log.flatMap(({ at, body }) => {
    const title =
      body.kind === 'reading'
        ? predictions.checks.get(body.check)!.title
        : body.kind === 'repair'
          ? body.title
          : undefined;
    if (title === undefined) return [];
    const until = Date.parse(at) / 60_000;
    const step = { title, minutes: until - from };
    from = until;
    return [step];
  });
  return { steps, minutes };
}
