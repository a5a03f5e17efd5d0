import { type LogBody, replay } from '@/core/log';
import { describe, expect, it } from 'vitest';
import { checksOf, predictionsOf } from '@/core/behaviour';
import { posteriorOf, type Suspect, likeliestInside } from '@/core/diagnosis';
import {
  changeFor,
  dictionaryOf,
  operatingPoint,
  partSuspects,
  rankFaults,
  readNetlist,
  Stage,
  System,
  type Turned,
} from '@/core/circuit';
import { toleranceWidth } from '@/core/quantity';
import { shippedSheets } from '@/sheets';
import { insideBlock, measured } from '@/core/inside';
import { nothingTurned, settledWith } from './stageModel';

const sheets = [...shippedSheets().values()];
const linked = sheets.flatMap((sheet) =>
  [...sheet.blocks.values()].flatMap((block) =>
    block.stage ? [[`${sheet.id} ${block.id}`, sheet, block] as const] : [],
  ),
);

describe('blocks with a netlist inside', () => {
  it('are some', () => expect(linked.length).toBeGreaterThan(10));

  it.each(linked)('%s stands where the sheet says, and names what is in the netlist', (_, sheet, block) => {
    const inside = insideBlock(sheet, block.id, checksOf(sheet), replay([], []))!;
    const model = Stage.open(inside.text);
    for (const [node, net] of block.stage!.nodes) {
      const { volts, tolerance } = sheet.nets.get(net)!;
      expect(Math.abs(model.volts.get(node)! - volts), net).toBeLessThanOrEqual(toleranceWidth(tolerance, volts));
    }
    const labels = model.circuit.elements.map(({ label }) => label);
    for (const element of block.stage!.parts.keys()) expect(labels).toContain(element);
    for (const [element, id] of block.stage!.parts) {
      const part = sheet.parts.get(id)!;
      const drawn = model.circuit.elements.find(({ label }) => label === element)!;
      if (part.kind === 'resistor' && drawn.kind === 'r') expect(drawn.value).toBeCloseTo(part.size!, 6);
    }
    for (const parameter of block.stage!.given.keys())
      expect([...model.circuit.parameters.keys()]).toContain(parameter);
  });
});

