import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { jointArea, type Worked } from './jointArea';

const place = fc.record({
  x: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
  y: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
});

/** Presses every tenth of the board: answers fall off with distance from the joint. */
const pressedAll = (joint: { x: number; y: number }): Worked[] =>
  Array.from({ length: 81 }, (_, index): Worked => {
    const [x, y] = [((index % 9) + 1) / 10, (Math.floor(index / 9) + 1) / 10];
    const answer = Math.round(3 * Math.exp(-0.5 * (Math.hypot(x - joint.x, y - joint.y) / 0.12) ** 2));
    return { x, y, by: 'press', answer: answer as Worked['answer'] };
  });

describe('the area of a bad joint', () => {
  it('is found from where the board answers', () => {
    fc.assert(
      fc.property(place, (joint) => {
        const area = jointArea(pressedAll(joint))!;
        expect(Math.hypot(area.x - joint.x, area.y - joint.y)).toBeLessThan(0.06);
        expect(area.radius).toBeLessThan(0.1);
        expect(area.chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9);
      }),
    );
  });

  it('is narrower by cold than by a knock, and there is none before anything answers', () => {
    const by = (way: Worked['by']) => jointArea([{ x: 0.5, y: 0.5, by: way, answer: 3 }])!.radius;
    expect(by('chill')).toBeLessThan(by('tap'));
    expect(jointArea([{ x: 0.5, y: 0.5, by: 'tap', answer: 0 }])).toBeUndefined();
  });

  it('keeps away from where nothing answered', () => {
    const area = jointArea([
      { x: 0.3, y: 0.5, by: 'press', answer: 2 },
      { x: 0.2, y: 0.5, by: 'press', answer: 0 },
    ])!;
    expect(area.x).toBeGreaterThan(0.3);
  });
});
