import { describe, expect, it } from 'vitest';
import { Stage } from '../circuit';
import { byVolts, movesOf, netlistOf, netOf, PatternLibrary, readByNode, traceOf } from '.';

const library = new PatternLibrary([]);
/** Two dividers of four like resistors: the upper node stands at 4.8 V, the middle of the lower ones at 2.4 V. */
const divider = [
  ...['R1', 'R2', 'R3', 'R4'].map((ref) => `${ref} 10k`),
  ...['R1.1 +12', 'R1.2 R2.1', 'R2.2 R3.1', 'R3.2 gnd', 'R4.1 R2.1', 'R4.2 gnd'],
];

function judged(...volts: string[]) {
  const { parts, facts, volts: read, refused } = traceOf([...divider, ...volts]);
  expect(refused).toEqual([]);
  const net = netOf(parts, facts);
  const found = readByNode(net, read);
  const circuit = netlistOf(net, library.believe(net), 'divider', found);
  const stage = Stage.open(circuit.text);
  return byVolts(stage, net, found, movesOf(stage, circuit));
}

describe('volts that were read of the live set', () => {
  it('bear a trace out that they agree with, within the tolerance of its parts', () => {
    expect(judged('volts R1.2 4.85', 'volts R3.1 2.4')!.asTraced).toBeGreaterThan(0.9);
  });

  it('speak against the part without which they would come out', () => {
    // Without R4 the three others share 12 V alike.
    const { asTraced, against, next } = judged('volts R1.2 8', 'volts R3.1 4')!;
    expect(asTraced).toBeLessThan(0.01);
    expect(against[0]).toMatchObject({ ref: 'R4', words: 'R4 is open, or does not lie where it was traced' });
    expect(against[0]!.chance).toBeGreaterThan(0.9);
    expect(next).toEqual({ part: 'R4' });
  });

  it('leave open which of two it is, and name the pin that would tell', () => {
    const { against, next } = judged('volts R1.2 6')!;
    expect(
      against
        .slice(0, 2)
        .map(({ ref }) => ref)
        .sort(),
    ).toEqual(['R2', 'R3']);
    expect(next).toEqual({ spot: 'R2.2' });
  });

  it('are not said to bear a trace out that no one part of it explains', () => {
    expect(judged('volts R1.2 -90')!.unexplained).toBe('n1');
    expect(judged('volts R1.2 4.8')!.unexplained).toBeUndefined();
  });

  it('count once a pin, the last of them, and not at all once taken back', () => {
    expect(judged('volts R1.2 8', 'volts R1.2 4.8')!.asTraced).toBeGreaterThan(0.9);
    expect(judged('volts R1.2 8', 'volts R1.2 off')).toBeUndefined();
  });

  it.each([
    ['volts', /a pin and what it reads to ground/],
    ['volts R9.1 4', /there is no "R9.1" here/],
    ['volts gnd 0', /read to gnd: say what another pin reads/],
    ['volts R1.2 4.8Ω', /"4.8Ω" is no volts/],
  ])('%s is refused with what would be right', (line, message) => {
    const { refused, volts } = traceOf([...divider, line]);
    expect(refused.join()).toMatch(message);
    expect(volts).toEqual([]);
  });
});
