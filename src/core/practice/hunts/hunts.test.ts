import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { adviseOn } from '../../diagnosis';
import { attempt, Refusal } from '../../quantity';
import { repairActions } from '../../repair';
import {
  brierOf,
  caseAfter,
  debriefOf,
  drawHunt,
  type HuntAct,
  playHunt,
  type PracticeHunt,
  type Trouble,
  troubleNames,
  sureBands,
} from '.';

const sheets = [...shippedSheets().values()];
const plasma = [shippedSheets().get('halvane-hp-42')!];
const tube = [shippedSheets().get('generic-crt-colour')!];
const live: HuntAct = { kind: 'power', to: 'live' };
const proven: HuntAct = { kind: 'power', to: 'proven' };
const cureOf = ({ predictions, fault }: PracticeHunt): HuntAct => ({
  kind: 'repair',
  action: repairActions(predictions.model.sheet).find(({ cures }) => cures.includes(fault.id))!.id,
});
const kinds = (hunt: PracticeHunt, ...acts: HuntAct[]) =>
  playHunt(hunt, acts).steps.map(({ consequences }) => consequences.map(({ kind }) => kind));

/** Plays as the planner would, from the log as it stands. */
function followed(hunt: PracticeHunt, most = 60): HuntAct[] {
  const acts: HuntAct[] = [{ kind: 'isolation', fitted: true }];
  for (let step = 0; step < most; step += 1) {
    const played = playHunt(hunt, acts);
    if (played.ended) return acts;
    const advice = adviseOn(caseAfter(hunt, played.log));
    const [probe] = advice.probes;
    if (advice.next === 'probe' && probe) {
      const { context, check } = probe.probe;
      const to = context.power === 'live' ? 'live' : 'proven';
      const moves = [
        ...played.context.unplugged.filter((id) => !context.unplugged.includes(id)).map((id) => [id, false] as const),
        ...context.unplugged.filter((id) => !played.context.unplugged.includes(id)).map((id) => [id, true] as const),
      ];
      if (moves.length > 0 && played.context.power !== 'proven') acts.push(proven);
      for (const [connector, pulled] of moves) acts.push({ kind: 'connector', connector, pulled });
      if (moves.length > 0 || played.context.power !== to) acts.push({ kind: 'power', to });
      if (context.warm && to === 'live') acts.push({ kind: 'warm' });
      acts.push({ kind: 'probe', check: check.id });
    } else {
      if (played.context.power !== 'proven') acts.push(proven);
      acts.push({ kind: 'repair', action: advice.repairs[0]!.action.id });
    }
  }
  return acts;
}

describe('a drawn hunt', () => {
  it('is the same for a seed, has something to complain of, and differs from seed to seed', () => {
    const drawnOnes = Array.from({ length: 60 }, (_, seed) => drawHunt(sheets, seed));
    expect(drawHunt(sheets, 7).fault).toBe(drawHunt(sheets, 7).fault);
    for (const { complaint } of drawnOnes)
      expect(
        complaint.symptoms.filter((one) => one !== 'normal').length + Object.keys(complaint.signs).length,
      ).toBeGreaterThan(0);
    expect(new Set(drawnOnes.map(({ fault }) => fault.id)).size).toBeGreaterThan(40);
    expect(new Set(drawnOnes.map(({ predictions }) => predictions.model.sheet.id)).size).toBe(sheets.length);
  });

  it('answers the same however often it is played, and is cured by what cures its fault', () => {
    const hunt = drawHunt(plasma, 3);
    const acts: HuntAct[] = [live, { kind: 'probe', check: 'vs-dc' }, proven, cureOf(hunt)];
    const played = playHunt(hunt, acts);
    expect(played).toEqual(playHunt(hunt, acts));
    expect(played.ended).toBe('cured');
    expect(played.harm).toBeGreaterThanOrEqual(0);
    expect(() => playHunt(hunt, [...acts, live])).toThrow('the hunt is over');
    expect(() => playHunt(hunt, [live, { kind: 'probe', check: 'nowhere' }])).toThrow('no point "nowhere"');
    expect(() => playHunt(hunt, [live, { kind: 'lamp', fitted: true }])).toThrow('the plug is in');
  });
});

