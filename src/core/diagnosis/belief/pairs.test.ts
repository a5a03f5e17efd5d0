import { type LogBody, type LogEntry, replay } from '../../log';
import { type Answer } from '../../measure';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { openSheet } from '../../sheet';
import { compileSheet, liveCold, Predictions, withConnector } from '../../behaviour';
import { seeded } from '../../statistics';
import { answerFrom } from '../../practice';
import { adviseOn, type Case, isolationOf, lookDeeper, posteriorOf, restsOn } from '..';

const plasma = new Predictions(compileSheet(openSheet(shippedSheets().get('halvane-hp-42')!)));
const tube = new Predictions(compileSheet(openSheet(shippedSheets().get('pellisar-tc-14')!)));
const volts = (value: number): Answer => ({ kind: 'number', value, shape: 'settled' });
const live: LogBody = { kind: 'power', power: 'live' };
const took = (check: string, answer: Answer): LogBody => ({ kind: 'reading', check, answer, text: '' });

function caseOf(predictions: Predictions, ...bodies: LogBody[]): Case {
  const log = bodies.map((body, index): LogEntry => ({ id: `e${index}`, at: '2026-11-25T10:00:00Z', body }));
  return {
    predictions,
    complaint: { symptoms: [], signs: {} },
    bench: replay(log, [...predictions.model.sheet.stores.keys()]),
    closed: new Map(),
    hourlyRate: 18,
  };
}

/** Readings of checks on a set with several faults at once, each taken twice. */
function readTwice(predictions: Predictions, faults: readonly string[], checks: readonly string[]): LogBody[] {
  const random = seeded(4);
  const present = faults.map((id) => predictions.model.sheet.faults.get(id)!);
  return checks.flatMap((id) => {
    const check = predictions.checks.get(id)!;
    const answer = answerFrom(predictions.expectationOf(present, check, liveCold), 0.005, random);
    return [took(id, answer), took(id, answer)];
  });
}

describe('two faults at once', () => {
  const both = ['C547.dry', 'C522.dry'] as const;
  const readings = readTwice(plasma, both, ['vfu-dc', 'vset-dc', 'vscan-dc', 'vfl-dc']);

  it('are named together where no single one explains what was read twice', () => {
    const [first] = posteriorOf(caseOf(plasma, live, ...readings)).together;
    expect(first!.faults.map(({ id }) => id).sort()).toEqual([...both].sort());
    expect(first!.probability).toBeGreaterThan(0.5);
  });

  it('leave the second when a repair has cured the first', () => {
    const repaired: LogBody = {
      kind: 'repair',
      action: 'replace:C547',
      title: 'Fit a new C547',
      cures: ['C547.dry'],
      money: 1,
      minutes: 20,
      note: '',
    };
    const job = caseOf(
      plasma,
      live,
      ...readings,
      repaired,
      live,
      ...readTwice(plasma, [both[1]], ['vfu-dc', 'vset-dc']),
    );
    const advice = adviseOn(job);
    const open = advice.posterior.suspects.find(({ cured }) => !cured)!;
    expect(open.fault.id).toBe('C522.dry');
    expect(open.probability).toBeGreaterThan(0.8);
    expect(advice.next).not.toBe('verify');
  });

  it('leave a third of their age suspected once both are new, until it was measured', () => {
    const renewed = (part: string): LogBody => ({
      kind: 'repair',
      action: `replace:${part}`,
      title: `Fit a new ${part}`,
      cures: [`${part}.dry`],
      money: 1,
      minutes: 20,
      note: '',
    });
    const lines = [live, ...readings, renewed('C547'), renewed('C522')];
    const { suspects } = posteriorOf(caseOf(plasma, ...lines));
    const dry = suspects.filter(({ fault, cured }) => !cured && fault.mode === 'dry');
    const left = dry.reduce((sum, { probability }) => sum + probability, 0);
    expect(left).toBeGreaterThan(0.05);
    expect(left).toBeLessThan(0.6);
    const [next] = dry;
    expect(next!.probability).toBeGreaterThan(next!.prior);
    const esr = [...plasma.checks.values()].find(
      ({ measure, point }) => measure === 'esr' && point!.parts.includes(next!.fault.part),
    )!;
    const good = answerFrom(plasma.expectation(undefined, esr, liveCold), 0.005, seeded(2));
    const measured = posteriorOf(caseOf(plasma, ...lines, took(esr.id, good)));
    const after = measured.suspects.find(({ fault }) => fault.id === next!.fault.id)!;
    expect(after.probability).toBeLessThan(next!.probability / 3);
  });

  it('are not thought of where one fault explains everything', () => {
    const { together } = posteriorOf(caseOf(plasma, live, ...readTwice(plasma, ['C547.dry'], ['vfu-dc', 'vset-dc'])));
    expect(together).toEqual([]);
  });
});

