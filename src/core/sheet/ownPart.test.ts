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

  it('is the element that it says, unless the stage says otherwise itself', () => {
    const staged = (stage: string, parts: string) =>
      readSheet(
        base.replace(
          'makes: [v12], parts: {}',
          `makes: [v12], stage: { circuit: "* one\\nV1 a 0 12\\nR2 a b 1k\\nR3 b 0 1k", nodes: { b: v12 }, parts: { ${stage} } }, parts: { ${parts} }`,
        ),
      ).blocks.get('supply')!.stage!.parts;
    const [one, two] = ['R77: { kind: resistor, own: true, element: R2 }', 'R8: { kind: resistor }'];
    expect([...staged('', one)]).toEqual([['R2', 'R77']]);
    // Traced anew, the element of that name is another part, or the part another element.
    expect([...staged('R2: R8', `${one}, ${two}`)]).toEqual([['R2', 'R8']]);
    expect([...staged('R3: R77', one)]).toEqual([['R3', 'R77']]);
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