describe('any acts in any order', () => {
  const hunts = [3, 8, 13, 21].map((seed) => drawHunt(sheets, seed));
  const act = (hunt: PracticeHunt): fc.Arbitrary<HuntAct> =>
    fc.oneof(
      fc
        .constantFrom('live' as const, 'unplugged' as const, 'proven' as const)
        .map((to) => ({ kind: 'power' as const, to })),
      fc.boolean().map((fitted) => ({ kind: 'isolation' as const, fitted })),
      fc.boolean().map((fitted) => ({ kind: 'lamp' as const, fitted })),
      fc.constant({ kind: 'warm' as const }),
      fc
        .tuple(fc.constantFrom(...hunt.predictions.model.sheet.connectors.keys()), fc.boolean())
        .map(([connector, pulled]) => ({ kind: 'connector' as const, connector, pulled })),
      fc
        .tuple(fc.constantFrom(...hunt.predictions.model.sheet.parts.keys()), fc.boolean())
        .map(([part, lifted]) => ({ kind: 'leg' as const, part, lifted })),
      fc.constantFrom(...hunt.predictions.checks.keys()).map((check) => ({ kind: 'probe' as const, check })),
      fc
        .constantFrom(...repairActions(hunt.predictions.model.sheet))
        .map(({ id }) => ({ kind: 'repair' as const, action: id })),
    );
  // Hunts by their place, so that a counterexample can be read.
  const played = fc
    .nat(hunts.length - 1)
    .chain((place) => fc.tuple(fc.constant(place), fc.array(act(hunts[place]!), { maxLength: 14 })));

  it('are refused in words or played; what was played stays as it was, and time only runs on', () => {
    fc.assert(
      fc.property(played, ([place, acts]) => {
        const hunt = hunts[place]!;
        const whole = attempt(() => playHunt(hunt, acts));
        if (whole instanceof Refusal) {
          expect(whole.message.length).toBeGreaterThan(8);
          return;
        }
        let before = 0;
        for (let count = 0; count <= acts.length; count += 1) {
          const part = playHunt(hunt, acts.slice(0, count));
          expect(part.steps).toEqual(whole.steps.slice(0, count));
          expect(part.minutes + part.harm).toBeGreaterThanOrEqual(before);
          before = part.minutes + part.harm;
        }
        // Nothing is read under power that is read cold, nor the other way round.
        for (const { read } of whole.steps)
          if (read) expect(read.context.power === 'live').toBe(read.check.state === 'live');
        const repaired = whole.steps.some(({ repair }) => repair?.cured);
        expect(whole.ended).toBe(repaired ? 'cured' : undefined);
      }),
      { numRuns: 150 },
    );
  });
});

