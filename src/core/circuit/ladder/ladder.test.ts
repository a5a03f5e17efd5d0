import { describe, expect, it } from 'vitest';
import { ladderOf, operatingPoint, readNetlist, standingOf, System } from '..';

const ladder = (...lines: string[]) => {
  const system = new System(readNetlist(['* test', ...lines].join('\n')));
  return ladderOf(system, operatingPoint(system));
};

describe('the potential ladder', () => {
  const bridge = ladder(
    'V1 top 0 12',
    'R1 top left 1k',
    'R2 left 0 2k',
    'R3 top right 3k',
    'R4 right 0 1k',
    'R5 left right 5k',
  );

  it('hangs each part between its nodes, in the order of the netlist, and leaves sources out', () => {
    expect(bridge.parts.map(({ label, slot, nodes }) => [label, slot, ...nodes])).toEqual([
      ['R1', 0, 'top', 'left'],
      ['R2', 1, 'left', '0'],
      ['R3', 2, 'top', 'right'],
      ['R4', 3, 'right', '0'],
      ['R5', 4, 'left', 'right'],
    ]);
  });

  it('makes each rung as wide as the parts on it, at its volts', () => {
    const rung = (node: string) => bridge.rungs.find((one) => one.node === node)!;
    expect(rung('top')).toMatchObject({ from: 0, to: 2 });
    expect(rung('right')).toMatchObject({ from: 2, to: 4 });
    expect(rung('0')).toMatchObject({ volts: 0, from: 1, to: 3 });
    // Kirchhoff at the left node, with 12 V above and the right node across 5 kΩ.
    const [left, right] = [rung('left').volts, rung('right').volts];
    expect((12 - left) / 1000).toBeCloseTo(left / 2000 + (left - right) / 5000, 8);
    expect([bridge.lowest, bridge.highest]).toEqual([0, 12]);
  });

  it('reaches below ground where a rail does, and hangs a transistor on all its legs', () => {
    const below = ladder(
      'V1 up 0 5',
      'V2 down 0 -30',
      'R1 up c 10k',
      'Q1 c 0 e QX',
      'R2 e down 47k',
      '.model QX NPN(IS=1e-14 BF=100)',
    );
    expect(below.lowest).toBeCloseTo(-30, 6);
    expect(below.parts.find(({ label }) => label === 'Q1')!.nodes).toEqual(['c', '0', 'e']);
  });

  it.each([
    [130, 130.3, 'within'],
    [61.3, 130.3, 'low'],
    [140, 130.3, 'high'],
    [0.09, 0, 'within'],
    [-0.2, 0, 'low'],
    [-31.4, -30, 'within'],
    [-32, -30, 'low'],
  ] as const)('stands %f V beside %f V as %s', (measured, expected, standing) => {
    expect(standingOf(measured, expected)).toBe(standing);
  });
});
