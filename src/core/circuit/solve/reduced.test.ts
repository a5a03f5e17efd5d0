import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedStages } from '@/sheets/stages';
import { changeFor, dictionaryOf, faultsOf, nextReadings, operatingPoint, rankFaults, readNetlist, System } from '..';
import { Reduced } from './reduced';

const stages = shippedStages().map(({ id, text }) => [id, new System(readNetlist(text))] as const);

/** Ladders of resistors with sources, diodes and transistors where they fall. */
const network = fc
  .record({
    links: fc.array(fc.tuple(fc.nat(6), fc.nat(6), fc.integer({ min: 10, max: 1e6 })), { minLength: 2, maxLength: 10 }),
    diodes: fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 3 }),
    transistors: fc.array(fc.tuple(fc.nat(6), fc.nat(6), fc.nat(6)), { maxLength: 2 }),
    volts: fc.integer({ min: 2, max: 40 }),
  })
  .map(({ links, diodes, transistors, volts }) =>
    [
      '* any',
      `V1 n0 0 ${volts}`,
      ...[0, 1, 2, 3, 4, 5, 6].map(
        (node) => `RL${node} n${node} ${node === 6 ? '0' : `n${node + 1}`} ${470 * (node + 1)}`,
      ),
      ...links.map(([a, b, ohms], index) => `R${index} n${a} ${a === b ? '0' : `n${b}`} ${ohms}`),
      ...diodes.map(([a, b], index) => `D${index} n${a} ${a === b ? '0' : `n${b}`} DX`),
      ...transistors.map(([c, b, e], index) => `Q${index} n${c} n${b} ${b === e ? '0' : `n${e}`} QX`),
      '.model DX D(IS=1e-12 N=1.5 RS=1)',
      '.model QX NPN(IS=1e-14 BF=80 RB=10)',
    ].join('\n'),
  );

describe('equations reduced to their devices', () => {
  it.each(stages)('%s: every fault stands where the whole equations put it', (_, system) => {
    const healthy = operatingPoint(system);
    const reduced = Reduced.of(system)!;
    for (const fault of faultsOf(system)) {
      const change = changeFor(system, fault);
      const quick = reduced.pointWith(change, healthy);
      if (!quick) continue;
      const whole = operatingPoint(system, { change, from: healthy });
      system.nodes.forEach((node, at) => {
        if (node.includes(':')) return;
        expect(Math.abs(quick[at]! - whole[at]!), `${fault.ref} ${fault.mode} at ${node}`).toBeLessThan(
          1e-4 * Math.abs(whole[at]!) + 1e-3,
        );
      });
    }
  });

  it('give the same as the whole ones, whatever is on the board and whatever opens', () => {
    fc.assert(
      fc.property(network, fc.nat(), (text, pick) => {
        const system = new System(readNetlist(text));
        const healthy = operatingPoint(system);
        const faults = faultsOf(system);
        const change = changeFor(system, faults[pick % faults.length]!);
        const quick = Reduced.of(system)!.pointWith(change, healthy);
        fc.pre(quick !== undefined);
        const whole = operatingPoint(system, { change, from: healthy });
        for (let node = 0; node < system.voltages; node += 1)
          expect(Math.abs(quick![node]! - whole[node]!)).toBeLessThan(1e-3 * Math.abs(whole[node]!) + 2e-3);
      }),
      { numRuns: 80 },
    );
  });

  it('know by how much a resistor moves a node, also beside a fault', () => {
    const text = (ohms: number) => `* divider
V1 a 0 100
R1 a b 10k
R2 b c ${ohms}
R3 c 0 8.2k
D1 c 0 DZ
.model DZ D(IS=1e-12 BV=30)`;
    const at = (ohms: number, factor: number) => {
      const system = new System(readNetlist(text(ohms)));
      const change = changeFor(system, { ref: 'R1', mode: 'value', factor });
      return { system, change, point: operatingPoint(system, { change }) };
    };
    for (const factor of [0.5, 2]) {
      const { system, change, point } = at(4700, factor);
      const [b, c] = [system.indexOf('b')!, system.indexOf('c')!];
      const rows = [new Float64Array(system.size + 1)];
      expect(Reduced.of(system)!.transfers(change, point, [b], rows)).toBe(true);
      // dV = (transfer to one end less transfer to the other) times the current times the share it moves.
      const foretold = (rows[0]![b]! - rows[0]![c]!) * ((point[b]! - point[c]!) / 4700) * 0.001;
      const moved = at(4700 * 1.001, factor).point[b]! - point[b]!;
      expect(foretold / moved).toBeCloseTo(1, 2);
    }
  });
});

describe('what to measure next', () => {
  const system = new System(
    readNetlist(`* two dividers from one supply
V1 a 0 24
R1 a left 10k
R2 left 0 10k
R3 a right 10k
R4 right 0 10k`),
  );
  const dictionary = dictionaryOf(system, operatingPoint(system));
  const next = (volts: Record<string, number>) => {
    const read = new Map(Object.entries(volts));
    return nextReadings(dictionary, rankFaults(dictionary, { volts: read }), read);
  };

  it('is the divider not looked at yet, where the other is right', () => {
    expect(next({ left: 12.02 })[0]).toMatchObject({ kind: 'node', node: 'right' });
  });

  it('is the part itself, where no node is left that tells', () => {
    const [first] = next({ left: 24, right: 12, a: 24 });
    // R2 open and R1 shorted read alike here: either of them tells.
    expect(first).toMatchObject({ kind: 'cold', ref: expect.stringMatching(/^R[12]$/) as string, how: 'ohms' });
  });

  it('finds nothing wrong in what is within tolerance, and the part that is not', () => {
    expect(rankFaults(dictionary, { volts: new Map([['left', 12.1]]) }).nothing).toBeGreaterThan(0.5);
    const { nothing, faults } = rankFaults(dictionary, { volts: new Map([['left', 24]]) });
    expect(nothing).toBeLessThan(0.01);
    expect(faults[0]!.fault).toMatchObject({ ref: 'R2', mode: 'open' });
  });
});
