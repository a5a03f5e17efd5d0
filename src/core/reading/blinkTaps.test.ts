import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { countBlinks, type Tap } from '.';

/** Groups of blinks at a pace, with a pause between groups. */
function tapped(groups: readonly number[], { pace = 0.5, pause = 2, waver = (): number => 0 } = {}): Tap[] {
  let at = 0;
  return groups.flatMap((count) => {
    const taps = Array.from({ length: count }, (): Tap => {
      const down = at + waver();
      at += pace;
      return { down, up: down + pace * 0.4 };
    });
    at += pause;
    return taps;
  });
}

describe('blinks tapped along', () => {
  it('are counted by groups, whatever the pace of the light and of the hand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: 0.25, max: 0.9, noNaN: true }),
        fc.array(fc.double({ min: -0.04, max: 0.04, noNaN: true }), { minLength: 40, maxLength: 40 }),
        (count, pace, wavers) => {
          let next = 0;
          const taps = tapped([count, count, count], { pace, pause: 2.2, waver: () => wavers[next++ % 40]! });
          const found = countBlinks(taps, taps[taps.length - 1]!.up + 5);
          expect(found).toMatchObject({ count, agree: 3, groups: [count, count, count] });
        },
      ),
    );
  });

  it('do not agree where one group was miscounted once, and do where two outvote it', () => {
    const once = tapped([7, 6]);
    expect(countBlinks(once, 60).count).toBeUndefined();
    expect(countBlinks(tapped([7, 6, 7]), 60)).toMatchObject({ count: 7, agree: 2 });
  });

  it('leave out a group that is not over yet', () => {
    const taps = tapped([4, 2]);
    expect(countBlinks(taps, taps[taps.length - 1]!.up + 0.3)).toMatchObject({ count: 4, groups: [4, 2] });
  });

  it('tell long ones from short ones', () => {
    const taps: Tap[] = [0.2, 0.2, 0.9].map((length, index) => ({ down: index * 1.2, up: index * 1.2 + length }));
    expect(countBlinks(taps, 30)).toMatchObject({ count: 3, long: 1 });
    expect(countBlinks(tapped([3]), 30).long).toBeUndefined();
  });

  it('are none where none were', () => {
    expect(countBlinks([], 5)).toMatchObject({ groups: [], count: undefined });
  });
});
