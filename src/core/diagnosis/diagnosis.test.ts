import { benchMinutes, draftNote, stepOf } from '../job';
import { type LogBody, type LogEntry, replay } from '../log';
import { type Answer } from '../measure';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { type Fault, isListed, openSheet } from '../sheet';
import { compileSheet, type Context, liveCold, Predictions } from '../behaviour';
import {
  adviseOn,
  type Case,
  changeCost,
  evidenceIn,
  indistinguishable,
  leadOf,
  likelihood,
  posteriorOf,
  priorOf,
  reasonsFrom,
  tilesOf,
  transition,
  verificationOf,
  verified,
} from '.';
import { fadingShare } from './belief/fadingShare';

const plasma = new Predictions(compileSheet(openSheet(shippedSheets().get('halvane-hp-42')!)));
const tube = new Predictions(compileSheet(openSheet(shippedSheets().get('pellisar-tc-14')!)));
const number = (value: number): Answer => ({ kind: 'number', value, shape: 'settled' });

/** A case from bodies, recorded a minute apart. */
function caseWith(
  predictions: Predictions,
  bodies: readonly LogBody[],
  more: Partial<Case> = {},
): Case & { log: LogEntry[] } {
  const log = bodies.map((body, index): LogEntry => ({
    id: `e${index}`,
    at: new Date(index * 60_000).toISOString(),
    body,
  }));
  const bench = replay(log, [...predictions.model.sheet.stores.keys()]);
  return {
    predictions,
    complaint: { symptoms: [], signs: {} },
    bench,
    closed: new Map(),
    hourlyRate: 18,
    log,
    ...more,
  };
}
const live: LogBody = { kind: 'power', power: 'live' };
const off: LogBody = { kind: 'power', power: 'unplugged' };
const took = (check: string, answer: Answer): LogBody => ({ kind: 'reading', check, answer, text: '' });
const fitted = (part: string, cures: string[]): LogBody => ({
  kind: 'repair',
  action: `replace:${part}`,
  title: `Fit a new ${part}`,
  cures,
  money: 1,
  minutes: 10,
  note: '',
});
const upperDark = { symptoms: ['upper_dark' as const], signs: {} };
const leader = (job: Case) => posteriorOf(job).suspects[0]!;
const probabilityOf = (job: Case, id: string) =>
  posteriorOf(job).suspects.find(({ fault }) => fault.id === id)!.probability;

describe('the prior', () => {
  it('sums to one and gives way to the shop’s own closed jobs', () => {
    const { sheet } = plasma.model;
    const sum = (prior: ReadonlyMap<string, number>) => [...prior.values()].reduce((all, one) => all + one, 0);
    expect(sum(priorOf(sheet))).toBeCloseTo(1);
    const before = priorOf(sheet).get('GND6.loose')!;
    const after = priorOf(sheet, new Map([['GND6.loose', 30]]));
    expect(after.get('GND6.loose')!).toBeGreaterThan(0.5);
    expect(after.get('GND6.loose')!).toBeGreaterThan(10 * before);
    expect(sum(after)).toBeCloseTo(1);
  });
});

describe('likelihood', () => {
  const check = plasma.checks.get('vs-dc')!;
  const standard = plasma.standard(check, liveCold);
  const good = plasma.expectation(undefined, check, liveCold);

  it('is highest where the reading is expected and never nought', () => {
    const at = (value: number) => likelihood(number(value), good, standard);
    expect(at(187)).toBeGreaterThan(at(185));
    expect(at(185)).toBeGreaterThan(at(120));
    expect(at(3)).toBeGreaterThan(0);
  });

  it('is a density: over the span of readings it comes to one', () => {
    let sum = 0;
    for (let value = -47; value < 421.5; value += 0.05) sum += likelihood(number(value), good, standard) * 0.05;
    expect(sum).toBeGreaterThan(0.98);
    expect(sum).toBeLessThan(1.02);
  });
});

