import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type CircuitFault, dictionaryOf, Stage, transient } from '@/core/circuit';
import { shippedStages } from '.';

/**
 * What the shipped stages do, worked out by another program: nodal analysis with Newton’s method, and for the two that
 * run through time the integration of their state equations. Faults as changes of one part: 1 GΩ, 10 mΩ, or twice its
 * ohms. Only nodes that a fault moves are given, none that nearly float, and no fault with two states to stand in.
 */
interface Expected {
  readonly op: Readonly<Record<string, number>>;
  readonly faults?: readonly (CircuitFault & { readonly op: Readonly<Record<string, number>> })[];
  readonly tran?: { readonly probe: string; readonly times: readonly number[]; readonly values: readonly number[] };
  /** Second at which the gap breaks, and the pulse that it makes, in volts. */
  readonly pulse?: { readonly breaks: number; readonly peak: number; readonly trough: number };
}
const expected = JSON.parse(readFileSync('tests/fixtures/stages.json', 'utf8')) as Readonly<Record<string, Expected>>;
const stages = new Map(shippedStages().map(({ id, text }) => [id, Stage.open(text)]));
const run = (id: string, node: string) => {
  const { system, circuit } = stages.get(id)!;
  const found = transient(
    system,
    circuit.analyses.find((one) => one.kind === 'tran')!,
    [node],
  );
  return { seconds: found.seconds, volts: found.volts.get(node)! };
};

it('all of them are known', () => {
  expect(Object.keys(expected).sort()).toEqual([...stages.keys()].sort());
});

describe('the operating point', () => {
  it.each(Object.entries(expected))('of %s is that of another program within a thousandth and 1 mV', (id, { op }) => {
    const { system, point } = stages.get(id)!;
    const found = system.voltsAt(point);
    for (const [node, volts] of Object.entries(op))
      expect(Math.abs(found.get(node)! - volts), node).toBeLessThanOrEqual(1e-3 * Math.abs(volts) + 1e-3);
  });
});

describe('with one part failed', () => {
  it.each(Object.entries(expected).filter(([, { faults }]) => faults))(
    '%s stands where another program puts it within a hundredth and 5 mV',
    (id, { faults }) => {
      const { system, point } = stages.get(id)!;
      const { entries } = dictionaryOf(system, point, { faults: faults! });
      expect(entries).toHaveLength(faults!.length);
      for (const { fault, point: found } of entries) {
        const volts = system.voltsAt(found);
        for (const [node, there] of Object.entries((fault as CircuitFault & Expected).op))
          expect(Math.abs(volts.get(node)! - there), `${fault.ref} ${fault.mode} at ${node}`).toBeLessThanOrEqual(
            0.01 * Math.abs(there) + 0.005,
          );
      }
    },
  );
});

describe('through time', () => {
  it('energy recovery swings the panel nearly all the way before a clamp takes it', () => {
    const { probe, times, values } = expected['energy-recovery']!.tran!;
    const { seconds, volts } = run('energy-recovery', probe);
    times.forEach((time, at) => {
      const next = seconds.findIndex((one) => one >= time);
      const [t0, t1, v0, v1] = [seconds[next - 1]!, seconds[next]!, volts[next - 1]!, volts[next]!];
      const found = v0 + ((v1 - v0) * (time - t0)) / (t1 - t0);
      expect(Math.abs(found - values[at]!), `${time} s`).toBeLessThan(0.005 * 185);
    });
  });

  it('an igniter breaks at its gap’s voltage and makes its pulse', () => {
    const { breaks, peak, trough } = expected['igniter']!.pulse!;
    const { seconds, volts } = run('igniter', 'hv');
    const first = seconds[volts.findIndex((value) => Math.abs(value) > 100)]!;
    expect(Math.abs(first / breaks - 1)).toBeLessThan(2e-3);
    expect(Math.max(...volts) / peak).toBeCloseTo(1, 2);
    expect(Math.min(...volts) / trough).toBeCloseTo(1, 2);
  });
});