describe('more than two faults at once', () => {
  const colour = new Predictions(compileSheet(openSheet(shippedSheets().get('generic-crt-colour')!)));
  const leading = (job: Case) => posteriorOf(job).together[0]!;
  const idsOf = ({ faults }: ReturnType<typeof leading>) => faults.map(({ id }) => id).sort();
  const replaced = (part: string): LogBody => ({
    kind: 'repair',
    action: `replace:${part}`,
    title: `Fit a new ${part}`,
    cures: [`${part}.short`, `${part}.open`],
    money: 1,
    minutes: 20,
    note: '',
  });

  it('are the three channels, each read as bad as the others', () => {
    const guns = ['GUN-R.leaky', 'GUN-G.leaky', 'GUN-B.leaky'];
    const job = caseOf(
      colour,
      live,
      ...readTwice(colour, guns, ['vhi-dc', 'picture', 'kr-dc', 'kg-dc', 'kb-dc', 'cr-dc']),
    );
    expect(idsOf(leading(job))).toEqual([...guns].sort());
  });

  it('are what several readings prove, each of a part of its own', () => {
    const shorted = ['H-DRV.short', 'G-Q.short', 'B-Q.short'];
    const cold: LogBody = { kind: 'power', power: 'unplugged' };
    const job = caseOf(colour, cold, ...readTwice(colour, shorted, ['h-drv-diode', 'g-q-diode', 'b-q-diode']));
    expect(idsOf(leading(job))).toEqual([...shorted].sort());
    expect(leading(job).probability).toBeGreaterThan(0.8);
  });

  it('leave the last of them to be found when the others are new, and something to do', () => {
    const shorted = ['H-DRV.short', 'R-Q.short', 'G-Q.short', 'B-Q.short'];
    const cold: LogBody = { kind: 'power', power: 'unplugged' };
    const after = readTwice(colour, ['B-Q.short'], ['picture', 'er-dc', 'eg-dc']);
    const job = caseOf(
      colour,
      cold,
      ...readTwice(colour, shorted, ['h-drv-diode', 'r-q-diode', 'g-q-diode']),
      ...['H-DRV', 'R-Q', 'G-Q'].map(replaced),
      live,
      ...after,
    );
    const advice = adviseOn(job);
    const open = advice.posterior.suspects.find(({ cured }) => !cured)!;
    expect(open.fault.id).toBe('B-Q.short');
    expect(advice.next).not.toBe('verify');
    expect(advice.probes.length + advice.repairs.length).toBeGreaterThan(0);
  });
});

