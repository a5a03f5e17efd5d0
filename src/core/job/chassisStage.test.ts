import { describe, expect, it } from 'vitest';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { checksOf, liveCold, predictionsOf } from '../behaviour';
import { Stage } from '../circuit';
import { insideBlock, insideEvidence } from '../inside';
import { type LogBody, replay } from '../log';
import { attempt, Refusal } from '../quantity';
import { adoptedText, editsOf, openSheet, readSheet, readSheetChange, type SheetChange, withEdits } from '../sheet';
import { netOf, type PatternLibrary, traceOf } from '../tracing';
import { chassisBlock, chassisParts, chassisStage, tracedOutputs, tracedVolts } from '.';

const base = shippedSheets().get('generic-crt-mono')!;
const nobody: ReturnType<PatternLibrary['believe']> = [];

/** A follower from 18 V, its base held by a zener, a can across the output. */
const lines = (zener: string) => [
  'Q901 npn',
  'R901 470',
  'R902 10k',
  'C901 100u',
  `D901 zener ${zener}`,
  'Q901.c +18',
  'Q901.e +12',
  'R901.1 +18',
  'R901.2 Q901.b',
  'R902.1 +12',
  'R902.2 gnd',
  'C901.1 +12',
  'C901.2 gnd',
  'D901.k Q901.b',
  'D901.a gnd',
];
const traced = (zener: string) => {
  const { parts, facts } = traceOf(lines(zener));
  return netOf(parts, facts);
};
const made = chassisBlock('+12', 12, { title: 'Tuner regulator', board: 'main', needs: ['v15'], user: 'tuner' }, base);
const stageOf = (zener = '12.7') =>
  chassisStage(traced(zener), nobody, 'traced', {
    made: '+12',
    net: made.rail,
    block: made.block,
    fed: new Map([['+18', 'v15']]),
  });

/** The sheet with the traced board on it, as the shop keeps it. */
function withBoard() {
  const stage = stageOf();
  const parts = chassisParts(lines('12.7'), base, { made: '+12', net: made.rail, block: made.block });
  const changes: SheetChange[] = [
    made,
    ...parts.map(({ ref, change }) => ({ ...change, leaves: stage.leaves.get(ref) })),
    stage.change,
  ];
  const read = (text: string) => readSheet(text, { textOf: (id) => shippedTexts().get(id), netlistOf });
  let text = adoptedText('own', base.id, 'Own');
  for (const change of changes) text = withEdits(text, editsOf(readSheetChange(change), read(text)));
  return { text, sheet: read(text) };
}

describe('a traced board as a stage of its set', () => {
  it('makes its rail with a load, and is fed what the set feeds it', () => {
    const { makes, change } = stageOf();
    expect(makes).toBeCloseTo(12, 0);
    expect(change).toMatchObject({ block: 'tuner-regulator', given: { p18: 'v15' }, nodes: { p12: made.rail } });
    expect(Stage.open(change.circuit.replace('.param p18=18', '.param p18=15')).volts.get('p18')).toBeCloseTo(15, 6);
    expect(Object.values(change.parts!).sort()).toEqual(['C901', 'D901', 'Q901', 'R901', 'R902']);
  });

  it('says what each broken part leaves of the rail', () => {
    const { leaves } = stageOf();
    expect(leaves.get('Q901')!.open).toBeLessThan(0.3);
    expect(leaves.get('Q901')!.short).toBeCloseTo(18 / 12, 1);
    expect(leaves.get('R901')!.open).toBeLessThan(0.1);
    expect(leaves.get('D901')!.open).toBeGreaterThan(1.3);
    expect(leaves.get('D901')!.short).toBeLessThan(0.1);
    expect(leaves.get('R902')).toEqual({ open: 1, joint: 1, short: expect.any(Number) as number, drifted: 1 });
    expect(leaves.get('C901')).not.toHaveProperty('open');
  });

  it('is refused where what was traced makes another voltage, or nothing can be worked out', () => {
    expect(attempt(() => stageOf('5.6'))).toEqual(
      expect.objectContaining({
        message: expect.stringMatching(/as traced it makes 4\.9.* V where \+12 V belongs/) as string,
      }),
    );
    const bare = netOf(...(({ parts, facts }) => [parts, facts] as const)(traceOf(['R1 1k', 'R1.1 +12'])));
    expect(
      attempt(() => chassisStage(bare, nobody, 'bare', { made: '+12', net: 'v12', block: 'supply', fed: new Map() })),
    ).toBeInstanceOf(Refusal);
  });

  it('goes onto the sheet as a block with its rail, its parts and its circuit, in lines that can be read', () => {
    const { text, sheet } = withBoard();
    expect(text).toContain('circuit: |');
    expect(sheet.blocks.get('tuner-regulator')).toMatchObject({ board: 'main', needs: ['v15'], makes: [made.rail] });
    expect(sheet.blocks.get('tuner')!.needs).toContain(made.rail);
    const behaviour = (fault: string) =>
      predictionsOf(sheet).behaviour(sheet.faults.get(fault)!, liveCold).nets[
        predictionsOf(sheet).model.netIndex.get(made.rail)!
      ];
    expect(behaviour('D901.open')).not.toEqual(behaviour('D901.short'));
    expect(sheet.faults.get('R901.open')!.sets.get(made.rail)).toBeDefined();
  });

  it('is not said to feed what it hangs on', () => {
    const { user: _, ...bare } = made;
    const edits = editsOf({ ...bare, user: 'supply' }, base);
    expect(edits.some(({ path }) => path.join('.') === 'blocks.supply')).toBe(false);
  });

  it('judges the nodes inside it at the bench by its circuit', () => {
    const sheet = openSheet(withBoard().sheet);
    const checks = checksOf(sheet);
    const bodies: LogBody[] = [
      { kind: 'power', power: 'live' },
      { kind: 'inside', block: 'tuner-regulator', node: 'p12', measure: 'volts', volts: 0.02 },
      { kind: 'inside', block: 'tuner-regulator', node: 'n1', measure: 'volts', volts: 0.01 },
    ];
    const bench = replay(
      bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-11-24T10:00:00Z', body })),
      [],
    );
    expect(insideBlock(sheet, 'tuner-regulator', checks, bench)!.readings).toHaveLength(2);
    const [inside] = insideEvidence(sheet, checks, bench);
    const advantage = (id: string) => inside!.advantages.get(id)!;
    // An open base resistor leaves nearly the same.
    expect(advantage('D901.short')).toBeGreaterThan(advantage('R901.open'));
    for (const id of ['Q901.short', 'D901.open', 'C901.short'])
      expect(advantage('D901.short')).toBeGreaterThan(advantage(id) + 2);
  });

  it('takes the place of a netlist that ships', () => {
    const [known] = [...base.blocks.values()].filter(({ stage }) => stage);
    const text = withEdits(
      adoptedText('own', base.id, 'Own'),
      editsOf({ ...stageOf().change, block: known!.id, given: {}, nodes: {}, parts: {} }, base),
    );
    const own = readSheet(text, { textOf: (id) => shippedTexts().get(id), netlistOf });
    const { stage } = own.blocks.get(known!.id)!;
    expect(stage!.text).toContain('q901');
    expect([stage!.given.size, stage!.nominal.size, stage!.nodes.size, stage!.parts.size]).toEqual([0, 0, 0, 0]);
  });
});

