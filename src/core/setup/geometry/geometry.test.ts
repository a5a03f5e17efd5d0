import { shapeByLengths } from './lengths';
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../statistics';
import { adviseShape, type ShapeTouch } from './advise';
import { type Seen, shapeOf, wantedOf } from './fit';
import { drawMisadjusted } from './misadjusted';
import { type TermId, termIds, terms } from './terms';

const wanted = wantedOf(15, 11, 0.75);
const tall = wanted.high / wanted.wide;

/** Crossings of a picture with errors in percent of the width. */
function pictureOf(errors: Partial<Record<TermId, number>>, noise = 0, seed = 1): Seen[] {
  const random = seeded(seed);
  return Array.from({ length: 165 }, (_, i) => {
    const [u, v] = [(i % 15) / 7 - 1, Math.floor(i / 15) / 5 - 1];
    let [x, y] = [(u * wanted.wide) / 2, (v * wanted.high) / 2];
    for (const [id, percent] of Object.entries(errors) as [TermId, number][]) {
      const [right, down] = terms[id].shift({ u, v }, tall);
      x += (percent / 100) * right;
      y += (percent / 100) * down;
    }
    return { u, v, x: x + noise * gaussian(random), y: y + noise * gaussian(random) };
  });
}

describe('the shape of a picture', () => {
  it.each(termIds)('tells %s from all other errors', (id) => {
    const shape = shapeOf(pictureOf({ [id]: 1.7 }), wanted);
    for (const [other, { percent }] of shape.terms) expect(percent).toBeCloseTo(other === id ? 1.7 : 0, 6);
    expect(shape.unexplained).toBeCloseTo(0, 6);
  });

  it('is known within 0.3 % of the width from clicks that are off by half as much, with a spread that holds', () => {
    const errors = Object.fromEntries(termIds.map((id, i) => [id, ((i * 7) % 5) - 2]));
    let beyond = 0;
    for (let seed = 1; seed <= 20; seed += 1) {
      const { terms: found } = shapeOf(pictureOf(errors, 0.0015, seed), wanted);
      for (const id of termIds) {
        const { percent, spread } = found.get(id)!;
        expect(Math.abs(percent - errors[id]!)).toBeLessThan(0.3);
        if (Math.abs(percent - errors[id]!) > 2 * spread) beyond += 1;
      }
    }
    // One in twenty is beyond two standard deviations.
    expect(beyond / (20 * termIds.length)).toBeGreaterThan(0.01);
    expect(beyond / (20 * termIds.length)).toBeLessThan(0.09);
  });

  it('without corners says only what a camera standing askew does not make', () => {
    const askew = pictureOf({ sidePincushion: 1.2, endBow: -0.8 }).map(({ u, v, x, y }) => {
      const depth = 1 + 0.12 * x - 0.08 * y;
      return { u, v, x: (1.1 * x + 0.1 * y + 0.02) / depth, y: (0.93 * y - 0.07 * x) / depth };
    });
    const { terms: found } = shapeOf(askew, wanted, false);
    expect(found.has('width')).toBe(false);
    expect(found.get('sidePincushion')!.percent).toBeCloseTo(1.2, 0);
    expect(found.get('endBow')!.percent).toBeCloseTo(-0.8, 0);
  });

  it('takes twenty crossings', () => {
    expect(() => shapeOf(pictureOf({}).slice(0, 19), wanted)).toThrow(/20 crossings at least; there are 19/);
  });
});

describe('what to turn for the shape', () => {
  it('comes as near as the tube allows, learning what each control does', () => {
    for (let seed = 1; seed <= 6; seed += 1) {
      const set = drawMisadjusted(seeded(seed));
      const best = set.best();
      const touches: ShapeTouch[] = [];
      for (let moves = 0; moves < 30; moves += 1) {
        const before = shapeOf(set.seen(), set.wanted);
        const { next } = adviseShape(before, set.controls, touches);
        if (!next) break;
        set.turnTo(next.control, next.aim);
        touches.push({ control: next.control, before, after: shapeOf(set.seen(), set.wanted), end: false });
      }
      expect(shapeOf(set.seen(), set.wanted).off).toBeLessThan(best + 0.3);
      expect(touches.length).toBeLessThan(25);
    }
  });

  it('names what no control reaches, and a control that does nothing or is at its end', () => {
    const shape = shapeOf(pictureOf({ width: 3, endBow: 1 }), wanted);
    const controls = [
      { control: 'L503', term: 'width' },
      { control: 'VR5', term: 'height' },
    ] as const;
    const advice = adviseShape(shape, controls);
    expect(advice.next).toMatchObject({ control: 'L503', way: 'narrower' });
    expect(advice.beyond).toEqual(['endBow']);
    const still = { control: 'L503', before: shape, after: shape, end: false };
    expect(adviseShape(shape, controls, [still, still]).trouble[0]!.words).toMatch(/moves nothing/);
    expect(adviseShape(shape, controls, [{ ...still, end: true }]).trouble[0]!.words).toMatch(/end of its travel/);
    expect(adviseShape(shape, controls, [still, still]).next?.control).not.toBe('L503');
  });
});

describe('lengths along the middle of a screen', () => {
  const percent = (across: string, down: string) =>
    new Map([...shapeByLengths(across, down).shape.terms].map(([id, one]) => [id, Number(one.percent.toFixed(2))]));
  const even = '20 40 40 40 40 20';

  it('find nothing wrong where cells are alike and the picture lies half a cell inside', () => {
    expect([...percent(even, even).values()].every((one) => Math.abs(one) < 1e-6)).toBe(true);
  });

  it('find size, place and linearity, and say nothing of bends', () => {
    const moved = percent('24 40 40 40 40 16', even);
    // Four of two hundred to the right.
    expect(moved.get('acrossCentre')).toBeCloseTo(2);
    expect(moved.get('width')).toBeCloseTo(0);
    expect(percent('30 35 35 35 35 30', even).get('width')).toBeCloseTo(-10);
    const stretched = percent('20 46 42 38 34 20', even);
    expect(stretched.get('acrossLinearity')).toBeGreaterThan(3);
    expect(stretched.get('downLinearity')).toBeCloseTo(0);
    expect(moved.has('sidePincushion')).toBe(false);
  });

  it('say which length is wrong', () => {
    expect(() => shapeByLengths('40 40', even)).toThrow('across: edge to first line');
    expect(() => shapeByLengths(even, '20 40 x 40 40 20')).toThrow('down, "x" is no length');
    expect(() => shapeByLengths(even, '20 40 0 40 40 20')).toThrow('"0" is no length');
    expect(() => shapeByLengths('400 10 10 10 10 400', even)).toThrow('longer than all cells');
  });
});
