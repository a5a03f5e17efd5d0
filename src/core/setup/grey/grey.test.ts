import { describe, expect, it } from 'vitest';
import { mean, seeded } from '../../statistics';
import {
  bars,
  chromaticOf,
  drawGreyTube,
  greyByEye,
  greyByMeter,
  type GreyControl,
  type GreyStep,
  type GreyTouch,
  type GreyTube,
  gunsSaid,
  lightOf,
  lookOf,
  tintOf,
} from '.';

const off = (tube: GreyTube) => Math.max(...bars.map((bar) => tintOf(tube.light(bar)).size));
const readingOf = (tube: GreyTube) => ({ dark: tube.read('dark'), bright: tube.read('bright') });

/** A hand that turns a control, watching the meter, until a ratio of lights is what was asked for. */
function turnUntil(tube: GreyTube, control: GreyControl, rail: string, aim: number): number {
  const [bar, colour] = rail.split(' ') as ['dark' | 'bright', 'red' | 'blue'];
  let [low, high, at] = [-6, 6, 0];
  for (let step = 0; step < 40; step += 1) {
    const middle = (low + high) / 2;
    tube.turn(control, middle - at);
    at = middle;
    const light = tube.light(bar);
    if (light[colour] / light.green < aim) low = middle;
    else high = middle;
  }
  return at;
}

/** Turns it took by the meter. */
function walkByMeter(tube: GreyTube): number {
  const touches: GreyTouch[] = [];
  while (touches.length < 30) {
    const before = readingOf(tube);
    const { next } = greyByMeter(before, touches);
    if (!next) break;
    const control = next.control as GreyControl;
    const turn = turnUntil(tube, control, next.rail, next.aim);
    touches.push({ control, turn, before, after: readingOf(tube) });
  }
  return touches.length;
}

describe('light of a grey bar', () => {
  it('is even at the wished white, and told by its phosphors elsewhere', () => {
    const { red, green, blue } = lightOf({ x: 0.3127, y: 0.329, Y: 80 });
    expect(red / green).toBeCloseTo(1, 9);
    expect(blue / green).toBeCloseTo(1, 9);
    const warm = tintOf(lightOf({ x: 0.345, y: 0.345, Y: 80 }));
    expect(warm.red).toBeGreaterThan(1);
    expect(warm.blue).toBeLessThan(-1);
    const back = chromaticOf(lightOf({ x: 0.345, y: 0.345, Y: 80 }));
    expect(back.x).toBeCloseTo(0.345, 9);
    expect(back.y).toBeCloseTo(0.345, 9);
    expect(() => lightOf({ x: 0.7, y: 0.4, Y: 1 })).toThrow(/together below 1/);
  });
});

describe('grey by a meter', () => {
  it('comes within a just noticeable difference at both ends in few turns', () => {
    const turns = Array.from({ length: 20 }, (_, i) => {
      const tube = drawGreyTube(seeded(i + 1));
      const taken = walkByMeter(tube);
      expect(off(tube)).toBeLessThan(1);
      return taken;
    });
    expect(mean(turns)).toBeLessThanOrEqual(8);
  });
});

describe('grey by eye', () => {
  it('asks for each bar before it says what to turn', () => {
    expect(greyByEye([])).toMatchObject({ done: false, look: 'dark', next: undefined });
    expect(greyByEye([{ bar: 'dark', looks: 'grey' }]).look).toBe('bright');
    const { next } = greyByEye([
      { bar: 'dark', looks: 'bluish' },
      { bar: 'bright', looks: 'grey' },
    ]);
    expect(next).toMatchObject({ control: 'blue cut-off' });
    expect(next!.turn).toBeLessThan(0);
  });

  it('comes to grey, or next to it, with no instrument at all', () => {
    const ended = [1, 2].map((seed) => {
      const tube = drawGreyTube(seeded(seed));
      const eye = seeded(100 + seed);
      const steps: GreyStep[] = [];
      let turns = 0;
      for (let advice = greyByEye(steps); !advice.done && turns < 30; advice = greyByEye(steps)) {
        if (advice.look) {
          const { red, blue } = tintOf(tube.light(advice.look));
          steps.push({ bar: advice.look, looks: lookOf([red, blue], eye) });
        } else {
          tube.turn(advice.next!.control, advice.next!.turn);
          steps.push(advice.next!);
          turns += 1;
        }
      }
      expect(off(tube)).toBeLessThan(1.8);
      return turns;
    });
    expect(mean(ended)).toBeLessThanOrEqual(16);
  });
});

describe('guns by their cathode volts', () => {
  it('name the one that gives out first, and what full drive reaches', () => {
    const even = { cutOff: 130, white: 70 };
    const said = gunsSaid({ red: even, green: even, blue: { cutOff: 130, white: 50 } }, 55);
    expect(said.weakest).toBe('blue');
    expect(said.uneven).toBeCloseTo(80 / 60, 9);
    expect(said.guns.blue.reaches).toBeCloseTo((75 / 80) ** 2.4, 9);
    expect(said.words).toMatch(/blue does not reach white: at full drive it gives 86 %/);
  });
});
