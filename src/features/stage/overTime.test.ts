import { describe, expect, it } from 'vitest';
import { readNetlist } from '@/core/circuit';
import { restless, settledSpan, timeScale } from './overTimeModel';

const circuitOf = (...lines: string[]) => ({ circuit: readNetlist(['* t', ...lines].join('\n')) });

describe('a stage through time', () => {
  it('is shown by four periods of its slowest source, or whole where none repeats', () => {
    expect(settledSpan(circuitOf('V1 a 0 SIN(0 1 50)', 'V2 b 0 PULSE(0 1 0 1u 1u 5u 20u)'))).toBeCloseTo(0.08, 9);
    expect(settledSpan(circuitOf('V1 a 0 PWL(0 0 1m 5)', 'V2 b 0 PULSE(0 1 0 1u 1u)'))).toBeUndefined();
  });

  it('is told in milliseconds where it is long, in microseconds where it is short', () => {
    expect(timeScale({ seconds: [0.01, 0.05] })).toEqual({ unit: 'ms', factor: 1e3 });
    expect(timeScale({ seconds: [0, 60e-6] })).toEqual({ unit: 'µs', factor: 1e6 });
    expect(timeScale(undefined).unit).toBe('ms');
  });

  it('begins with the nodes of its capacitors', () => {
    const stage = circuitOf('V1 a 0 5', 'R1 a b 1k', 'C1 b 0 1u', 'R2 b c 1k', 'C2 c 0 1u', 'R3 c 0 1k');
    expect(restless(stage, ['a', 'b', 'c'])).toEqual(['b', 'c']);
    expect(restless(circuitOf('V1 a 0 5', 'R1 a 0 1k'), ['a'])).toEqual(['a']);
  });
});
