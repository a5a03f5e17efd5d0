import { type LogBody, replay } from '../log';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { checksOf } from '../behaviour';
import { changeFor, operatingPoint, readNetlist, System } from '../circuit';
import { type Sheet } from '../sheet';
import { checkOfNode, insideBlock, insideEvidence, whyNotInside } from '.';

const sheet = shippedSheets().get('pellisar-tc-14')!;
const checks = checksOf(sheet);
const live: LogBody = { kind: 'power', power: 'live' };
const volts = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const benchAfter = (...bodies: readonly LogBody[]) =>
  replay(
    bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body })),
    [],
  );
const evidence = (...bodies: readonly LogBody[]) => insideEvidence(sheet, checks, benchAfter(live, ...bodies));

/** What the green driver reads with a part broken in a way. */
function broken(ref: string, mode: 'open' | 'short' | 'value' | 'short-ce', factor?: number) {
  const system = new System(readNetlist(insideBlock(sheet, 'green', checks, benchAfter())!.text));
  const change = changeFor(system, { ref, mode, ...(factor === undefined ? {} : { factor }) });
  const at = system.voltsAt(operatingPoint(system, { change }));
  return [volts('eg-dc', at.get('e')!), volts('cg-dc', at.get('c')!), volts('kg-dc', at.get('k')!)];
}

describe('what a netlist says of the readings in its block', () => {
  it.each([
    ['R201.drifted', broken('RLOAD', 'value', 2)],
    ['R201.open', broken('RLOAD', 'open')],
    ['Q201.short', broken('QDRIVE', 'short-ce')],
    ['R206.open', broken('RCATH', 'open')],
  ])('names %s by what it would read', (fault, readings) => {
    const [green] = evidence(...readings);
    const ranked = [...green!.advantages].sort((a, b) => b[1] - a[1]);
    expect(ranked[0]![0]).toBe(fault);
    expect(ranked[0]![1]).toBeGreaterThan(5);
  });

  it('speaks against every fault where all stands as it should', () => {
    const system = new System(readNetlist(insideBlock(sheet, 'green', checks, benchAfter())!.text));
    const at = system.voltsAt(operatingPoint(system));
    const [green] = evidence(volts('eg-dc', at.get('e')!), volts('cg-dc', at.get('c')!), volts('kg-dc', at.get('k')!));
    for (const advantage of green!.advantages.values()) expect(advantage).toBeLessThan(0.5);
  });

  it('judges only what tells of the block: not what enters it, nor a single node', () => {
    expect(evidence()).toEqual([]);
    expect(evidence(volts('cg-dc', 61))).toEqual([]);
    expect(evidence(volts('v180-dc', 178), volts('vg-dc', 2.6), volts('cg-dc', 61))).toEqual([]);
    const [green] = evidence(volts('vg-dc', 2.6), volts('cg-dc', 61), volts('eg-dc', 2));
    expect([...green!.entries].sort()).toEqual(['line-2', 'line-3']);
  });

  it('is asked of each block by itself', () => {
    const both = evidence(...broken('RLOAD', 'value', 2), volts('cr-dc', 124), volts('er-dc', 2));
    expect(both.map(({ block }) => block).sort()).toEqual(['green', 'red']);
  });

  it('is nothing where the netlist cannot be solved, or is not at hand', () => {
    const green = sheet.blocks.get('green')!;
    const without = (text: string | undefined): Sheet => {
      const { netlist, given, nominal, nodes, parts } = green.stage!;
      const stage = { netlist, given, nominal, nodes, parts, ...(text === undefined ? {} : { text }) };
      const changed = { ...green, stage };
      return { ...sheet, blocks: new Map([...sheet.blocks, ['green', changed]]) };
    };
    const bench = benchAfter(live, volts('cg-dc', 61), volts('eg-dc', 2));
    for (const text of [undefined, '* broken\nR1 a b lots', '* floats\nC1 c e 1u'])
      expect(insideEvidence(without(text), checks, bench)).toEqual([]);
  });
});

describe('a reading inside a block', () => {
  it('is one of the sheet where the sheet has a check for the node', () => {
    expect(checkOfNode(sheet, checks, 'green', 'k')!.id).toBe('kg-dc');
    expect(checkOfNode(sheet, checks, 'green', 'nowhere')).toBeUndefined();
    expect(checkOfNode(sheet, checks, 'attic', 'k')).toBeUndefined();
  });

  it('counts on the whole set while it is live, and the reason is told where it would not', () => {
    expect(whyNotInside(benchAfter(live))).toBeUndefined();
    expect(whyNotInside(benchAfter())).toMatch(/the set is unplugged/);
    expect(whyNotInside(benchAfter(live, { kind: 'connector', connector: 'P202', pulled: true }))).toMatch(
      /pulled, lifted or lent/,
    );
  });

  it('of the netlist alone stands beside those of the sheet; the last of a node stands', () => {
    const inside = (node: string, value: number): LogBody => ({
      kind: 'inside',
      block: 'green',
      node,
      measure: 'volts',
      volts: value,
    });
    const { readings } = insideBlock(
      sheet,
      'green',
      checks,
      benchAfter(live, volts('kg-dc', 62), inside('c', 61), inside('c', 63)),
    )!;
    expect(readings).toEqual([
      { node: 'k', measure: 'volts', volts: 62, entry: 'line-1' },
      { node: 'c', measure: 'volts', volts: 63, entry: 'line-3' },
    ]);
  });
});