describe('a set that is not as its sheet says', () => {
  const drawnOnes = (trouble: Trouble, sheet = tube) => [1, 2, 3, 4].map((seed) => drawHunt(sheet, seed, trouble));
  const renewing = ({ predictions }: PracticeHunt, id: string): HuntAct => ({
    kind: 'repair',
    action: repairActions(predictions.model.sheet).find(({ cures }) => cures.includes(id))!.id,
  });
  const off: HuntAct = { kind: 'power', to: 'unplugged' };
  const picture: HuntAct = { kind: 'probe', check: 'picture' };

  it.each(troubleNames)('%s: comes to the same each time, and the debrief accounts for all it took', (trouble) => {
    const [hunt] = drawnOnes(trouble, plasma);
    const acts = [...followed(hunt!, 12)];
    const played = playHunt(hunt!, acts);
    expect(playHunt(drawHunt(plasma, 1, trouble), acts).log).toEqual(played.log);
    const { decisions, expected, left, planner } = debriefOf(hunt!, played);
    const accounted = decisions.reduce((sum, { loss, luck, slips }) => sum + loss + luck + slips, 0);
    expect(accounted).toBeCloseTo(played.minutes + played.harm + left - expected, 6);
    expect(planner.steps.length).toBeGreaterThan(0);
  });

  it.each(['several', 'meddled'] as const)('%s: is right only when all that is wrong has been put right', (trouble) => {
    for (const hunt of drawnOnes(trouble)) {
      expect(hunt.faults.length).toBeGreaterThan(1);
      expect(new Set(hunt.faults.map(({ part }) => part)).size).toBe(hunt.faults.length);
      const acts: HuntAct[] = [];
      for (const { id } of hunt.faults) {
        acts.push(proven, renewing(hunt, id));
        const { steps, ended } = playHunt(hunt, acts);
        expect(steps.at(-1)!.repair!.helped).toBe(true);
        if (ended) break;
      }
      expect(playHunt(hunt, acts.slice(0, 2)).ended).toBeUndefined();
      expect(playHunt(hunt, acts).ended).toBe('cured');
    }
  });

  it('an earlier hand has turned, loosened or left out what it touched', () => {
    for (const { faults } of drawnOnes('meddled'))
      expect(['misset', 'loose', 'missing']).toContain(faults[faults.length - 1]!.mode);
  });

  it('what is on no sheet is on none, and is found by going through its block', () => {
    const cured = drawnOnes('unlisted').map((hunt) => {
      const { sheet } = hunt.predictions.model;
      expect(sheet.faults.has(hunt.fault.id)).toBe(false);
      const block = sheet.parts.get(hunt.fault.part)!.block;
      const search: HuntAct = { kind: 'repair', action: `trace:${block}` };
      return playHunt(hunt, [proven, search]).ended ?? playHunt(hunt, [proven, search, proven, search]).ended;
    });
    expect(cured.filter((ended) => ended === 'cured').length).toBeGreaterThan(2);
  });

  it('what comes and goes is drawn anew with each switching on, and stays while the set is on', () => {
    for (const hunt of drawnOnes('intermittent')) {
      const acts = Array.from({ length: 12 }, () => [live, picture, picture, off]).flat();
      const seen = playHunt(hunt, acts).steps.flatMap(({ read }) =>
        read?.answer.kind === 'picture' ? [read.answer.symptoms.join()] : [],
      );
      expect(new Set(seen).size).toBe(2);
      seen.forEach((one, place) => place % 2 === 1 && expect(one).toBe(seen[place - 1]));
    }
  });
});