describe('the posterior', () => {
  it('agrees with Bayes worked by hand', () => {
    const answer = number(9.2);
    const job = caseWith(plasma, [live, took('vfu-dc', answer)]);
    const check = plasma.checks.get('vfu-dc')!;
    const context: Context = { ...liveCold };
    const prior = priorOf(plasma.model.sheet);
    const fits = (fault: Fault | undefined) =>
      likelihood(answer, plasma.expectation(fault, check, context), plasma.standard(check, context));
    // A fault with all its degrees.
    const joint = new Map<string, number>();
    for (const fault of plasma.model.sheet.faults.values()) {
      const { id, degreeOf = id } = fault;
      // What comes and goes is there in 65 of 100 episodes.
      const comesAndGoes = 0.65 * fits(fault) + 0.35 * fits(undefined);
      const share = fadingShare(fault);
      const own = prior.get(id)! * ((1 - share) * fits(fault) + share * comesAndGoes);
      joint.set(degreeOf, (joint.get(degreeOf) ?? 0) + own);
    }
    const total = [...joint.values()].reduce((sum, one) => sum + one, 0);
    const { hypotheses, suspects } = posteriorOf(job);
    expect(hypotheses.every(({ faults }) => faults.length === 1)).toBe(true);
    for (const { fault, probability } of suspects) expect(probability).toBeCloseTo(joint.get(fault.id)! / total, 9);
  });

  it('does not let one outlier kill the truth', () => {
    const readings = [took('vfu-dc', number(9.1)), took('C547-esr', number(2.9))];
    const right = caseWith(plasma, [live, ...readings], { complaint: upperDark });
    const misread = caseWith(plasma, [live, took('vfu-dc', number(15)), readings[1]!], { complaint: upperDark });
    expect(leader(right).fault.id).toBe('C547.dry');
    expect(probabilityOf(misread, 'C547.dry')).toBeGreaterThan(0.3);
  });

  it('judges each reading in its own context', () => {
    const isolated = caseWith(plasma, [
      off,
      took('vs-ohms', number(0.6)),
      { kind: 'connector', connector: 'CN802', pulled: true },
      took('vs-ohms', number(20500)),
    ]);
    const { sheet } = plasma.model;
    const onScan = posteriorOf(isolated)
      .suspects.filter(({ fault }) => sheet.parts.get(fault.part)!.board === 'scan')
      .reduce((sum, { probability }) => sum + probability, 0);
    expect(onScan).toBeGreaterThan(0.85);
  });

  it('tells a cured fault from one that the repair did not reach', () => {
    const before = [live, took('vfu-dc', number(9.1))];
    const after = (value: number) =>
      caseWith(plasma, [...before, fitted('C547', ['C547.dry']), took('vfu-dc', number(value))], {
        complaint: upperDark,
      });
    expect(probabilityOf(after(15), 'C547.dry')).toBeGreaterThan(0.9);
    // What is left is the chance that the new capacitor, or its joint, is bad.
    expect(probabilityOf(after(9.1), 'C547.dry')).toBeLessThan(0.25);
  });

  it('says which readings raised and lowered a suspect, and by how much', () => {
    const job = caseWith(plasma, [live, took('vfu-dc', number(9.1)), took('vs-dc', number(187))], {
      complaint: upperDark,
    });
    const evidence = evidenceIn(posteriorOf(job))('C547.dry');
    expect(evidence[0]!.observation.check.id === 'vfu-dc' || evidence[0]!.observation.check.id === 'picture').toBe(
      true,
    );
    expect(
      reasonsFrom(plasma, evidence).some(({ raises, text }) => raises && text.includes('9.1 V, a good set gives 15 V')),
    ).toBe(true);
    const against = evidenceIn(posteriorOf(job))('Q511.short');
    expect(against[0]!.bits).toBeLessThan(-3);
  });
});

