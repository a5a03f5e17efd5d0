import { describe, expect, it } from 'vitest';
import { partKindNames } from '../parts';
import { kindOfReference, partRoles, readSheet } from '.';
import { editsOf, withEdits } from './refine';

const base = `format: tovrik-sheet/1
id: small
title: Small
technology: crt-mono
boards: { main: { title: Main, side: cold } }
nets: { mains: { volts: 230 }, v12: { title: 12 V, volts: 12 } }
blocks:
  plug: { title: Plug, board: main, makes: [mains], parts: {} }
  supply: { title: Supply, board: main, needs: [mains], makes: [v12], parts: {} }
points: {}
`;
const sheet = readSheet(base);

describe('a part that is written in by what it is to a net', () => {
  it.each(partKindNames.flatMap((is) => partRoles.map((role) => [is, role] as const)))(
    'is read as a part of its block: %s that %s it',
    (is, role) => {
      const change = { kind: 'part', part: 'X1', is, value: '', block: 'supply', role, net: 'v12' } as const;
      const { parts, faults, points } = readSheet(withEdits(base, editsOf(change, sheet)));
      expect(parts.get('X1')).toMatchObject({ kind: is, block: 'supply' });
      expect([...points.values()].filter((point) => point.parts.includes('X1'))).toHaveLength(1);
      for (const { sets, shorts } of faults.values()) expect(sets.has('v12') || shorts.includes('v12')).toBe(true);
    },
  );

  it('fails as such a part fails there', () => {
    const faultsOf = (is: 'resistor' | 'electrolytic', role: (typeof partRoles)[number]) => {
      const change = { kind: 'part', part: 'X1', is, value: '', block: 'supply', role, net: 'v12' } as const;
      return readSheet(withEdits(base, editsOf(change, sheet))).faults;
    };
    const feed = faultsOf('resistor', 'feeds');
    expect(feed.get('X1.open')!.sets.get('v12')).toBe(0);
    expect(feed.get('X1.drifted')!.sets.get('v12')).toBeGreaterThan(0.5);
    // A feed that is shorted leaves the rail as it is.
    expect(feed.has('X1.short')).toBe(false);
    const filter = faultsOf('electrolytic', 'shunts');
    expect(filter.get('X1.short')!.shorts).toEqual(['v12']);
    expect(filter.get('X1.dry')!.ripples).toEqual(['v12']);
    expect(faultsOf('resistor', 'senses').get('X1.open')!.sets.get('v12')).toBeGreaterThan(1);
  });

  describe('inside a stage', () => {
    const staged = readSheet(`format: tovrik-sheet/1
id: staged
title: Staged
technology: crt-mono
boards: { neck: { title: Neck, side: cold } }
nets:
  v12: { title: 12 V, volts: 12 }
  b: { title: Base, signal: video, volts: 2.6 }
  e: { title: Emitter, signal: video, volts: 2 }
  k: { title: Cathode, signal: beam, volts: 120 }
blocks:
  supply: { title: Supply, board: neck, makes: [v12], parts: {} }
  driver:
    title: Driver
    board: neck
    needs: [v12]
    makes: [b, e, k]
    stage: { netlist: neck-driver, given: { supply: v12 }, nodes: { b: b, e: e, k: k } }
    parts:
      RB: { kind: resistor, title: Base resistor, faults: { open: { sets: { b: dead, e: dead, k: 1.4 } } } }
      RL: { kind: resistor, title: Load, faults: { open: { sets: { b: 0.85, e: 0.8, k: dead } } } }
points: {}
`);
    const faultsAt = (net: string, role: (typeof partRoles)[number], mode: string) => {
      const change = { kind: 'part', part: 'R118', is: 'resistor', value: '22R', block: 'driver', role, net } as const;
      const [edit] = editsOf(change, staged);
      return (edit!.values.faults as Record<string, { sets?: object }>)[mode]!.sets;
    };

    it('takes with the net what a listed part takes with it, and half of that where it is only weak', () => {
      expect(faultsAt('b', 'feeds', 'open')).toEqual({ b: 'dead', e: 'dead', k: 1.4 });
      expect(faultsAt('b', 'shunts', 'short')).toEqual({ e: 'dead', k: 1.4 });
      expect(faultsAt('b', 'feeds', 'drifted')).toEqual({ b: 'low', e: 0.5, k: 1.2 });
    });

    it('takes nothing with it where what is listed moves something else more, nor with a rail', () => {
      // The load holds the emitter down a little, and that is not what lets the cathode go.
      expect(faultsAt('e', 'drives', 'open')).toEqual({ e: 'dead', b: 'dead', k: 1.4 });
      expect(faultsAt('k', 'feeds', 'drifted')).toEqual({ k: 'low', b: 0.925, e: 0.9 });
      expect(faultsAt('v12', 'feeds', 'open')).toEqual({ v12: 'dead' });
    });
  });

  it.each([
    ['R118', '22R', 'resistor'],
    ['C9', '100u', 'electrolytic'],
    ['C9', '0.1u', 'film'],
    ['C9', '470n', 'film'],
    ['Q3', '', 'transistor'],
    ['FR2', '1R', 'fusible'],
    ['XY1', '', undefined],
  ])('%s %s is taken for a %s', (reference, value, kind) => expect(kindOfReference(reference, value)).toBe(kind));
});