describe('a traced stage that drives a node', () => {
  const driver = [
    ...['Q1 npn', 'R1 10k', 'R2 330', 'R3 1k', 'IC1 4'],
    ...['R1.1 +180', 'R1.2 Q1.c', 'Q1.e R2.1', 'R2.2 gnd', 'R3.1 +2.7', 'R3.2 Q1.b'],
  ];
  const net = (() => {
    const { parts, facts } = traceOf(driver);
    return netOf(parts, facts);
  })();
  const into = (volts: number | undefined) =>
    chassisStage(net, nobody, 'driver', {
      made: 'Q1.c',
      net: 'kr',
      block: 'rgb',
      volts,
      fed: new Map([
        ['+180', 'v180'],
        ['+2.7', 'ro'],
      ]),
    });

  it('is offered where a transistor puts something out, and stands at what its circuit says', () => {
    expect(tracedOutputs(driver)).toEqual(['Q1.c', 'Q1.e']);
    expect(tracedVolts(net, nobody, 'Q1.c')).toBeCloseTo(180 - (10e3 * 2.03) / 330, -1);
  });

  it('has no load but what hangs on it, and each broken part does to it what the circuit says', () => {
    const { change, makes, leaves } = into(130);
    expect(change.circuit).not.toContain('RLOAD');
    expect(change.given).toEqual({ p180: 'v180', p2_7: 'ro' });
    expect(change.nodes).toMatchObject({ p180: 'v180' });
    expect(Object.values(change.nodes!)).toContain('kr');
    for (const part of ['Q1', 'R2', 'R3']) expect(leaves.get(part)!.open).toBeCloseTo(180 / makes, 1);
    expect(leaves.get('R1')!.open).toBeLessThan(0.05);
  });

  it('is refused where the set has other volts there, and belongs nowhere in particular where it has none', () => {
    expect(attempt(() => into(40))).toEqual(
      expect.objectContaining({ message: expect.stringMatching(/makes 1\d\d V where 40 V belongs/) as string }),
    );
    expect(into(undefined).makes).toBeGreaterThan(100);
    expect(
      chassisBlock('Q1.c', 118, { title: 'Driver', board: 'main', needs: [], user: undefined }, base),
    ).toMatchObject({ rail: 'q1c', volts: 118 });
  });

  it('has parts that feed it, lie to ground from it, or drive it', () => {
    const parts = chassisParts(driver, base, { made: 'Q1.c', net: 'kr', block: 'rgb' });
    const role = new Map(parts.map(({ ref, change }) => [ref, change.role]));
    expect(role.get('R1')).toBe('feeds');
    expect(role.get('R3')).toBe('drives');
    expect(parts.find(({ ref }) => ref === 'R1')!.between).toBe('+180 and Q1.c');
  });
});