describe('what is done wrongly', () => {
  const hunt = drawHunt(plasma, 3);
  const { checks } = hunt.predictions;
  const cold = [...checks.values()].find(({ state }) => state === 'cold')!;
  const probe = (check: string): HuntAct => ({ kind: 'probe', check });

  it('tells nothing with the plug out', () => {
    expect(kinds(hunt, probe('vs-dc'))).toEqual([['nothing told']]);
    expect(playHunt(hunt, [probe('vs-dc')]).log).toEqual([]);
  });

  it('blows the meter where ohms are read under power', () => {
    const slipped = playHunt(hunt, [live, probe(cold.id)]);
    expect(slipped.steps[1]!.consequences[0]).toMatchObject({ kind: 'live', minutes: 15 });
    expect(slipped.log).toHaveLength(1);
  });

  it('empties a store through the meter or the hand where nobody measured it', () => {
    expect(kinds(hunt, live, { kind: 'power', to: 'unplugged' }, probe(cold.id))[2]).toEqual(['charged']);
    expect(kinds(hunt, live, { kind: 'power', to: 'unplugged' }, cureOf(hunt))[2]).toEqual(['charged']);
    expect(kinds(hunt, live, proven, probe(cold.id))[2]).toEqual([]);
  });

  it('is nothing where one only looks, with the plug out; under power it is face and hands', () => {
    const look = [...checks.values()].find(({ measure }) => measure === 'look')!;
    expect(kinds(hunt, probe(look.id))).toEqual([[]]);
    expect(playHunt(hunt, [live, probe(look.id)]).steps[1]!.consequences).toMatchObject([
      { kind: 'live', minutes: 40 },
    ]);
  });

  it('is a hand across live rails where a part is changed under power', () => {
    const slipped = playHunt(hunt, [live, cureOf(hunt)]);
    expect(slipped.steps[1]!.consequences[0]).toMatchObject({ kind: 'live', minutes: 40 });
    expect(slipped.ended).toBeUndefined();
  });

  it('is a plug that arcs where it is moved under power, a charged store where a leg is lifted too soon', () => {
    const connector = [...hunt.predictions.model.sheet.connectors.keys()][0]!;
    const part = [...hunt.predictions.model.sheet.parts.keys()][0]!;
    const pull: HuntAct = { kind: 'connector', connector, pulled: true };
    const [, moved] = playHunt(hunt, [live, pull]).steps;
    expect(moved!.consequences).toMatchObject([
      { kind: 'live', words: expect.stringMatching(/^A plug moved under power/) as string },
    ]);
    expect(playHunt(hunt, [live, pull]).context.unplugged).toEqual([]);
    const out: HuntAct = { kind: 'power', to: 'unplugged' };
    expect(kinds(hunt, live, out, { kind: 'leg', part, lifted: true })[2]).toEqual(['charged']);
    const apart = playHunt(hunt, [live, proven, pull, { kind: 'leg', part, lifted: true }, live]);
    expect(apart.context).toMatchObject({ power: 'live', unplugged: [connector], lifted: [part] });
    expect(apart.steps[2]!.minutes).toBeGreaterThan(0);
    expect(() => playHunt(hunt, [proven, { kind: 'connector', connector: 'CN0', pulled: true }])).toThrow(
      'no connector "CN0"',
    );
    expect(() => playHunt(hunt, [proven, { kind: 'leg', part: 'R0', lifted: true }])).toThrow('no part "R0"');
    expect(() => playHunt(hunt, [{ kind: 'warm' }])).toThrow('power first');
    expect(playHunt(hunt, [live, { kind: 'warm' }]).context.warm).toBe(true);
    // A repair puts all of it back before it is looked at.
    const mended = playHunt(hunt, [live, proven, pull, cureOf(hunt)]);
    expect(mended.ended).toBe('cured');
    expect(mended.context.unplugged).toEqual([]);
    expect(mended.minutes).toBeGreaterThan(playHunt(hunt, [live, proven, cureOf(hunt)]).minutes);
  });

  it('is the mains side shorted by an earthed sampler without the transformer', () => {
    const hunts = Array.from({ length: 40 }, (_, seed) => drawHunt(sheets, seed));
    const met = hunts.flatMap((one) =>
      [...one.predictions.checks.values()]
        .filter(({ measure, ground, state }) => measure === 'ripple' && ground === 'hot' && state === 'live')
        .map(({ id }) => [one, id] as const),
    )[0]!;
    expect(kinds(met[0], live, probe(met[1]))[1]).toContain('earthed');
    expect(kinds(met[0], { kind: 'isolation', fitted: true }, live, probe(met[1]))[2]).not.toContain('earthed');
  });

  it('burns what a standing spot or line burns, longer the longer it stays on', () => {
    const lines = Array.from({ length: 400 }, (_, seed) => drawHunt(tube, seed)).find(({ complaint }) =>
      complaint.symptoms.includes('horizontal_line'),
    )!;
    const once = playHunt(lines, [live]);
    const longer = playHunt(lines, [live, probe('picture')]);
    expect(once.steps[0]!.consequences.map(({ kind }) => kind)).toContain('burn');
    expect(longer.harm).toBeGreaterThan(once.harm);
  });
});

