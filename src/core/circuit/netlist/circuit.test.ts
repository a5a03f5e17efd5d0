import { risenPoint } from '../solve/operatingPoint';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, readNumber } from '../elements/expression';
import { diodeJunction } from '../elements/junctions';
import {
  checkCircuit,
  type CircuitFault,
  dictionaryOf,
  operatingPoint,
  rankFaults,
  readNetlist,
  smallSignal,
  System,
  transient,
} from '..';

const systemOf = (...lines: string[]) => new System(readNetlist(['* test', ...lines].join('\n')));
const volts = (system: System, node: string, point = operatingPoint(system)) => point[system.indexOf(node)!]!;

describe('numbers and expressions', () => {
  it.each([
    ['4.7k', 4700],
    ['1meg', 1e6],
    ['10uF', 1e-5],
    ['100mV', 0.1],
    ['-1e-14', -1e-14],
    ['.5p', 5e-13],
  ])('%s', (text, value) => {
    expect(readNumber(text)).toBeCloseTo(value, 18);
  });

  it('work out with parameters, in the usual order of operations', () => {
    const given = new Map([['l0', 0.62e-6]]);
    expect(evaluate('l0*1.06*2**-1', given)).toBeCloseTo(0.62e-6 * 0.53, 15);
    expect(evaluate('-(1 + 2)*3 + max(4, 5k)/10', given)).toBe(491);
    expect(() => evaluate('l0*slug', given)).toThrow(/"slug" is no parameter/);
    expect(() => evaluate('(1+2', given)).toThrow(/closing parenthesis/);
    expect(() => evaluate('1 +* 2', given)).toThrow(/breaks off at "\* 2"/);
  });
});

describe('reading a netlist', () => {
  it('opens subcircuits, joins lines and works out parameters', () => {
    const circuit = readNetlist(`* divider twice
.param top=2k
.subckt half in out r=1k
R1 in out {r}
R2 out 0
+ {r} ; the lower one
.ends
V1 a 0 10
X1 a b half
x2 a c half r={top*2}
.op`);
    expect(circuit.elements.map(({ label }) => label)).toEqual(['V1', 'X1.R1', 'X1.R2', 'x2.R1', 'x2.R2']);
    expect(circuit.elements[3]).toMatchObject({ value: 4000, nodes: ['a', 'c'], line: 4 });
    expect(circuit.analyses).toEqual([{ kind: 'op' }]);
  });

  it.each([
    ['a missing model', 'D1 a 0 DX', /line 2: d1 names model "dx", which is missing/i],
    ['a value that is none', 'R1 a 0 lots', /line 2: "lots" is no parameter/],
    ['no such wave', 'V1 a 0 constructor(1 2)', /line 2: "constructor" does not belong in a source/],
    ['no value', 'R1 a 0', /line 2: a value is missing/],
    ['a wire for a resistor', 'R1 a 0 0', /line 2: r1 has the value 0: a resistor of 0 Ω is a wire/],
    ['a name twice', 'R1 a 0 1\nR1 a 0 2', /line 3: there are two elements "r1"/],
    ['an unknown subcircuit', 'X1 a b thing', /line 2: there is no .subckt "thing"/],
    ['wrong ports', '.subckt t a b\nR1 a b 1\n.ends\nX1 a t', /line 5: X1 gives 1 nodes; .subckt t has 2: a b/i],
    ['one within itself', '.subckt t a\nX1 a t\n.ends\nX1 a t', /contains itself/],
    ['an open subcircuit', '.subckt t a\nR1 a 0 1', /line 2: .subckt t is not closed/],
    ['an unknown letter', 'Y1 a 0 1', /line 2: "y1" is no element/],
    ['an unknown command', 'R1 a 0 1\n.wibble v(a)', /line 3: ".wibble" is not known/],
    ['a coupling of nothing', 'L1 a 0 1m\nK1 L1 L2 0.9', /line 3: k1 couples "l2", which is no inductor/],
    ['nothing', '* only this', /no element/],
  ])('says where there is %s', (_, text, message) => {
    expect(() => readNetlist(`* test\n${text}`)).toThrow(message);
  });

  it.each([
    ['V1 a 0 5\nR1 a b 1k\nC1 b c 1u\nR2 c d 1k', /line 4: node "c" floats/],
    ['V1 a 0 5\nV2 a 0 6\nR1 a 0 1', /line 3: v2 closes a loop without resistance between "a" and "0"/],
    ['V1 a 0 5\nL1 a 0 1m', /line 3: l1 closes a loop/],
  ])('refuses what no solver can decide: %s', (text, message) => {
    expect(() => checkCircuit(readNetlist(`* test\n${text}`))).toThrow(message);
  });

  it('refuses ten megabytes', () => {
    expect(() => readNetlist('R1 a 0 1\n'.repeat(1_200_000))).toThrow(/KB long; it may have 512 KB/);
  });
});