describe('advice', () => {
  it('asks what splits the suspects and never twice in the same circumstances', () => {
    const first = adviseOn(caseWith(plasma, [live], { complaint: upperDark }));
    expect(first.next).toBe('probe');
    const [{ probe: asked }] = first.probes as [(typeof first.probes)[number]];
    const as = asked.context.power === 'live' ? [live] : [live, off];
    const second = adviseOn(caseWith(plasma, [...as, took(asked.check.id, number(9.1))], { complaint: upperDark }));
    expect(second.probes.map(({ probe }) => probe.id)).not.toContain(asked.id);
  });

  it('leaves out what cannot be reached', () => {
    const first = adviseOn(caseWith(plasma, [live], { complaint: upperDark })).probes[0]!.probe.check.id;
    const without = adviseOn(caseWith(plasma, [live, { kind: 'unreachable', check: first }], { complaint: upperDark }));
    expect(without.probes.every(({ probe }) => probe.check.id !== first)).toBe(true);
  });

  it('counts the change of power state into a probe', () => {
    const cold = adviseOn(caseWith(plasma, [live], { complaint: upperDark })).probes.find(
      ({ probe }) => probe.check.id === 'C547-esr',
    )!;
    expect(cold.changing).toBeGreaterThanOrEqual(4);
    expect(changeCost(plasma.model.sheet, liveCold, { ...liveCold, unplugged: ['CN802'] })).toBeCloseTo(4 + 1 + 1.5);
  });

  it('offers to pull connectors once a supply is being taken down', () => {
    const tripping = { symptoms: ['brief' as const], signs: { buzz: 'brief' as const } };
    const isolating = adviseOn(caseWith(plasma, [live], { complaint: tripping })).probes.filter(
      ({ probe }) => probe.isolates,
    );
    expect(isolating.length).toBeGreaterThan(0);
    // Nobody has looked at it yet.
    const fresh = adviseOn(caseWith(plasma, [], { complaint: tripping })).probes;
    expect(fresh.filter(({ probe }) => probe.isolates)).toEqual([]);
    expect(
      adviseOn(caseWith(plasma, [live], { complaint: upperDark })).probes.filter(({ probe }) => probe.isolates),
    ).toEqual([]);
  });

  it('acts when no probe is worth its minutes, with the chance of the cure', () => {
    const sure = adviseOn(
      caseWith(plasma, [live, took('vfu-dc', number(9)), off, took('C547-esr', number(3))], { complaint: upperDark }),
    );
    expect(sure.next).toBe('act');
    expect(sure.repairs[0]!.action.id).toBe('replace:C547');
    expect(sure.repairs[0]!.chance).toBeGreaterThan(0.95);
  });

  it('asks for verification after a repair that likely cured it', () => {
    const done = adviseOn(
      caseWith(plasma, [live, took('vfu-dc', number(9)), fitted('C547', ['C547.dry'])], { complaint: upperDark }),
    );
    expect(done.next).toBe('verify');
  });
});

describe('steps between contexts', () => {
  it('never moves a connector or measures cold before the stores are proven', () => {
    const steps = transition(plasma.model.sheet, liveCold, { ...liveCold, unplugged: ['CN802'] }, () => 2).map(
      ({ kind }) => kind,
    );
    expect(steps).toEqual(['power', 'store', 'store', 'store', 'store', 'connector', 'power']);
    expect(transition(plasma.model.sheet, liveCold, liveCold, () => 2)).toEqual([]);
  });
});

