import { Refusal } from '../quantity';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../statistics';
import {
  condense,
  Halted,
  NestedRollouts,
  planOneStep,
  type PlanProblem,
  policyCost,
  readProblem,
  repairOrderer,
  simulatedCost,
  startOf,
  tellingPolicy,
} from '.';

/** Two faults, a test that tells them apart, and repairs of which one is dear. */
const problem = (testCost: number, weights = [0.5, 0.5]): PlanProblem => ({
  weights: Float64Array.from(weights),
  tests: [
    {
      id: 'tell',
      cost: testCost,
      state: 0,
      kinds: Int32Array.from([0, 1]),
      outcomes: [
        { name: 'first', chances: Float64Array.from([1, 0]) },
        { name: 'second', chances: Float64Array.from([0, 1]) },
      ],
    },
    {
      id: 'idle',
      cost: 0.1,
      state: 0,
      kinds: new Int32Array(2),
      outcomes: [{ name: 'always', chances: Float64Array.from([1]) }],
    },
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

function normalised(weights: Float64Array): Float64Array {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}

describe('nested rollouts', () => {
  it('find the optimum of a problem small enough to work out by hand', () => {
    // Testing first costs 3 + 2 + 10 or 3 + 2 + 100; repairing first costs 12 and half the time 100 more.
    expect(new NestedRollouts(problem(3), 2).expectedCost(2)).toBeCloseTo(60);
    expect(new NestedRollouts(problem(8), 2).expectedCost(2)).toBeCloseTo(62);
  });

  it('cost no more with each level', () => {
    const chance = fc.double({ min: 0.05, max: 0.95, noNaN: true });
    const tests = fc.array(
      fc.record({
        cost: fc.double({ min: 1, max: 9, noNaN: true }),
        bad: fc.array(chance, { minLength: 4, maxLength: 4 }),
      }),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(
        tests,
        fc.array(fc.double({ min: 2, max: 60, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (list, costs) => {
          const random: PlanProblem = {
            weights: Float64Array.from([0.4, 0.3, 0.2, 0.1]),
            tests: list.map(({ cost, bad }, index) => ({
              id: String(index),
              cost,
              state: index % 2,
              kinds: Int32Array.from(bad, (_, h) => h),
              outcomes: [
                { name: 'bad', chances: Float64Array.from(bad) },
                { name: 'good', chances: Float64Array.from(bad, (one) => 1 - one) },
              ],
            })),
            repairs: costs.map((cost, index) => ({ id: String(index), cost, state: index % 2, cures: [index] })),
            state: 0,
            switchCost: [
              [0, 4],
              [3, 0],
            ],
          };
          const rollouts = new NestedRollouts(random, 2);
          const [greedy, once, twice] = [0, 1, 2].map((level) => rollouts.expectedCost(level));
          expect(once).toBeLessThanOrEqual(greedy! + 1e-9);
          expect(twice).toBeLessThanOrEqual(once! + 1e-9);
          // The simulation of a policy that is walked exactly must agree with the walk.
          expect(rollouts.moves(0)[0]!.cost).toBeLessThanOrEqual(greedy! + 1e-9);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('stop when told to, and refuse what could never be walked', () => {
    expect(() => new NestedRollouts(problem(3), 1, () => true).expectedCost(1)).toThrow(Halted);
    const wide = { ...problem(3), tests: Array.from({ length: 60 }, () => problem(3).tests[0]!) };
    expect(() => new NestedRollouts(wide, 1)).toThrow(/too many to walk/);
  });
});

describe('condensing a problem', () => {
  it('keeps the likeliest, lumps the rest and leads moves back to the whole', () => {
    const many: PlanProblem = {
      weights: Float64Array.from([0.05, 0.6, 0.05, 0.3]),
      tests: [problem(1).tests[0]!, problem(2).tests[0]!].map((test, index) => ({
        ...test,
        kinds: Int32Array.from([0, 1, 2, 3], (h) => (h % (index + 2) === 0 ? 0 : 1)),
        outcomes: test.outcomes.map(({ name }, outcome) => ({
          name,
          chances: Float64Array.from(outcome === 0 ? [0.9, 0.1] : [0.1, 0.9]),
        })),
      })),
      repairs: [10, 20, 30, 40].map((cost, index) => ({ id: `r${index}`, cost, state: 0, cures: [index] })),
      state: 0,
      switchCost: [[0]],
    };
    const small = condense(many, startOf(many), 2, 1);
    expect([...small.problem.weights].map((weight) => Number(weight.toFixed(6)))).toEqual([0.6, 0.3, 0.1]);
    expect(small.kept).toBeCloseTo(0.9);
    // The rest alone: 10, and half the time 30 more.
    expect(small.problem.repairs.map(({ cost }) => cost)).toEqual([20, 40, 25]);
    expect(small.moveOf({ kind: 'repair', index: 0 })).toEqual({ kind: 'repair', index: 1 });
    expect(small.moveOf({ kind: 'repair', index: 2 })).toBeUndefined();
    const { outcomes } = small.problem.tests[0]!;
    for (let h = 0; h < 3; h += 1) expect(outcomes.reduce((sum, { chances }) => sum + chances[h]!, 0)).toBeCloseTo(1);
  });

  it('takes together outcomes that leave the same or hardly come up, so that less is walked for the same answer', () => {
    const told = (chances: readonly (readonly [number, number])[]): PlanProblem => ({
      ...problem(1),
      tests: [
        {
          ...problem(1).tests[0]!,
          outcomes: chances.map((one, index) => ({ name: `outcome ${index}`, chances: Float64Array.from(one) })),
        },
      ],
    });
    // Three say the first, in any proportion; two say the second; two are slips.
    const many = told([
      [0.6, 0.006],
      [0.3, 0.003],
      [0.06, 0.0006],
      [0.01, 0.7],
      [0.004, 0.2804],
      [0.013, 0.005],
      [0.013, 0.005],
    ]);
    const small = condense(many, startOf(many), 2, 1).problem;
    expect(small.tests[0]!.outcomes).toHaveLength(3);
    for (const h of [0, 1])
      expect(small.tests[0]!.outcomes.reduce((sum, { chances }) => sum + chances[h]!, 0)).toBeCloseTo(1);
    const [whole, condensed] = [many, small].map((one) => new NestedRollouts(one, 1).expectedCost(1));
    expect(Math.abs(condensed! - whole!)).toBeLessThan(0.05 * whole!);
  });
});

const written = {
  start: 'live',
  states: ['live', 'off'],
  switch: { live: { live: 0, off: 4 }, off: { live: 2, off: 0 } },
  faults: [
    { id: 'a', prior: 0.5, repairCost: 10, state: 'off' },
    { id: 'b', prior: 0.5, repairCost: 30, state: 'live' },
  ],
  tests: [{ id: 'look', cost: 2, state: 'live', outcomes: { yes: { a: 1, b: 0.1 }, no: { a: 0, b: 0.9 } } }],
};

describe('reading a decision problem', () => {
  it('takes what is written', () => {
    const read = readProblem(JSON.stringify(written));
    expect(read.repairs[1]).toEqual({ id: 'b', cost: 30, state: 0, cures: [1] });
    expect(read.switchCost).toEqual([
      [0, 4],
      [2, 0],
    ]);
    expect([...read.tests[0]!.outcomes[0]!.chances]).toEqual([1, 0.1]);
  });

  const changed = (change: (copy: typeof written) => void) => {
    const copy = structuredClone(written);
    change(copy);
    return JSON.stringify(copy, null, 1);
  };
  it.each([
    ['priors', changed((one) => (one.faults[0]!.prior = 0.4)), '"faults": [', /the priors .* add up to 0.9, not to 1$/],
    ['outcomes', changed((one) => (one.tests[0]!.outcomes.no.b = 0.8)), '"b": 0.1', /"look".*"b" add up to 0.9, not/],
    ['a state', changed((one) => (one.tests[0]!.state = 'up')), '"up"', /no state "up"; there are live, off$/],
    ['a cost', changed((one) => (one.faults[1]!.repairCost = -3)), '-3', /faults.1.repairCost should be a number/],
    ['the text', '{\n "start": "live",\n "states": [}', '[}', /not JSON/],
    ['a list', '[]', '[]', /the file should be an object/],
  ])('says in which line %s is wrong', (_, text, there, message) => {
    expect(() => readProblem(text)).toThrow(message);
    expect(() => readProblem(text)).toThrow(Refusal);
    const line = text.split('\n').findIndex((one) => one.includes(there)) + 1;
    expect(() => readProblem(text)).toThrow(new RegExp(`^line ${line}: `));
  });

  it('refuses what is far too long', () => {
    expect(() => readProblem(' '.repeat(9 * 1024 * 1024))).toThrow(/9 MB long/);
  });
});

const folder = path.resolve(process.cwd(), '..', 'shared', 'reference', 'policy');
const names = ((): string[] => {
  try {
    return readdirSync(folder).filter((file) => file.endsWith('.json') && !file.endsWith('.ref.json'));
  } catch {
    return [];
  }
})();
const reference = (file: string) => ({
  read: readProblem(readFileSync(path.join(folder, file), 'utf8')),
  ...(JSON.parse(readFileSync(path.join(folder, file.replace('.json', '.ref.json')), 'utf8')) as {
    optimal: number | null;
    baselines: Record<string, number>;
  }),
});

describe.runIf(names.length > 0)('on reference decision problems', () => {
  it('comes within a hundredth of the exact optimum on the small ones', () => {
    const ratios = names
      .filter((file) => !file.startsWith('large'))
      .map((file) => {
        const { read, optimal } = reference(file);
        return policyCost(read, seeded(1)).mean / optimal!;
      });
    expect(Math.min(...ratios)).toBeGreaterThanOrEqual(1 - 1e-9);
    expect(Math.max(...ratios)).toBeLessThanOrEqual(1.03);
    expect(ratios.reduce((sum, ratio) => sum + ratio, 0) / ratios.length).toBeLessThanOrEqual(1.01);
  });

  it('beats the best simple rule on a large one', () => {
    const { read, baselines } = reference('large_100.json');
    const { mean, error } = simulatedCost(read, tellingPolicy(read), 400, seeded(2));
    expect((mean + 2 * error) / Math.min(...Object.values(baselines))).toBeLessThan(0.85);
  });
});