describe('a slip of the meter', () => {
  const honest = [live, took('v26-dc', volts(0.1)), took('vyoke-ac', volts(0.2))];

  it('is named and asked for again, and forgotten once it was read right', () => {
    const slipped = caseOf(tube, ...honest, took('bplus-dc', volts(1121)));
    const advice = adviseOn(slipped);
    expect(advice.posterior.doubts.map(({ observation }) => observation.check.id)).toEqual(['bplus-dc']);
    expect(advice.probes[0]).toMatchObject({ probe: { id: 'bplus-dc' }, doubt: expect.any(Number) as number });
    const again = adviseOn(caseOf(tube, ...honest, took('bplus-dc', volts(1121)), took('bplus-dc', volts(112))));
    expect(again.posterior.doubts).toEqual([]);
    expect(again.probes[0]!.doubt).toBeUndefined();
  });

  it('is not asked for a third time where the second reading bears it out', () => {
    const twice = adviseOn(caseOf(tube, ...honest, took('bplus-dc', volts(1121)), took('bplus-dc', volts(1118))));
    expect(twice.probes[0]?.doubt).toBeUndefined();
  });

  it('matters most where a suspect rests on one reading', () => {
    const alone = posteriorOf(caseOf(plasma, live, took('vfu-dc', volts(9.1))));
    expect(restsOn(alone)?.check.id).toBe('vfu-dc');
    const twice = posteriorOf(caseOf(plasma, live, took('vfu-dc', volts(9.1)), took('vfu-dc', volts(9))));
    expect(restsOn(twice)).toBeUndefined();
  });

  it('is the one that names the suspect, not one that says in what degree it fails', () => {
    const dry = [took('C547-esr', volts(9)), live, took('vfu-dc', volts(5))];
    expect(restsOn(posteriorOf(caseOf(plasma, ...dry.slice(0, 1))))?.check.id).toBe('C547-esr');
    expect(restsOn(posteriorOf(caseOf(plasma, ...dry)))).toBeUndefined();
    const converter = posteriorOf(caseOf(plasma, took('C522-esr', volts(9)), live, took('vset-dc', volts(0.6 * 195))));
    expect(restsOn(converter)?.check.id).toBe('C522-esr');
  });
});

describe('a rail held down', () => {
  const shorted = [took('vs-ohms', volts(0.6))];

  it('shows its loads, and names the connector that halves them best', () => {
    const job = caseOf(plasma, ...shorted);
    const isolation = isolationOf(job, posteriorOf(job))!;
    expect(isolation.net).toBe('vs');
    const share = (id: string) => isolation.loads.find(({ connector }) => connector === id)!.share;
    const halves = isolation.loads.map(({ connector }) => Math.abs(share(connector) - 0.5));
    expect(Math.abs(share(isolation.next!) - 0.5)).toBeCloseTo(Math.min(...halves));
    expect(isolation.loads.reduce((sum, load) => sum + load.share, isolation.fixed)).toBeCloseTo(1, 6);
    expect(isolation.blinks).toBeDefined();
  });

  it('counts a load that is pulled as off, and forgets the rail when nothing holds it', () => {
    const pulled = caseOf(plasma, ...shorted, { kind: 'connector', connector: 'CN802', pulled: true });
    expect(isolationOf(pulled, posteriorOf(pulled))!.loads.find(({ connector }) => connector === 'CN802')!.pulled).toBe(
      true,
    );
    const good = caseOf(plasma, took('vs-ohms', volts(21_000)));
    expect(isolationOf(good, posteriorOf(good))).toBeUndefined();
  });

  it('is freed by the connector of the guilty board, in the behaviour as in the view', () => {
    const fault = plasma.model.sheet.faults.get('Q511.short')!;
    const freed = plasma.behaviour(fault, withConnector(liveCold, 'CN802', true));
    expect(freed.nets[plasma.model.netIndex.get('vs')!]!.ratio).toBe(0);
    expect(freed.tripped.map(({ id }) => id)).not.toContain('tension');
  });
});

describe('a deeper look', () => {
  it('offers moves the case knows, and none dearer than the best single step', () => {
    const job = caseOf(plasma, live, took('vfu-dc', volts(9.1)));
    const advice = adviseOn(job);
    const known = new Set([
      ...advice.probes.map(({ probe }) => probe.id),
      ...advice.repairs.map(({ action }) => action.id),
    ]);
    const looks = [...lookDeeper(job, () => false)];
    expect(looks.map(({ level }) => level)).toEqual([0, 1]);
    for (const { moves } of looks) expect(moves.filter(({ id }) => !known.has(id))).toEqual([]);
    expect(looks[1]!.moves[0]!.minutes).toBeLessThanOrEqual(looks[0]!.moves[0]!.minutes + 1e-6);
  });
});