describe('verification and closing', () => {
  const story = [
    live,
    took('vs-dc', number(187)),
    took('vfu-dc', number(9.1)),
    off,
    took('C547-esr', number(3)),
    fitted('C547', ['C547.dry']),
    live,
  ];

  it('asks again for what was wrong, but not for the part that is gone', () => {
    const open = verificationOf(caseWith(plasma, story));
    expect(open.map(({ check }) => check)).toEqual(['vfu-dc']);
    expect(verified(open)).toBe(false);
    const done = caseWith(plasma, [...story, took('vfu-dc', number(15.1))]);
    expect(verified(verificationOf(done))).toBe(true);
    const still = caseWith(plasma, [...story, took('vfu-dc', number(9))]);
    expect(verified(verificationOf(still))).toBe(false);
  });

  it('writes the note from the record', () => {
    const job = caseWith(plasma, [...story, took('vfu-dc', number(15.1))], { complaint: upperDark });
    const note = draftNote(
      job,
      job.log.map(({ at }) => at),
    );
    expect(note).toMatchObject({ symptom: 'Upper half dark', fault: 'C547.dry', cure: 'Fit a new C547', money: 1 });
    expect(note.proof).toContain('Floating 15 V upper 9.1 V before, 15.1 V after');
    expect(note.parts).toBe('C547 100u 35V');
    expect(note.accepted).toBe('');
    const shows = took('picture', { kind: 'picture', symptoms: ['normal'] });
    const left = draftNote(
      caseWith(plasma, [...story, took('vfu-dc', number(9)), shows], { complaint: upperDark }),
      [],
    );
    expect(left.accepted).toMatch(/^Floating 15 V upper 9 V, should be 15 V/);
  });

  it('says what misled only where it led: a repair in vain, and a strong suspect with what turned it', () => {
    const noted = (bodies: readonly LogBody[]) =>
      draftNote(caseWith(plasma, bodies, { complaint: upperDark }), []).misled;
    const inVain = noted([...story.slice(0, -2), fitted('C551', ['C551.dry']), ...story.slice(-2)]);
    expect(inVain).toContain('did not cure it');
    // The owner's words make C547 the first suspect, which it was; of nothing but a dark half nobody else leads.
    expect(noted([...story, took('vfu-dc', number(15.1))])).toBe('');
    const elsewhere = noted([took('vfu-buf-dc', number(15)), live, fitted('IC751', ['IC751.dead'])]);
    expect(elsewhere).toMatch(/^At first it pointed at .+ \(\d\d %\)/);
  });

  it('counts bench minutes without the pauses', () => {
    const instants = ['2026-11-24T10:00:00Z', '2026-11-24T10:05:00Z', '2026-11-25T09:00:00Z', '2026-11-25T09:02:00Z'];
    expect(benchMinutes(caseWith(plasma, []), instants)).toBe(7);
  });

  it.each([
    [[], 'taken in'],
    [[live], 'first look'],
    [story.slice(0, 3), 'measuring'],
    [story, 'repaired'],
  ] as const)('knows where a job stands', (bodies, step) => {
    expect(stepOf({ bench: caseWith(plasma, bodies).bench, verified: false, soaking: false, closed: false })).toBe(
      step,
    );
  });
});

describe('faults that no test tells apart', () => {
  it.each([
    ['plasma', plasma],
    ['tube', tube],
  ])('are few among the listed ones of a %s set, and each is in its own group', (_, predictions) => {
    const { faults } = predictions.model.sheet;
    const groups = [...indistinguishable(predictions)].filter(([id]) => isListed(faults.get(id)!));
    expect(groups.every(([id, group]) => group.has(id))).toBe(true);
    const several = groups.filter(([, group]) => [...group].filter((id) => isListed(faults.get(id)!)).length > 1);
    expect(several.length / groups.length).toBeLessThan(0.12);
  });

  it('take in something else that does the same, where the part itself cannot be measured', () => {
    const groups = indistinguishable(
      new Predictions(compileSheet(openSheet(shippedSheets().get('generic-crt-mono')!))),
    );
    expect(groups.get('SMPS-IC.dead')).toContain('supply?.dead-0');
    expect([...groups.get('FUSE.open')!]).toEqual(['FUSE.open']);
  });

  it('are told as one', () => {
    const { sheet } = tube.model;
    const [chip, load] = ['IC501.dead', 'R201.open'].map((id) => sheet.faults.get(id)!) as [Fault, Fault];
    const [like] = [...sheet.faults.values()].filter(({ mode }) => mode === 'unlisted') as [Fault];
    const suspects = [
      { fault: load, prior: 0.1, probability: 0.4, cured: false },
      { fault: chip, prior: 0.1, probability: 0.3, cured: false },
      { fault: like, prior: 0.1, probability: 0.25, cured: false },
    ];
    const posterior = { suspects, hypotheses: [], weights: new Float64Array(), logs: [], observations: [] };
    expect(leadOf(posterior, sheet)).toEqual({ stated: 0.4, faults: new Set([load.id]) });
    const group = new Set([chip.id, like.id]);
    expect(leadOf(posterior, sheet, new Map([[chip.id, group]]))).toEqual({ stated: 0.55, faults: group });
  });
});

describe('tiles', () => {
  it('draw what the faults of the sheet look like, and the same look once', () => {
    const tiles = tilesOf(tube);
    expect(new Set(tiles.map(({ id }) => id)).size).toBe(tiles.length);
    expect(tiles.map(({ title }) => title)).toEqual(
      expect.arrayContaining(['Flooded green', 'Soft all over', 'One upright line']),
    );
  });
});