describe('readings of the bench inside a block', () => {
  const sheet = sheets.find(({ id }) => id === 'pellisar-tc-14')!;
  const mono = sheets.find(({ id }) => id === 'generic-crt-mono')!;
  const number = (check: string, value: number): LogBody => ({
    kind: 'reading',
    check,
    answer: { kind: 'number', value, shape: 'settled' },
    text: '',
  });
  const after = (...bodies: LogBody[]) =>
    insideBlock(
      sheet,
      'green',
      checksOf(sheet),
      replay(
        bodies.map((body, index) => ({ id: String(index), at: '2026-01-01T10:00:00Z', body })),
        [],
      ),
    )!;
  const live: LogBody = { kind: 'power', power: 'live' };

  it('come along by their nets, what enters as it was measured', () => {
    const inside = after(live, number('cg-dc', 62), number('eg-dc', 2.3), number('vg-dc', 3.1));
    expect(measured(inside.readings, 'volts')).toEqual(
      new Map([
        ['in', 3.1],
        ['e', 2.3],
        ['c', 62],
      ]),
    );
    expect(inside.text).toContain('.param drive=3.1 ; as measured');
    expect(inside.text).toContain('.param supply=178 ; as it should be');
  });

  it('do not blame the driver for a drive that is wrong before it', () => {
    const { text, readings } = after(live, number('vg-dc', 3.2), number('eg-dc', 2.53), number('cg-dc', 101));
    const system = new System(readNetlist(text));
    const volts = measured(readings, 'volts');
    expect(rankFaults(dictionaryOf(system, operatingPoint(system)), { volts }).nothing).toBeGreaterThan(0.5);
  });

  it('name the part among the suspects of the set, nodes that only the netlist knows among them', () => {
    const predictions = predictionsOf(mono);
    const suspectsAfter = (bodies: readonly LogBody[]) => {
      const bench = replay(
        bodies.map((body, index) => ({ id: String(index), at: '2026-01-01T10:00:00Z', body })),
        [],
      );
      return posteriorOf({
        predictions,
        complaint: { symptoms: [], signs: {} },
        bench,
        closed: new Map(),
        hourlyRate: 30,
      }).suspects;
    };
    // The load has gone up by half: the transistor runs out of volts, and its base draws what the collector cannot.
    const system = new System(readNetlist(insideBlock(mono, 'video_out', checksOf(mono), replay([], []))!.text));
    const drifted = system.voltsAt(
      operatingPoint(system, { change: changeFor(system, { ref: 'RLOAD', mode: 'value', factor: 1.5 }) }),
    );
    const inside = (node: string): LogBody => ({
      kind: 'inside',
      block: 'video_out',
      node,
      measure: 'volts',
      volts: drifted.get(node)!,
    });
    const readings = [live, number('vemit-dc', drifted.get('e')!), number('k-dc', drifted.get('k')!)];
    const chance = (found: readonly Suspect[]) =>
      found.find(({ fault }) => fault.id === 'VID-LOAD.drifted')!.probability;
    const sheetOnly = chance(suspectsAfter([live, inside('c')]));
    const known = suspectsAfter([...readings, inside('b'), inside('c')]);
    expect(known[0]!.fault.id).toBe('VID-LOAD.drifted');
    expect(chance(known)).toBeGreaterThan(0.6);
    expect(chance(known)).toBeGreaterThan(sheetOnly);
  });

  it('are looked at in the likeliest block that has an inside, unless it is unlikely or mended', () => {
    const suspectOf = (part: string, probability: number, cured = false) => ({
      fault: [...sheet.faults.values()].find((fault) => fault.part === part)!,
      probability,
      prior: probability,
      cured,
    });
    const leading = (...suspects: ReturnType<typeof suspectOf>[]) =>
      likeliestInside(
        sheet,
        { suspects } as unknown as Parameters<typeof likeliestInside>[1],
        checksOf(sheet),
        replay([], []),
      )?.block;
    expect(leading(suspectOf('IC201', 0.6), suspectOf('R201', 0.3))).toBe('green');
    expect(leading(suspectOf('IC201', 0.9), suspectOf('R201', 0.05))).toBeUndefined();
    expect(leading(suspectOf('R201', 0.6, true), suspectOf('R101', 0.2))).toBe('red');
  });

  it('no longer count after a repair, nor with a board tried or the set unplugged', () => {
    const repair: LogBody = {
      kind: 'repair',
      action: 'a',
      title: '',
      cures: [],
      money: 0,
      minutes: 1,
      note: '',
    };
    expect(after(live, number('cg-dc', 62), repair).readings).toEqual([]);
    const tried: LogBody = { kind: 'intervention', change: 'donors', target: 'neck', on: true };
    expect(after(live, tried, number('cg-dc', 62)).readings).toEqual([]);
  });

  it('give suspects by part, with the ohms a resistor has drifted to', () => {
    const { text } = after(live);
    const system = new System(readNetlist(text));
    const dictionary = dictionaryOf(system, operatingPoint(system));
    const { faults, nothing } = rankFaults(dictionary, {
      volts: new Map([
        ['c', 60],
        ['e', 1.99],
      ]),
    });
    const suspects = partSuspects(
      faults.map((one) => ({ ...one, volts: new Map() })),
      nothing,
      system.circuit,
    );
    expect(suspects[0]).toMatchObject({ words: 'RLOAD drifted high', drift: { nominal: 12000 } });
    expect(suspects[0]!.drift!.ohms).toBeGreaterThan(19_000);
    expect(suspects[0]!.drift!.ohms).toBeLessThan(27_000);
    const sum = suspects.reduce((all, { probability }) => all + probability, nothing);
    expect(sum).toBeCloseTo(1, 6);
  });
});

describe('turning a value', () => {
  const text = '* divider\n.param top=10k\nV1 a 0 12\nR1 a mid {top}\nR2 mid 0 5k';
  const stage = Stage.open(text);
  const at = (turned: Turned) => settledWith(stage, turned)?.get('mid');

  it('moves the nodes as the divider would', () => {
    expect(at(nothingTurned)).toBeCloseTo(4, 6);
    expect(at({ ...nothingTurned, factors: new Map([['r2', 2]]) })).toBeCloseTo(6, 6);
    expect(at({ ...nothingTurned, factors: new Map([['v1', 0.5]]) })).toBeCloseTo(2, 6);
    expect(at({ ...nothingTurned, parameters: new Map([['top', 5000]]) })).toBeCloseTo(6, 6);
    expect(at({ ...nothingTurned, parameters: new Map([['top', 0]]) })).toBeUndefined();
  });
});