describe('closed forms', () => {
  it('divides, follows and amplifies', () => {
    const system = systemOf(
      'V1 a 0 10',
      'R1 a b 3k',
      'R2 b 0 1k',
      'E1 e 0 b 0 4',
      'R3 e 0 1k',
      'G1 0 g b 0 2m',
      'R4 g 0 1k',
    );
    const point = operatingPoint(system);
    expect(volts(system, 'b', point)).toBeCloseTo(2.5, 6);
    expect(volts(system, 'e', point)).toBeCloseTo(10, 6);
    expect(volts(system, 'g', point)).toBeCloseTo(5, 6);
    const current = systemOf(
      'V1 a 0 10',
      'V2 a b 0',
      'R1 b 0 1k',
      'F1 0 f V2 2',
      'R2 f 0 1k',
      'H1 h 0 V2 300',
      'R3 h 0 1k',
    );
    expect(volts(current, 'f')).toBeCloseTo(20, 6);
    expect(volts(current, 'h')).toBeCloseTo(3, 6);
  });

  it('charges a capacitor by 1 − e^(−t/RC), and rings a tank at 1 / (2π√(LC))', () => {
    const charging = systemOf('V1 a 0 PWL(0 0 1n 10 1 10)', 'R1 a b 1k', 'C1 b 0 1u');
    const run = transient(charging, { kind: 'tran', step: 1e-5, stop: 5e-3, start: 0, given: false }, ['b']);
    run.seconds.forEach((time, index) => {
      if (time > 1e-6)
        expect(Math.abs(run.volts.get('b')![index]! - 10 * (1 - Math.exp(-time / 1e-3)))).toBeLessThan(0.01);
    });
    const ringing = systemOf('C1 a 0 1u', 'L1 a 0 1m', 'R1 a 0 1meg', '.ic v(a)=10');
    const { seconds, volts: seen } = transient(
      ringing,
      { kind: 'tran', step: 1e-6, stop: 1e-3, start: 0, most: 1e-6, given: true },
      ['a'],
    );
    const period = 2 * Math.PI * Math.sqrt(1e-9);
    seconds.forEach((time, index) => {
      expect(Math.abs(seen.get('a')![index]! - 10 * Math.cos((2 * Math.PI * time) / period))).toBeLessThan(0.1);
    });
  });

  it('passes by 1/√2 at the corner of a low-pass, 45° behind', () => {
    const system = systemOf('V1 a 0 DC 0 AC 1', 'R1 a b 1k', 'C1 b 0 1u');
    const corner = 1 / (2 * Math.PI * 1e-3);
    const { magnitude, phase } = smallSignal(
      system,
      operatingPoint(system),
      { kind: 'ac', scale: 'lin', points: 1, from: corner, to: corner },
      ['b'],
    );
    expect(magnitude.get('b')![0]).toBeCloseTo(Math.SQRT1_2, 6);
    expect(phase.get('b')![0]).toBeCloseTo(-45, 4);
  });
});

/** A chain of nodes to ground with resistors between at random, and diodes where they fall. */
const network = fc.record({
  resistors: fc.array(fc.tuple(fc.nat(5), fc.nat(5), fc.integer({ min: 10, max: 100_000 })), {
    minLength: 1,
    maxLength: 12,
  }),
  diodes: fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 4 }),
  volts: fc.integer({ min: -30, max: 30 }),
  amperes: fc.integer({ min: -20, max: 20 }),
});
type Network = typeof network extends fc.Arbitrary<infer N> ? N : never;

