import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NestedRollouts, planOneStep, type PlanProblem } from '.';

/** Two faults, two tests that tell them apart as well, two repairs. */
const problem = (harm: readonly [number, number], trial: readonly [number, number] = [0, 0]): PlanProblem => ({
  weights: Float64Array.of(0.5, 0.5),
  tests: ['live', 'cold'].map((id) => ({
    id,
    cost: id === 'live' ? 1 : 3,
    state: 0,
    kinds: Int32Array.from([0, 1]),
    outcomes: [
      { name: 'a', chances: Float64Array.of(1, 0) },
      { name: 'b', chances: Float64Array.of(0, 1) },
    ],
    ...(id === 'live' ? { harm: Float64Array.from(harm) } : {}),
  })),
  repairs: [0, 1].map((hypothesis) => ({ id: `repair ${hypothesis}`, cost: 20, state: 0, cures: [hypothesis] })),
  state: 0,
  switchCost: [[0]],
  trialHarm: Float64Array.from(trial),
});

const minutes = fc.double({ min: 0, max: 30, noNaN: true });

describe('harm in a plan', () => {
  it('counts by how likely it is: the quicker test is left as soon as its harm costs more than it saves', () => {
    expect(planOneStep(problem([3, 0])).tests[0]!.test.id).toBe('live');
    expect(planOneStep(problem([5, 0])).tests[0]!.test.id).toBe('cold');
    expect(planOneStep(problem([5, 0])).tests.find(({ test }) => test.id === 'live')).toMatchObject({
      cost: 1,
      harm: 2.5,
    });
  });

  it('adds what trying a repair in vain does, for what it left wrong', () => {
    // Half of the time the first repair is tried in vain.
    expect(planOneStep(problem([0, 0], [8, 8])).repairNow - planOneStep(problem([0, 0])).repairNow).toBeCloseTo(4, 9);
  });

  it('is the same to the walk to the end as to one step, where one step is all there is', () => {
    fc.assert(
      fc.property(fc.tuple(minutes, minutes, minutes, minutes), (any) => {
        const own = problem([any[0], any[1]], [any[2], any[3]]);
        const { tests, repairNow } = planOneStep(own);
        const best = Math.min(repairNow, ...tests.map(({ total }) => total));
        expect(new NestedRollouts(own, 1).expectedCost(1)).toBeLessThanOrEqual(best + 1e-9);
      }),
    );
  });
});
