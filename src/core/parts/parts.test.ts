import { Refusal } from '../quantity';
import { describe, expect, it } from 'vitest';
import { esrLimit, faultRate, visibility } from '.';

describe('the ESR limit', () => {
  it('falls with capacitance and voltage and never under its leads', () => {
    expect(esrLimit(100e-6, 35)).toBeCloseTo(0.32);
    expect(esrLimit(1000e-6, 35)).toBeLessThan(esrLimit(100e-6, 35) / 3);
    expect(esrLimit(100e-6, 63)).toBeLessThan(esrLimit(100e-6, 35));
    expect(esrLimit(100e-6, 250) / esrLimit(100e-6, 63)).toBeCloseTo(3, 1);
    expect(esrLimit(100e-6, 400) / esrLimit(100e-6, 63)).toBeCloseTo(4, 6);
  });

  it.each([
    [10e-6, 250, 2.5],
    [47e-6, 250, 1],
    [220e-6, 400, 0.35],
  ])('passes an ordinary good part of %s F, %s V with %s Ω', (farads, volts, ohms) => {
    expect(esrLimit(farads, volts)).toBeGreaterThan(ohms);
    expect(esrLimit(farads, volts)).toBeLessThan(3 * ohms);
  });

  it('never falls under what leads have', () => {
    expect(esrLimit(1, 100)).toBe(0.02);
    expect(esrLimit(100e-6, 35, 'low')).toBeCloseTo(0.128);
    expect(esrLimit(100e-6, 35, 'polymer')).toBeCloseTo(0.032);
    expect(esrLimit(1, 100, 'polymer')).toBe(0.006);
    expect(() => esrLimit(0, 35)).toThrow(Refusal);
  });
});

describe('rates', () => {
  it('double with heat what heat brings about, and nothing else', () => {
    const rate = (heat: boolean, mode: 'joint' | 'short') => faultRate({ kind: 'ic', heat }, mode);
    expect(rate(true, 'joint')).toBe(2 * rate(false, 'joint'));
    expect(rate(true, 'short')).toBe(rate(false, 'short'));
    expect(faultRate({ kind: 'electrolytic', heat: false }, 'dry')).toBeGreaterThan(
      faultRate({ kind: 'resistor', heat: false }, 'open'),
    );
  });

  it('make a hairline crack harder to see than a missing part', () => {
    expect(visibility('ic', 'joint')).toBeLessThan(visibility('yoke', 'missing'));
    expect(visibility('fuse', 'open')).toBeGreaterThan(visibility('resistor', 'open'));
  });
});
