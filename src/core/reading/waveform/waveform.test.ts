import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../statistics';
import { type Sample } from '../trace';
import { measureWaveform, rippleSource, SweepWatch } from '.';

const sweep = (count: number, seconds: number, at: (time: number) => number): Sample[] =>
  Array.from({ length: count }, (_, index) => {
    const time = (index * seconds) / count;
    return { at: time, value: at(time) };
  });
const turn = (time: number, hertz: number, phase = 0) => Math.sin(2 * Math.PI * (hertz * time + phase));

describe('a sweep of a sampler', () => {
  it('of a sine gives its levels, its effective value and its frequency, whatever stands below it', () => {
    fc.assert(
      fc.property(
        fc.record({
          size: fc.double({ min: 0.05, max: 400, noNaN: true }),
          standing: fc.double({ min: -300, max: 300, noNaN: true }),
          hertz: fc.double({ min: 20, max: 40_000, noNaN: true }),
          periods: fc.double({ min: 3.2, max: 9, noNaN: true }),
          phase: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        ({ size, standing, hertz, periods, phase }) => {
          const found = measureWaveform(
            sweep(512, periods / hertz, (time) => standing + size * turn(time, hertz, phase)),
          );
          expect(Math.abs(found.peakToPeak / (2 * size) - 1)).toBeLessThan(0.01);
          expect(Math.abs(found.mean - standing)).toBeLessThan(0.02 * size);
          expect(Math.abs(found.rms / (size / Math.SQRT2) - 1)).toBeLessThan(0.02);
          expect(Math.abs(found.hertz! / hertz - 1)).toBeLessThan(0.003);
          expect(Math.abs(found.duty! - 0.5)).toBeLessThan(0.02);
        },
      ),
    );
  });

  it('of pulses gives their share of the period, and the mean that goes with it', () => {
    for (const duty of [0.17, 0.4, 0.83]) {
      const pulses = sweep(1000, 5.3 / 15_625, (time) => ((time * 15_625 + 0.3) % 1 < duty ? 190 : 2));
      const found = measureWaveform(pulses);
      expect(Math.abs(found.hertz! / 15_625 - 1)).toBeLessThan(0.005);
      expect(Math.abs(found.duty! - duty)).toBeLessThan(0.01);
      expect(Math.abs(found.mean - (2 + 188 * duty))).toBeLessThan(2);
    }
  });

  it('keeps its period in noise of a tenth, and finds none in noise alone', () => {
    for (let seed = 0; seed < 40; seed += 1) {
      const random = seeded(seed);
      const saw = (time: number) => 12 - 0.4 * ((time * 100) % 1) + 0.04 * gaussian(random);
      expect(Math.abs(measureWaveform(sweep(400, 0.05, saw)).hertz! / 100 - 1)).toBeLessThan(0.03);
      expect(measureWaveform(sweep(400, 0.05, () => 12 + 0.01 * gaussian(random))).hertz).toBeUndefined();
    }
  });

  it('with a spike has the levels of the rest', () => {
    const spiked = sweep(400, 0.04, (time) => 5 + 0.1 * turn(time, 100)).map((sample, index) =>
      index === 77 ? { ...sample, value: 80 } : sample,
    );
    expect(measureWaveform(spiked).high).toBeLessThan(5.2);
  });

  it('that is too short, or beyond the range, is refused', () => {
    expect(() => measureWaveform(sweep(12, 0.01, () => 1))).toThrow('32 readings or more');
    expect(() => measureWaveform(sweep(100, 0.01, (time) => (time > 0.005 ? Infinity : 1)))).toThrow(
      'within the range',
    );
  });
});

describe('readings gathered into sweeps', () => {
  it('end where the time begins anew, and are no sweep where they are a meter’s', () => {
    const watch = new SweepWatch();
    const one = sweep(100, 0.02, (time) => turn(time, 200));
    expect([...one, ...one].map((sample) => watch.take(sample)?.length).filter(Boolean)).toEqual([100]);
    expect(watch.end()).toHaveLength(100);
    const slow = sweep(100, 10, () => 5);
    expect(slow.some((sample) => watch.take(sample) !== undefined)).toBe(false);
    expect(watch.sweeping).toBe(false);
    expect(watch.end()).toBeUndefined();
  });

  it('are taken as they stand when they go on for ever', () => {
    const watch = new SweepWatch();
    const ended = sweep(10_000, 1, (time) => turn(time, 50)).flatMap((sample) => watch.take(sample)?.length ?? []);
    expect(ended.length).toBe(4);
  });
});

describe('the frequency of ripple', () => {
  it.each([
    [50, 'half-wave rectifier, where it belongs'],
    [31_500, 'no converter'],
    [100.3, 'reservoir'],
    [119, 'reservoir'],
    [15_700, 'line output'],
    [62_000, 'output capacitor of the converter'],
  ])('%d Hz points at where it comes from', (hertz, words) => expect(rippleSource(hertz)).toContain(words));
  it('that is none of a supply tells nothing', () => expect(rippleSource(440)).toBeUndefined());
});
