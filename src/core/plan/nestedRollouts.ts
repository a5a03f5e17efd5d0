import { sumOf } from '../statistics';
import { Refusal } from '../quantity';
import { type PlanProblem } from './problem';
import { repairOrderer } from './repairOrder';
import {
  afterRepair,
  afterTest,
  massOf,
  type Move,
  moveCost,
  moveHarm,
  type Situation,
  startOf,
  tells,
  weighOutcome,
} from './situation';

/** Repairs weighed against the tests at each step, likeliest for their cost first. */
const repairsWeighed = 4;

/** A chance under this is not followed further. */
const never = 1e-12;

/** A move with the expected cost of making it and going on as well as the level knows how. */
export interface ValuedMove {
  readonly move: Move;
  readonly cost: number;
}

/**
 * Rollouts of a greedy rule, nested: a policy that looks one move ahead and values what follows by
 * the policy a level below (Tesauro and Galperin 1996; nested as in Yan, Diaconis, Rusmevichientong
 * and Van Roy 2004). Level 0 runs the test that saves most against repairing now, or else repairs in
 * the best order; each level is never worse than the one below.
 *
 * Every value is exact: outcomes are walked, not sampled, and situations met twice are kept. The
 * number of situations grows fast, so it is for problems of some ten hypotheses and tests; larger
 * ones are condensed first.
 */
export class NestedRollouts {
  /** Per level: expected cost times chance of coming there, by situation. */
  private readonly known: readonly Map<number, number>[];
  private readonly testPlace: readonly number[];
  private readonly repairPlace: readonly number[];
  private readonly statePlace: number;
  private readonly repairOrder: ReturnType<typeof repairOrderer>;

  /**
   * @param levels the highest level that will be asked for
   * @param halt looked at now and then; when it gives true the work is given up
   * @throws Halted from any method once `halt` gave true; Refusal when the problem is too large
   */
  constructor(
    private readonly problem: PlanProblem,
    levels: number,
    private readonly halt: () => boolean = () => false,
  ) {
    this.known = Array.from({ length: levels + 1 }, () => new Map<number, number>());
    let place = 1;
    this.testPlace = problem.tests.map(({ outcomes }) => {
      const mine = place;
      place *= outcomes.length + 1;
      return mine;
    });
    this.repairPlace = problem.repairs.map(() => {
      const mine = place;
      place *= 2;
      return mine;
    });
    this.statePlace = place;
    if (place * problem.switchCost.length > Number.MAX_SAFE_INTEGER)
      throw new Refusal(`${problem.tests.length} tests and ${problem.repairs.length} repairs are too many to walk`);
    this.repairOrder = repairOrderer(problem);
  }

  /** Expected cost of following the policy of a level from the start, exactly. */
  expectedCost(level: number): number {
    const start = startOf(this.problem);
    return this.value(level, start, 0) / massOf(start.weights);
  }

  /** The moves at the start, best first, each valued by the policy of a level. */
  moves(level: number): ValuedMove[] {
    const start = startOf(this.problem);
    const mass = massOf(start.weights);
    return this.candidates(start)
      .map((move) => ({ move, cost: this.follow(level, start, 0, move) / mass }))
      .sort((a, b) => a.cost - b.cost);
  }

  private value(level: number, at: Situation, key: number): number {
    const store = this.known[level]!;
    const place = key + at.state * this.statePlace;
    let value = store.get(place);
    if (value === undefined) {
      if (store.size % 512 === 0 && this.halt()) throw new Halted();
      value = this.follow(level, at, key, level === 0 ? this.greedy(at) : this.best(level - 1, at, key));
      store.set(place, value);
    }
    return value;
  }

  /** Cost of making a move and then following a level's policy. */
  private follow(level: number, at: Situation, key: number, move: Move): number {
    const mass = massOf(at.weights);
    let value = mass * moveCost(this.problem, at.state, move) + moveHarm(this.problem, at, move);
    if (move.kind === 'repair') {
      const next = afterRepair(this.problem, at, move.index);
      if (massOf(next.weights) > never) value += this.value(level, next, key + this.repairPlace[move.index]!);
      return value;
    }
    const { outcomes } = this.problem.tests[move.index]!;
    for (let outcome = 0; outcome < outcomes.length; outcome += 1) {
      const next = afterTest(this.problem, at, move.index, outcome);
      if (massOf(next.weights) > never)
        value += this.value(level, next, key + (outcome + 1) * this.testPlace[move.index]!);
    }
    return value;
  }

  private best(level: number, at: Situation, key: number): Move {
    const moves = this.candidates(at);
    let best = moves[0]!;
    if (moves.length === 1) return best;
    let least = Infinity;
    for (const move of moves) {
      const cost = this.follow(level, at, key, move);
      if (cost < least - never) [best, least] = [move, cost];
    }
    return best;
  }

  private candidates(at: Situation): Move[] {
    const { problem } = this;
    const mass = massOf(at.weights);
    const repairs = problem.repairs
      .map(({ cures }, index) => ({ index, chance: sumOf(cures, (h) => at.weights[h]!) }))
      .filter(({ chance }) => chance > mass * 1e-9)
      .map(({ index, chance }) => ({
        kind: 'repair' as const,
        index,
        worth: chance / moveCost(problem, at.state, { kind: 'repair', index }),
      }))
      .sort((a, b) => b.worth - a.worth);
    if (repairs.length <= 1) return repairs;
    const tests = problem.tests.flatMap((_, index) =>
      tells(problem, at, index) ? [{ kind: 'test' as const, index }] : [],
    );
    return [...tests, ...repairs.slice(0, repairsWeighed)];
  }

  /** The test that saves most against repairing in the best order at once, or the first of those repairs. */
  private greedy(at: Situation): Move {
    const { problem } = this;
    const mass = massOf(at.weights);
    const now = this.repairOrder(at.weights, at.state);
    let least = now.cost * mass - 1e-9 * mass;
    let best: Move = { kind: 'repair', index: problem.repairs.indexOf(now.first!) };
    const posterior = new Float64Array(at.weights.length);
    for (let index = 0; index < problem.tests.length; index += 1) {
      if (!tells(problem, at, index)) continue;
      const test = problem.tests[index]!;
      const move = { kind: 'test', index } as const;
      let cost = mass * moveCost(problem, at.state, move) + moveHarm(problem, at, move);
      for (const outcome of test.outcomes) {
        if (cost >= least) break;
        const chance = weighOutcome(test, outcome, at.weights, posterior);
        cost += chance * this.repairOrder(posterior, test.state).cost;
      }
      if (cost < least) {
        least = cost;
        best = move;
      }
    }
    return best;
  }
}

/** The search was told to stop: something new is known. */
export class Halted extends Error {
  override readonly name = 'Halted';
  constructor() {
    super('the search was stopped');
  }
}
