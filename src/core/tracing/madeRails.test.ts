import { describe, expect, it } from 'vitest';
import { shippedStages } from '@/sheets/stages';
import { readNetlist, Stage } from '../circuit';
import { byVolts, movesOf, netlistOf, netOf, PatternLibrary, patternOf, readByNode, traceOf } from '.';

const library = new PatternLibrary(shippedStages().map(({ id, text }) => patternOf(id, readNetlist(text))));

/** A regulator of 18 V from 30 V: pass transistor, error transistor against its zener, divider. */
const regulator = [
  ...['Q7 npn', 'Q8 npn', 'D9 6V2', 'R71 1k5', 'R72 10k', 'R73 6k2', 'R74 2k7'],
  ...['Q7.c +30', 'R71.1 +30', 'R71.2 Q7.b', 'Q8.c Q7.b', 'Q7.e +18', 'R72.1 +18', 'R72.2 Q8.b', 'R73.1 Q8.b'],
  ...['R73.2 gnd', 'Q8.e D9.k', 'D9.a gnd', 'R74.1 +18', 'R74.2 D9.k'],
];

function judged(...volts: string[]) {
  const { parts, facts, volts: read, refused } = traceOf([...regulator, ...volts]);
  expect(refused).toEqual([]);
  const net = netOf(parts, facts);
  const believed = library.believe(net);
  const found = readByNode(net, read);
  const circuit = netlistOf(net, believed, 'regulator', found);
  const stage = Stage.open(circuit.text);
  return { title: believed[0]!.pattern?.title, stage, live: byVolts(stage, net, found, movesOf(stage, circuit)) };
}

describe('a rail that a traced stage makes by itself', () => {
  it('stands where the stage regulates it, not where it is named, and follows what feeds it', () => {
    const { title, stage } = judged();
    expect(title).toMatch(/regulator/i);
    expect(stage.volts.get('p30')).toBe(30);
    expect(stage.volts.get('p18')).not.toBe(18);
    // The zener and a junction over the lower part of the divider, and what the base draws over the upper one.
    const base = (stage.volts.get('p30')! - stage.volts.get('n1')!) / 1500 / 100;
    expect(stage.volts.get('p18')).toBeCloseTo(((6.2 + 0.7) * (10 + 6.2)) / 6.2 + 10_000 * base, 0);
    expect(judged('volts Q7.c 12').stage.volts.get('p18')).toBeLessThan(12);
  });

  it('is borne out by what it should read', () => {
    expect(judged('volts Q7.e 18.3', 'volts +30 29.6', 'volts Q8.e 6.2').live).toMatchObject({ stands: true });
  });

  it('is not what is wrong first where what feeds it is dead', () => {
    const { live } = judged('volts +30 0.6', 'volts Q7.e 0.05', 'volts Q7.b 0.3');
    expect(live).toMatchObject({ starved: [{ rail: '+30', read: 0.6 }] });
    expect(judged('volts +30 29', 'volts Q7.e 0.3').live!.starved).toEqual([]);
  });

  it('speaks against the part that leaves it dead', () => {
    const { live } = judged('volts Q7.e 0.3', 'volts Q7.c 30.4', 'volts Q7.b 0.2', 'volts Q8.e 0.05');
    expect(live).toMatchObject({ stands: false, unexplained: undefined });
    expect(live!.against[0]).toMatchObject({ ref: 'R71' });
  });
});

describe('a traced circuit whose feeding is not all known', () => {
  const lines = ['R1 10k', 'R2 10k', 'Q5 npn', 'R3 1k', 'R4 1k', 'C1 100n', 'C2 100n'];
  const joins = ['R1.1 +12', 'R1.2 R2.1', 'R2.2 gnd', 'R3.1 +12', 'R3.2 Q5.c', 'Q5.e gnd', 'Q5.b R4.2'];
  const circuit = (...more: string[]) => {
    const { parts, facts, volts } = traceOf([...lines, ...joins, ...more]);
    const net = netOf(parts, facts);
    return netlistOf(net, library.believe(net), 'fed', readByNode(net, volts));
  };

  it('leaves out what hangs on a pin that leads off the board, until that was read', () => {
    expect(circuit().left).toEqual(expect.arrayContaining(['R4']));
    const read = circuit('volts R4.1 0.1');
    expect(read.left).not.toContain('R4');
    expect(read.text).toMatch(/^V\S+ \S+ 0 0\.1$/m);
    expect(Stage.open(read.text).volts.get(netNode(read.text, 'r3'))!).toBeGreaterThan(11.9);
  });

  it('is solved although a node floats, and says which', () => {
    const { text, floating } = circuit('C1.1 +12', 'C1.2 C2.1', 'C2.2 gnd');
    expect(floating.size).toBe(1);
    expect(Stage.open(text).volts.get(netNode(text, 'r1'))).toBeCloseTo(6, 3);
  });

  it('may be off by what nobody read', () => {
    const spreadOf = (line: string) => {
      const { parts, facts } = traceOf([...lines.map((one) => (one.startsWith('R2 ') ? line : one)), ...joins]);
      const net = netOf(parts, facts);
      const traced = netlistOf(net, library.believe(net), 'fed');
      const stage = Stage.open(traced.text);
      return stage.spreads(movesOf(stage, traced)).get(netNode(traced.text, 'r1'))!;
    };
    expect(spreadOf('R2 10k')).toBeLessThan(0.2);
    expect(spreadOf('R2')).toBeGreaterThan(1);
  });
});

/** The second node of a resistor. */
const netNode = (text: string, name: string): string => new RegExp(`^${name} \\S+ (\\S+)`, 'm').exec(text)![1]!;
