import { describe, expect, it } from 'vitest';
import { turnWords } from '../quantity';
import { mean, seeded } from '../statistics';
import { adviseRails, drawTrimmers, type Rail, readRails, type Touch } from '.';

const rail = (id: string, target: number, reads: number, more: Partial<Rail> = {}): Rail => ({
  id,
  target,
  within: Math.abs(target) * 0.01,
  limit: undefined,
  control: `VR-${id}`,
  clockwiseRaises: undefined,
  reads,
  ...more,
});
const touch = (control: string, before: object, after: object, turn?: number, end = false): Touch => ({
  control,
  turn,
  before: new Map(Object.entries(before)),
  after: new Map(Object.entries(after)),
  end,
});

describe('rails that are set by trimmers', () => {
  it('need nothing where all are within their tolerance', () => {
    const advice = adviseRails([rail('vs', 187, 186.4), rail('va', 63, 63.1)], []);
    expect(advice).toMatchObject({ done: true, next: undefined, left: [] });
  });

  it('are set to their target where nothing is known of couplings', () => {
    expect(adviseRails([rail('vs', 187, 180)], []).next).toMatchObject({ control: 'VR-vs', aim: 187, turn: undefined });
  });

  it('are aimed past their target by what the others will still do, once that is known', () => {
    // A volt of Va took Vs down by 0.5 V; a volt of Vs leaves Va.
    const touches = [
      touch('VR-va', { vs: 187, va: 60 }, { vs: 185, va: 64 }),
      touch('VR-vs', { vs: 185, va: 64 }, { vs: 180, va: 64 }),
    ];
    const rails = [rail('vs', 187, 180), rail('va', 63, 61)];
    const { next, left } = adviseRails(rails, touches);
    expect(left).toHaveLength(2);
    // Whichever is first, both come out at their targets by what was learnt.
    const aim = next!.control === 'VR-vs' ? next!.aim : undefined;
    if (aim !== undefined) expect(aim).toBeCloseTo(187 + 0.5 * 2, 0);
    else expect(next!.aim).toBeCloseTo(63, 1);
  });

  it('say by how much of a turn, once a turn was counted', () => {
    const touches = [touch('VR-vs', { vs: 170 }, { vs: 175 }, 0.25)];
    const { next } = adviseRails([rail('vs', 187, 175)], touches);
    expect(next!.turn).toBeCloseTo(0.6, 2);
    expect(turnWords(next!.turn!)).toBe('two thirds of a turn clockwise');
    expect(turnWords(-1 / 8)).toBe('an eighth of a turn counter-clockwise');
    expect(turnWords(2.04)).toBe('2.0 turns clockwise');
  });

  it('are never taken past a limit: neither their own nor, in doubt, another’s', () => {
    const near = adviseRails([rail('vs', 187, 170, { limit: 180 })], []);
    expect(near.next!.aim).toBeLessThan(180);
    expect(near.next!.limited).toBe(true);
    const other = adviseRails([rail('vs', 187, 150), rail('va', 63, 63, { limit: 63.5 })], []);
    expect(other.next!.aim).toBeLessThan(187);
  });

  it.each([
    ['does nothing', touch('VR-vs', { vs: 180 }, { vs: 180.01 }, 0.3), rail('vs', 187, 180.01)],
    ['at its end', touch('VR-vs', { vs: 178 }, { vs: 180 }, 0.3, true), rail('vs', 187, 180)],
    ['wrong way', touch('VR-vs', { vs: 180 }, { vs: 176 }, 0.3), rail('vs', 187, 176, { clockwiseRaises: true })],
  ])('say that a control %s: a fault, no setting', (kind, one, now) => {
    const { trouble, next } = adviseRails([now], [one]);
    expect(trouble).toMatchObject([{ control: 'VR-vs', kind }]);
    if (kind !== 'wrong way') expect(next).toBeUndefined();
  });

  it('come within their tolerances in few touches on sets whose trimmers disturb each other', () => {
    const touchesEach = Array.from({ length: 40 }, (_, seed) => {
      const random = seeded(seed + 1);
      const count = 3 + (seed % 4);
      const set = drawTrimmers(count, random);
      const touches: Touch[] = [];
      for (;;) {
        const { done, next } = adviseRails(set.rails(), touches);
        if (done) break;
        expect(touches.length).toBeLessThan(30);
        touches.push(set.turnTo(next!.control, next!.aim));
      }
      expect(set.worst()).toBeLessThanOrEqual(1);
      return touches.length / count;
    });
    expect(mean(touchesEach)).toBeLessThan(1.45);
  });
});

describe('a list of rails and turns', () => {
  const good = `
rails:
  - { id: vs, target: 187, within: 1.8, limit: 195, control: VR841, clockwise: raises }
  - { id: va, target: 63, within: 1, control: VR851 }
reads: { vs: 180, va: 60 }
touches:
  - { control: VR841, turn: 0.25, reads: { vs: 184, va: 60.4 } }
`;
  it('reads now what was read after the last turn', () => {
    const { rails, touches } = readRails(good);
    expect(rails.map(({ reads }) => reads)).toEqual([184, 60.4]);
    expect(touches[0]).toMatchObject({ control: 'VR841', turn: 0.25 });
    expect(touches[0]!.before.get('vs')).toBe(180);
  });

  it.each([
    [good.replace('va: 60.4', 'vx: 60.4'), 'touch 1 reads "vx"'],
    [good.replace(', va: 60.4', ''), 'touch 1 says nothing of "va"'],
    [good.replace('control: VR841, turn', 'control: VR9, turn'), 'touch 1 turns "VR9"'],
    [good.replace('VR851', 'VR841'), 'the same control'],
    [good.replace('limit: 195', 'limit: 180'), 'not beyond its target'],
    [good.replace('target: 63, ', ''), 'target is missing'],
    [good.replace('raises', 'up'), 'raises or lowers'],
  ])('is refused where it is wrong', (text, message) => expect(() => readRails(text)).toThrow(message));
});
