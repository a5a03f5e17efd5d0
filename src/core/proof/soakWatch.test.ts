import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../statistics';
import { SoakWatch, type Watched, watchedSaid } from './soakWatch';

/** What is told of a figure that is read ten times a second. */
function told(value: (at: number) => number, seconds: number, noise = 0.003): Watched[] {
  const watch = new SoakWatch();
  const random = seeded(3);
  return Array.from({ length: 10 * seconds }, (_, i) => {
    const at = i / 10;
    return watch.take({ at, value: value(at) * (1 + noise * gaussian(random)) });
  }).filter((one) => one !== undefined);
}

describe('a figure that is watched while a set soaks', () => {
  it('says nothing of one that stands, drifts as a set warms, or wavers by the meter’s noise', () => {
    expect(told(() => 125, 60)).toEqual([]);
    expect(told((at) => 125 * (1 + 0.0015 * at), 300)).toEqual([]);
    expect(told(() => -168, 60)).toEqual([]);
  });

  it('tells when it goes, and when it comes again', () => {
    const [lost, back, ...more] = told((at) => (at >= 20 && at < 30 ? 2 : 125), 45);
    expect(lost).toMatchObject({ kind: 'lost', at: 20 });
    expect(lost!.level).toBeLessThan(0.05);
    expect(back).toMatchObject({ kind: 'back' });
    expect(back!.lasted).toBeCloseTo(10, 0);
    expect(more).toEqual([]);
    expect(watchedSaid(lost!, 'B+')).toBe('B+ fell to 2 % and stayed there');
  });

  it('tells a moment away from a slip of the probe', () => {
    expect(told((at) => (at >= 20 && at < 20.05 ? 0 : 125), 30)).toEqual([]);
    expect(told((at) => (at >= 20 && at < 21 ? 40 : 125), 30)).toEqual([
      expect.objectContaining({ kind: 'dip', at: 20 }),
    ]);
  });

  it('tells hum once, while it lasts', () => {
    const hums = told((at) => 125 * (1 + (at > 20 ? 0.15 * Math.sin(9 * at) : 0)), 60);
    expect(hums).toHaveLength(1);
    expect(hums[0]!.kind).toBe('restless');
    expect(hums[0]!.at).toBeGreaterThan(15);
  });

  it('is lost where the meter reads open', () => {
    expect(told((at) => (at < 20 ? 125 : Infinity), 30).map(({ kind }) => kind)).toEqual(['lost']);
  });
});
