import { describe, expect, it } from 'vitest';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { type Check, checksOf, liveCold, predictionsOf } from '../behaviour';
import { changeFor, type CircuitFault, faultsOf, operatingPoint, Stage } from '../circuit';
import { type LogBody, replay } from '../log';
import { mainValue } from '../measure';
import { attempt, Refusal } from '../quantity';
import { readSheet, type Sheet, withLabel } from '../sheet';
import { checkOfNode, insideBlock, insideEvidence } from '.';

const inside = (sheet: Sheet) =>
  [...sheet.blocks.values()].flatMap((block) => (block.stage ? [{ sheet, block, stage: block.stage }] : []));
const chosen = (id: string, choices: Readonly<Record<string, string>>) =>
  readSheet(shippedTexts().get(id)!, { textOf: (base) => shippedTexts().get(base), netlistOf, choices });
const linked = [
  ...[...shippedSheets().values()].flatMap(inside),
  // What a set may have besides, by its options.
  ...inside(chosen('generic-crt-colour', { pincushion: 'modulator' })).filter(({ block }) => block.id === 'east_west'),
  ...inside(chosen('generic-crt-mono', { regulation: 'series' })).filter(({ block }) => block.id === 'supply'),
  ...inside(chosen('generic-crt-monitor', { regulation: 'linear' })).filter(({ block }) => block.id === 'supply'),
];

/** The bench of a set on which every point of a block read what the sheet says, on those that are wanted. */
function nominal(sheet: Sheet, nets: ReadonlySet<string>, wanted: (check: Check) => boolean) {
  const bodies: LogBody[] = [{ kind: 'power', power: 'live' }];
  for (const check of checksOf(sheet).values()) {
    const net = check.point?.net;
    if (check.measure !== 'dc' || net === undefined || !nets.has(net) || !wanted(check)) continue;
    const value = sheet.nets.get(net)!.volts;
    bodies.push({ kind: 'reading', check: check.id, answer: { kind: 'number', value, shape: 'settled' }, text: '' });
  }
  return replay(
    bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body })),
    [],
  );
}

describe.each(linked.map(({ sheet, block, stage }) => [sheet.title, block.title, { sheet, block, stage }] as const))(
  '%s, %s',
  (_, __, { sheet, block, stage }) => {
    const checks = checksOf(sheet);
    const nets = new Set(stage.nodes.values());

    it('has nodes that stand where the sheet says, within a third of its tolerance', () => {
      const { volts } = Stage.open(
        insideBlock(
          sheet,
          block.id,
          checks,
          nominal(sheet, nets, () => true),
        )!.text,
      );
      for (const [node, net] of stage.nodes) {
        const { volts: said, tolerance } = sheet.nets.get(net)!;
        const allowed = 'relative' in tolerance ? tolerance.relative * Math.abs(said) : tolerance.absolute;
        expect(Math.abs(volts.get(node)! - said), `${node}, which is ${net}`).toBeLessThan(allowed / 3);
      }
    });

    it('has faults that stand where the sheet says, by some way of failing of what they are faults of', () => {
      const { system } = Stage.open(insideBlock(sheet, block.id, checks, replay([], []))!.text);
      const predictions = predictionsOf(sheet);
      const nodes = [...stage.nodes.keys()].flatMap((node) => {
        const check = checkOfNode(sheet, checks, block.id, node);
        return check?.measure === 'dc' ? [{ node, row: predictions.row(check, liveCold) }] : [];
      });
      const voltsUnder = (fault: CircuitFault) =>
        attempt(() => system.voltsAt(operatingPoint(system, { change: changeFor(system, fault) })));
      for (const [element, part] of stage.parts) {
        const ways = faultsOf(system).filter(({ ref }) => ref.toLowerCase() === element.toLowerCase());
        for (const fault of sheet.faults.values()) {
          // A netlist fails by what opens, shorts or drifts, not by what leaks or wears.
          if (fault.part !== part || !['open', 'short', 'joint', 'drifted', 'misset'].includes(fault.mode)) continue;
          const furthest = ways.map((way) => {
            const volts = voltsUnder(way);
            if (volts instanceof Refusal) return Infinity;
            return Math.max(
              ...nodes.map(({ node, row }) => {
                const allowed = Math.max(0.2 * Math.abs(mainValue(row(undefined))), 0.2);
                return Math.abs(volts.get(node)! - mainValue(row(fault))) / allowed;
              }),
            );
          });
          expect(Math.min(...furthest), fault.id).toBeLessThan(1);
        }
      }
    });

    it('convicts nothing by the sheet’s own nominals, all of them typed or any two', () => {
      const points = [...checks.values()].filter(
        ({ measure, point }) => measure === 'dc' && point?.net !== undefined && nets.has(point.net),
      );
      const pairs = points.flatMap((one, index) => points.slice(index + 1).map((other) => [one, other]));
      for (const typed of [points, ...pairs])
        for (const { advantages } of insideEvidence(
          sheet,
          checks,
          nominal(sheet, nets, (check) => typed.includes(check)),
        ))
          for (const [fault, advantage] of advantages)
            expect(advantage, `${fault} by ${typed.map(({ id }) => id).join(', ')}`).toBeLessThan(1);
    });
  },
);

describe('a regulator whose label says another voltage', () => {
  const sheet = withLabel(chosen('generic-crt-mono', { regulation: 'series' }), { bplus: 12 });
  const checks = checksOf(sheet);
  const likeliestWith = (volts: Readonly<Record<string, number>>) => {
    const bodies: LogBody[] = [{ kind: 'power', power: 'live' }];
    for (const [check, value] of Object.entries(volts))
      bodies.push({ kind: 'reading', check, answer: { kind: 'number', value, shape: 'settled' }, text: '' });
    const log = bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body }));
    const [supply] = insideEvidence(sheet, checks, replay(log, []));
    return [...supply!.advantages].sort((a, b) => b[1] - a[1])[0]!;
  };

  it('is built for that, and sound at it', () => {
    const [, best] = likeliestWith({ 'bplus-dc': 12, 'pbase-dc': 13.45, 'psense-dc': 6.42, 'pref-dc': 5.73 });
    expect(best).toBeLessThan(1);
  });

  it('that gives more with nothing at its divider has the upper resistor open', () => {
    const [fault] = likeliestWith({ 'bplus-dc': 14.6, 'pbase-dc': 16.1, 'psense-dc': 0.02, 'pref-dc': 5.75 });
    expect(fault).toBe('FB-R.open');
  });

  it('that gives more while its driver is held down has the pass transistor shorted', () => {
    const [fault] = likeliestWith({
      'res-dc': 16.5,
      'bplus-dc': 16.4,
      'pbase-dc': 5.9,
      'psense-dc': 6.73,
      'pref-dc': 5.9,
    });
    expect(fault).toBe('PASS-Q.short');
  });
});