function written({ resistors, diodes, volts: v, amperes }: Network, kind: 'all' | 'v' | 'i' = 'all'): string[] {
  return [
    `V1 n0 0 ${kind === 'i' ? 0 : v}`,
    `I1 0 n3 ${kind === 'v' ? 0 : amperes / 1000}`,
    ...[0, 1, 2, 3, 4, 5].map((node) => `RG${node} n${node} ${node === 5 ? '0' : `n${node + 1}`} 1k`),
    ...resistors.map(([a, b, ohms], index) => `R${index} n${a} ${a === b ? '0' : `n${b}`} ${ohms}`),
    ...diodes.map(([a, b], index) => `D${index} n${a} ${a === b ? '0' : `n${b}`} DX`),
    '.model DX D(IS=1e-12 N=1.5)',
  ];
}

describe('properties of any network', () => {
  it('currents into every node sum to nothing', () => {
    fc.assert(
      fc.property(network, (any) => {
        const system = systemOf(...written(any));
        const point = operatingPoint(system);
        const into = new Float64Array(system.size + 1);
        const through = new Float64Array(system.size + 1);
        for (const { a, b, siemens } of system.resistors) {
          const amperes = siemens * (point[a]! - point[b]!);
          into[a]! -= amperes;
          into[b]! += amperes;
        }
        for (const element of system.circuit.elements) {
          if (element.kind !== 'd') continue;
          const [anode, cathode] = system.terminals.get(element.name)!.outer as [number, number];
          const junction = diodeJunction(element.model, element.area);
          const amperes = junction.saturation * Math.expm1((point[anode]! - point[cathode]!) / junction.slope);
          into[anode]! -= amperes;
          into[cathode]! += amperes;
          through[anode]! += Math.abs(amperes);
          through[cathode]! += Math.abs(amperes);
        }
        // A junction straight across a supply takes currents of which no double keeps the sum.
        fc.pre(Math.max(...through) < 1e3);
        into[system.indexOf('n3')!]! += any.amperes / 1000;
        for (const node of ['n1', 'n2', 'n3', 'n4', 'n5'])
          expect(Math.abs(into[system.indexOf(node)!]!)).toBeLessThan(1e-8 + 1e-6 * through[system.indexOf(node)!]!);
      }),
      { numRuns: 60 },
    );
  });

  it('what two sources do together is what each does alone, where all is linear', () => {
    fc.assert(
      fc.property(network, (any) => {
        const plain = { ...any, diodes: [] };
        const [both, one, other] = (['all', 'v', 'i'] as const).map((kind) => {
          const system = systemOf(...written(plain, kind));
          return volts(system, 'n2', operatingPoint(system));
        }) as [number, number, number];
        expect(both).toBeCloseTo(one + other, 6);
      }),
      { numRuns: 40 },
    );
  });
});

const folder = path.resolve(process.cwd(), '..', 'shared', 'reference', 'circuits');
const files = existsSync(folder) ? readdirSync(folder) : [];
const json = <T>(file: string): T => JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as T;
const load = (name: string) => {
  const circuit = readNetlist(readFileSync(path.join(folder, `${name}.cir`), 'utf8'));
  checkCircuit(circuit);
  return new System(circuit);
};
const named = (ending: string) =>
  files.filter((file) => file.endsWith(ending)).map((file) => file.slice(0, -ending.length));

interface Reference {
  readonly op?: Record<string, number>;
  readonly tran?: { probes: string[]; times: number[]; values: Record<string, number[]> };
  readonly ac?: { probes: string[]; freq: number[]; mag: Record<string, number[]> };
}
type ReferenceFault = CircuitFault & { op: Record<string, number>; soft?: string[]; bistable?: boolean };