describe('the debrief', () => {
  const hunts = [2, 5, 11].map((seed) => drawHunt(tube, seed));
  const careless = (hunt: PracticeHunt): HuntAct[] => [
    { kind: 'probe', check: 'picture' },
    live,
    { kind: 'probe', check: 'picture' },
    ...[...hunt.predictions.checks.values()]
      .filter(({ state }) => state === 'live')
      .slice(0, 3)
      .map(({ id }): HuntAct => ({ kind: 'probe', check: id })),
    proven,
    { kind: 'repair', action: repairActions(hunt.predictions.model.sheet)[0]!.id },
    { kind: 'give up' },
  ];

  it.each([
    ['as the planner would', followed],
    ['carelessly', careless],
  ])(
    'accounts for all it took, played %s: losses, luck and slips are what it took beyond what was expected',
    (_, way) => {
      for (const hunt of hunts) {
        const played = playHunt(hunt, way(hunt));
        const { decisions, expected, left } = debriefOf(hunt, played);
        const accounted = decisions.reduce((sum, { loss, luck, slips }) => sum + loss + luck + slips, 0);
        expect(accounted).toBeCloseTo(played.minutes + played.harm + left - expected, 6);
        for (const { loss } of decisions) expect(loss).toBeGreaterThanOrEqual(0);
      }
    },
  );

  it('holds each suspect that was named beside what could be known then, and its sureness beside what was so', () => {
    for (const hunt of hunts) {
      const { part } = hunt.fault;
      const other = [...hunt.predictions.model.sheet.parts.keys()].find((id) => id !== part)!;
      const way = followed(hunt);
      const named = (one: string, sure: number): HuntAct => ({ kind: 'suspect', part: one, sure });
      const acts = [named(part, 0.3), ...way.slice(0, -1), named(part, 0.9), named(other, 0.2), ...way.slice(-1)];
      const played = playHunt(hunt, acts);
      const plain = playHunt(hunt, way);
      // To say what one suspects takes no time and changes nothing.
      expect({ ...played, steps: played.steps.length }).toEqual({ ...plain, steps: plain.steps.length + 3 });
      const { statements, decisions, expected, left } = debriefOf(hunt, played);
      const accounted = decisions.reduce((sum, { loss, luck, slips }) => sum + loss + luck + slips, 0);
      expect(accounted).toBeCloseTo(played.minutes + played.harm + left - expected, 6);
      expect(statements.map((one) => [one.part, one.sure, one.right])).toEqual([
        [part, 0.3, true],
        [part, 0.9, true],
        [other, 0.2, false],
      ]);
      const first = adviseOn(caseAfter(hunt, [])).posterior.suspects.filter(({ fault }) => fault.part === part);
      expect(statements[0]!.stood).toBeCloseTo(
        first.reduce((sum, { probability }) => sum + probability, 0),
        9,
      );
      expect(statements[1]!.stood).toBeGreaterThan(statements[2]!.stood);
      expect(brierOf(statements)).toBeCloseTo((0.49 + 0.01 + 0.04) / 3, 9);
    }
    expect(() => playHunt(hunts[0]!, [{ kind: 'suspect', part: 'nothing', sure: 0.5 }])).toThrow('no part "nothing"');
    const [one] = hunts;
    expect(() => playHunt(one!, [{ kind: 'suspect', part: one!.fault.part, sure: 1 }])).toThrow('less than 100 %');
  });

  it('finds little to better in the planner’s way, and much in a careless one, and says what', () => {
    const lost = (way: (hunt: PracticeHunt) => HuntAct[]) =>
      hunts.map((hunt) =>
        debriefOf(hunt, playHunt(hunt, way(hunt))).decisions.reduce((sum, { loss, slips }) => sum + loss + slips, 0),
      );
    const [best, careless_] = [lost(followed), lost(careless)];
    best.forEach((one, place) => expect(one).toBeLessThan(careless_[place]!));
    const told = debriefOf(hunts[0]!, playHunt(hunts[0]!, careless(hunts[0]!)));
    expect(told.decisions.some(({ better }) => better !== undefined)).toBe(true);
    expect(told.planner.steps.length).toBeGreaterThan(1);
    expect(told.planner.steps.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(
      told.planner.minutes + 1e-6,
    );
  });

  it('can be solved: whoever follows the planner cures each drawn set', () => {
    for (const seed of [21, 22, 23, 24, 25, 26]) {
      const hunt = drawHunt(sheets, seed);
      const played = playHunt(hunt, followed(hunt));
      expect(played.ended).toBe('cured');
    }
  });
});

describe('how sure somebody is', () => {
  const said = (sure: number, right: number, times: number) =>
    Array.from({ length: times }, (_, i) => ({ sure, right: i < right }));

  it('is held against how often that was right, and called off only where chance does not do it', () => {
    expect(sureBands([])).toEqual([]);
    const [half, most] = sureBands([...said(0.4, 2, 5), ...said(0.95, 10, 20)]);
    expect(half).toMatchObject({ count: 5, right: 0.4, off: undefined });
    expect(most).toMatchObject({ count: 20, right: 0.5, off: 'too sure' });
    expect(sureBands(said(0.4, 19, 20))[0]!.off).toBe('right more often');
    expect(sureBands(said(0.8, 1, 2))[0]!.off).toBeUndefined();
  });
});
