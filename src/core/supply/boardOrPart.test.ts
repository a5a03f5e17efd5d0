import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type BoardWay, type PartWay, reworkHarm, weighBoardOrPart } from './boardOrPart';

const chip: PartWay = {
  money: 4,
  pins: 48,
  pitch: 0.5,
  belly: false,
  tired: false,
  guilty: 1,
  reworks: { done: 0, spoiled: 0 },
};
const board: BoardWay = { money: 30, minutes: 12, unfit: 0 };

describe('the part or the board', () => {
  it('is work and price alone where nothing can go wrong', () => {
    const harmless = { ...chip, reworks: { done: 1e9, spoiled: 0 } };
    const { part, board: other } = weighBoardOrPart(harmless, board, 18);
    expect(part.cost).toBeCloseTo(4 + (22 * 18) / 60, 3);
    expect(other).toEqual({ cost: 30 + (12 * 18) / 60, minutes: 12 });
  });

  it('costs the board besides where the part is not it', () => {
    const { part, board: other } = weighBoardOrPart({ ...chip, guilty: 0 }, board, 18);
    expect(part.cost).toBeCloseTo(4 + (22 * 18) / 60 + other.cost, 6);
    expect(part.cured).toBe(0);
  });

  it('takes work twice where every second board is unfit', () => {
    expect(weighBoardOrPart(chip, { ...board, unfit: 0.5 }, 18).board.minutes).toBe(24);
  });

  it('does more harm with more and finer pins, a belly and tired pads, and learns from the bench’s own hand', () => {
    const harm = reworkHarm(chip);
    for (const worse of [{ pins: 100 }, { pitch: 0.4 }, { belly: true }, { tired: true }])
      expect(reworkHarm({ ...chip, ...worse })).toBeGreaterThan(harm);
    expect(reworkHarm({ ...chip, reworks: { done: 40, spoiled: 0 } })).toBeLessThan(harm);
    expect(reworkHarm({ ...chip, reworks: { done: 1000, spoiled: 300 } })).toBeCloseTo(0.3, 1);
  });

  it('is never dearer where the chance of guilt is greater', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        const cost = (guilty: number) => weighBoardOrPart({ ...chip, guilty }, board, 18).part.cost;
        expect(cost(more)).toBeLessThanOrEqual(cost(less) + 1e-9);
      }),
    );
  });
});