describe.runIf(files.length > 0)('on reference netlists', () => {
  it.each(named('.cir'))('%s has its operating point within a thousandth and 1 mV', (name) => {
    const system = load(name);
    const point = operatingPoint(system);
    for (const [node, expected] of Object.entries(json<Reference>(`${name}.json`).op ?? {}))
      expect(Math.abs(volts(system, node, point) - expected), node).toBeLessThanOrEqual(
        0.001 * Math.abs(expected) + 0.001,
      );
  });

  it.each(named('.faults.json'))('%s broken in every way stands within a hundredth and 5 mV', (name) => {
    const system = load(name);
    const faults = json<ReferenceFault[]>(`${name}.faults.json`);
    const { entries } = dictionaryOf(system, operatingPoint(system), { faults });
    expect(entries).toHaveLength(faults.length);
    for (const { fault: one, change, point: warm } of entries) {
      const fault = one as ReferenceFault;
      const point = fault.bistable ? risenPoint(system, change) : warm;
      for (const [node, expected] of Object.entries(fault.op)) {
        if (fault.soft?.includes(node)) continue;
        expect(
          Math.abs(volts(system, node, point) - expected),
          `${fault.ref} ${fault.mode} at ${node}`,
        ).toBeLessThanOrEqual(0.01 * Math.abs(expected) + 0.005);
      }
    }
  });

  it.each(named('.cir').filter((name) => json<Reference>(`${name}.json`).tran))(
    '%s runs within a hundredth of its span',
    (name) => {
      const { probes, times, values } = json<Reference>(`${name}.json`).tran!;
      const system = load(name);
      const analysis = system.circuit.analyses.find((one) => one.kind === 'tran')!;
      const run = transient(system, analysis, probes);
      for (const probe of probes) {
        const expected = values[probe]!;
        const span = Math.max(...expected) - Math.min(...expected);
        times.forEach((time, index) => {
          const next = Math.max(
            1,
            run.seconds.findIndex((one) => one >= time),
          );
          const [t0, t1] = [run.seconds[next - 1]!, run.seconds[next]!];
          const [v0, v1] = [run.volts.get(probe)![next - 1]!, run.volts.get(probe)![next]!];
          const seen = v0 + ((v1 - v0) * (time - t0)) / (t1 - t0);
          expect(Math.abs(seen - expected[index]!), `${probe} at ${time} s`).toBeLessThanOrEqual(0.01 * span);
        });
      }
    },
  );

  it.each(named('.cir').filter((name) => json<Reference>(`${name}.json`).ac))(
    '%s answers within a hundredth over frequency',
    (name) => {
      const { probes, freq, mag } = json<Reference>(`${name}.json`).ac!;
      const system = load(name);
      const response = smallSignal(
        system,
        operatingPoint(system),
        system.circuit.analyses.find((one) => one.kind === 'ac')!,
        probes,
      );
      expect([...response.hertz]).toHaveLength(freq.length);
      for (const probe of probes)
        mag[probe]!.forEach((expected, index) =>
          expect(Math.abs(response.magnitude.get(probe)![index]! / expected - 1)).toBeLessThan(0.01),
        );
    },
  );

  it('ranks the truth or its equal first in 85 % of the cases, in the first three in 95 %', () => {
    let [first, three, all] = [0, 0, 0];
    for (const name of named('.cases.json')) {
      const system = load(name);
      const dictionary = dictionaryOf(system, operatingPoint(system));
      for (const one of json<{ readings: Record<string, number>; truth: CircuitFault; equivalent: CircuitFault[] }[]>(
        `${name}.cases.json`,
      )) {
        const right = [one.truth, ...one.equivalent].map(({ ref, mode }) => `${ref} ${mode}`);
        const place = rankFaults(dictionary, { volts: new Map(Object.entries(one.readings)) }).faults.findIndex(
          ({ fault }) => right.includes(`${fault.ref} ${fault.mode}`),
        );
        all += 1;
        if (place === 0) first += 1;
        if (place < 3) three += 1;
      }
    }
    expect(first / all).toBeGreaterThanOrEqual(0.85);
    expect(three / all).toBeGreaterThanOrEqual(0.95);
  }, 300_000);
});
