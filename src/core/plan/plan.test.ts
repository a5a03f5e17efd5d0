import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOneStep, type PlanProblem, repairOrderer } from '.';

/** Two faults, a test that tells them apart, and repairs of which one is dear. */
const problem = (testCost: number, weights = [0.5, 0.5]): PlanProblem => ({
  weights: Float64Array.from(weights),
  tests: [
    {
      id: 'tell',
      cost: testCost,
      state: 0,
      outcomes: [
        { name: 'first', chances: Float64Array.from([1, 0]) },
        { name: 'second', chances: Float64Array.from([0, 1]) },
      ],
    },
    { id: 'idle', cost: 0.1, state: 0, outcomes: [{ name: 'always', chances: Float64Array.from([1, 1]) }] },
  ],
  repairs: [
    { id: 'cheap', cost: 10, state: 1, cures: [0] },
    { id: 'dear', cost: 100, state: 1, cures: [1] },
  ],
  state: 0,
  switchCost: [
    [0, 2],
    [2, 0],
  ],
});

describe('the order of repairs', () => {
  it('tries the likeliest for its cost first and counts the change of state once', () => {
    const { cost, first } = repairOrderer(problem(1))(Float64Array.from([0.5, 0.5]), 0);
    expect(first?.id).toBe('cheap');
    expect(cost).toBeCloseTo(2 + 10 + 0.5 * 100);
  });

  it('is the best order there is, without changes of state', () => {
    const repairs = fc.array(
      fc.record({
        weight: fc.double({ min: 0.01, max: 1, noNaN: true }),
        cost: fc.double({ min: 0.5, max: 90, noNaN: true }),
      }),
      { minLength: 2, maxLength: 5 },
    );
    fc.assert(
      fc.property(repairs, (list) => {
        const total = list.reduce((sum, { weight }) => sum + weight, 0);
        const weights = Float64Array.from(list, ({ weight }) => weight / total);
        const plain: PlanProblem = {
          weights: normalised(weights),
          tests: [],
          repairs: list.map(({ cost }, index) => ({ id: String(index), cost, state: 0, cures: [index] })),
          state: 0,
          switchCost: [[0]],
        };
        const costOf = (order: readonly number[]) =>
          order.reduce(
            ({ alive, cost }, index) => ({ alive: alive - weights[index]!, cost: cost + alive * list[index]!.cost }),
            { alive: 1, cost: 0 },
          ).cost;
        const best = Math.min(...permutations(list.map((_, index) => index)).map(costOf));
        expect(repairOrderer(plain)(weights, 0).cost).toBeCloseTo(best, 6);
      }),
      { numRuns: 60 },
    );
  });
});

function permutations(items: readonly number[]): number[][] {
  return items.length <= 1
    ? [[...items]]
    : items.flatMap((item, index) =>
        permutations(items.filter((_, other) => other !== index)).map((rest) => [item, ...rest]),
      );
}

describe('one step of looking ahead', () => {
  it('values a test that tells all by what it saves', () => {
    const plan = planOneStep(problem(3));
    expect(plan.tests.map(({ test }) => test.id)).toEqual(['tell']);
    expect(plan.tests[0]!.total).toBeCloseTo(3 + 2 + 0.5 * 10 + 0.5 * 100);
    expect(plan.tests[0]!.bits).toBeCloseTo(1);
    expect(plan.tests[0]!.total).toBeLessThan(plan.repairNow);
  });

  it('does not test where repairing at once is cheaper', () => {
    const plan = planOneStep(problem(20, [0.95, 0.05]));
    expect(plan.tests[0]!.total).toBeGreaterThan(plan.repairNow);
  });
});

interface Reference {
  start: string;
  switch: Record<string, Record<string, number>>;
  faults: { id: string; prior: number; repairCost: number; state: string }[];
  tests: { id: string; cost: number; state: string; outcomes: Record<string, Record<string, number>> }[];
}

function fromReference(reference: Reference): PlanProblem {
  const states = Object.keys(reference.switch);
  return {
    weights: Float64Array.from(reference.faults, ({ prior }) => prior),
    tests: reference.tests.map((test) => ({
      id: test.id,
      cost: test.cost,
      state: states.indexOf(test.state),
      outcomes: Object.entries(test.outcomes).map(([name, chances]) => ({
        name,
        chances: Float64Array.from(reference.faults, ({ id }) => chances[id]!),
      })),
    })),
    repairs: reference.faults.map(({ id, repairCost, state }, index) => ({
      id,
      cost: repairCost,
      state: states.indexOf(state),
      cures: [index],
    })),
    state: states.indexOf(reference.start),
    switchCost: states.map((from) => states.map((to) => reference.switch[from]![to]!)),
  };
}

function normalised(weights: Float64Array): Float64Array {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}

/** Expected cost of always taking the best single step, by walking every outcome. */
function walk(problem: PlanProblem): number {
  const plan = planOneStep(problem);
  const [best] = plan.tests;
  if (best && best.total < plan.repairNow - 1e-9) {
    return (
      best.cost +
      best.test.outcomes.reduce((sum, { chances }, index) => {
        const chance = best.chances[index]!;
        if (chance < 1e-12) return sum;
        const weights = problem.weights.map((weight, h) => weight * chances[h]!);
        return (
          sum +
          chance *
            walk({
              ...problem,
              weights: normalised(weights),
              state: best.test.state,
              tests: problem.tests.filter((test) => test !== best.test),
            })
        );
      }, 0)
    );
  }
  const repair = plan.firstRepair!;
  const [cured] = problem.repairs.find(({ id }) => id === repair.id)!.cures;
  const chance = problem.weights[cured!]!;
  const cost = repair.cost + problem.switchCost[problem.state]![repair.state]!;
  if (chance > 1 - 1e-7) return cost;
  const weights = problem.weights.map((weight, h) => (h === cured ? 0 : weight));
  return (
    cost +
    (1 - chance) *
      walk({
        ...problem,
        weights: normalised(weights),
        state: repair.state,
        repairs: problem.repairs.filter(({ id }) => id !== repair.id),
      })
  );
}

const folder = path.resolve(process.cwd(), '..', 'shared', 'reference', 'policy');
const small = ((): string[] => {
  try {
    return readdirSync(folder).filter((file) => /^(?!large).*\.json$/.test(file) && !file.endsWith('.ref.json'));
  } catch {
    return [];
  }
})();

describe.runIf(small.length > 0)('on reference decision problems', () => {
  it('never beats the exact optimum and does no worse than one-step value of information', () => {
    const ratios = small.map((file) => {
      const cost = walk(fromReference(JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as Reference));
      const { optimal, baselines } = JSON.parse(
        readFileSync(path.join(folder, file.replace('.json', '.ref.json')), 'utf8'),
      ) as { optimal: number; baselines: { greedy_voi: number } };
      expect(cost).toBeGreaterThanOrEqual(optimal - 1e-6);
      return { optimum: cost / optimal, baseline: cost / baselines.greedy_voi };
    });
    const mean = (pick: (ratio: (typeof ratios)[number]) => number) =>
      ratios.reduce((sum, ratio) => sum + pick(ratio), 0) / ratios.length;
    expect(mean(({ optimum }) => optimum)).toBeLessThan(1.06);
    expect(mean(({ baseline }) => baseline)).toBeLessThan(1.02);
  });
});
