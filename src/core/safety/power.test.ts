import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { operatingPoint, readNetlist, System } from '../circuit';
import { shippedSheets } from '@/sheets';
import { type Store } from '../sheet';
import {
  anodeSteps,
  judgeStep,
  lampFor,
  learntBleed,
  type PowerPlan,
  powerSteps,
  standOf,
  toolOn,
  voltsAfter,
} from '.';

const plan: PowerPlan = {
  lamp: { watts: 150, volts: 230 },
  mains: 230,
  loadWatts: 45,
  frontEnd: 'plain',
  variable: true,
};
const steps = powerSteps(plan);
const step = (id: string) => steps.find((one) => one.id === id)!;

describe('staged power', () => {
  it('expects the peak of the mains before nothing, and none before a short', () => {
    for (const { expected, share } of steps) {
      expect(expected.idle).toBeCloseTo(Math.SQRT2 * share * 230, 6);
      expect(expected.shorted).toBe(0);
      expect(expected.healthy).toBeLessThanOrEqual(expected.idle + 1e-9);
    }
    expect(step('lamp-full').light.shorted).toBeCloseTo(1, 9);
    expect(step('lamp-low').light.shorted).toBeCloseTo(0.4 ** 3.4, 6);
  });

  it('expects behind the lamp what lamp and load settle at', () => {
    const { expected, light } = step('lamp-full');
    const across = 230 - expected.healthy / Math.SQRT2;
    const amperes = (150 / 230) * (across / 230) ** 0.57;
    expect((amperes * expected.healthy) / Math.SQRT2).toBeCloseTo(45, 1);
    expect(light.healthy).toBeLessThan(0.1);
  });

  it('agrees with the circuit solver for a load of ohms behind the same lamp', () => {
    // At its point the lamp is a resistance: the divider of the two must give the load the same volts.
    const { expected } = step('lamp-full');
    const load = expected.healthy / Math.SQRT2;
    const amperes = 45 / load;
    const system = new System(
      readNetlist(`* divider\nV1 a 0 230\nRL a b ${(230 - load) / amperes}\nR2 b 0 ${load / amperes}`),
    );
    expect(operatingPoint(system)[system.indexOf('b')!]! / load).toBeCloseTo(1, 4);
  });

  it.each([
    ['lamp-low', 130, 'healthy', true],
    ['lamp-low', 3, 'shorted', false],
    ['lamp-full', 0, 'shorted', false],
    ['lamp-full', 210, 'overload', false],
    ['lamp-full', 326, 'idle', false],
    ['lamp-full', 380, 'high', false],
    ['bare-full', 322, 'healthy', true],
    ['bare-mid', 150, 'overload', false],
  ] as const)('at %s %d V are %s', (id, volts, like, go) => {
    expect(judgeStep(plan, step(id), volts)).toMatchObject({ like, go });
  });

  it('goes on with what was agreed, whatever the lamp and the load, and stops at half of it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 200 }), fc.constantFrom(110, 230), (loadWatts, mains) => {
        const lamp = { watts: lampFor(mains, loadWatts) ?? 100, volts: mains };
        const own = { ...plan, lamp, mains, loadWatts };
        for (const one of powerSteps(own)) {
          expect(judgeStep(own, one, one.expected.healthy).go).toBe(true);
          expect(judgeStep(own, one, 0.5 * one.expected.healthy).go).toBe(false);
        }
      }),
    );
  });

  const of = (frontEnd: PowerPlan['frontEnd'], more: Partial<PowerPlan> = {}) => {
    const own: PowerPlan = { ...plan, frontEnd, ...more };
    return { own, at: (id: string) => powerSteps(own).find((one) => one.id === id)! };
  };

  it('a doubler gives twice the peak', () => {
    const { at } = of('doubler', { mains: 120 });
    expect(at('bare-full').expected.healthy / (2 * Math.SQRT2 * 120)).toBeCloseTo(1, 9);
  });

  it('a boosting front end holds its volts once it runs, and starts behind no lamp', () => {
    const { own, at } = of('boost', { reservoir: 390 });
    expect(at('bare-full').expected.healthy).toBe(390);
    expect(at('bare-mid').expected.healthy).toBe(390);
    expect(judgeStep(own, at('bare-full'), 385)).toMatchObject({ go: true });
    expect(judgeStep(own, at('bare-full'), 320)).toMatchObject({ go: false });
    expect(judgeStep(own, at('bare-full'), 430)).toMatchObject({ like: 'high' });
    expect(powerSteps(own).filter(({ lamp, starts }) => lamp && starts)).toEqual([]);
    // It passes the peak on while it does not run.
    expect(judgeStep(own, at('lamp-full'), 322)).toMatchObject({ go: true });
  });

  it('a set with a transformer comes up with the mains, and runs behind the lamp', () => {
    const { at } = of('transformer', { reservoir: 40 });
    expect(at('bare-low').expected.healthy).toBeCloseTo(16, 9);
    expect(at('bare-low').starts).toBe(true);
    expect(at('lamp-full')).toMatchObject({ starts: true });
    expect(at('lamp-full').expected.healthy).toBeLessThan(40);
  });

  it('without a variable transformer there are the steps at full mains alone', () => {
    expect(powerSteps({ ...plan, variable: false }).map(({ id }) => id)).toEqual(['lamp-full', 'bare-full']);
  });

  it('a lamp in place of a rail’s fuse lets through what rail and load leave it, and steps back for the fuse', () => {
    const rail = { title: 'B+', volts: 115, watts: 35 };
    const own: PowerPlan = { ...plan, lamp: { watts: 60, volts: 230 }, rail };
    const [lamped, bare] = powerSteps(own);
    expect(powerSteps(own)).toHaveLength(2);
    const across = 115 - lamped!.expected.healthy;
    // One current through both: the load as the resistance that takes its watts at the rail’s volts.
    expect((60 / 230) * (across / 230) ** 0.57).toBeCloseTo(lamped!.expected.healthy / (115 ** 2 / 35), 6);
    expect([lamped!.reads, bare!.expected.healthy]).toEqual(['B+', 115]);
    for (const [step, volts, like] of [
      [lamped!, lamped!.expected.healthy, 'healthy'],
      [lamped!, 2, 'shorted'],
      [lamped!, 0.6 * lamped!.expected.healthy, 'overload'],
      [lamped!, 114, 'idle'],
      [bare!, 140, 'high'],
      [bare!, 116, 'healthy'],
    ] as const)
      expect(judgeStep(own, step, volts), `${step.id} ${volts}`).toMatchObject({ like });
    expect(judgeStep(own, bare!, 140).words).toContain('what regulates it');
  });

  it('takes the smallest lamp behind which the set runs', () => {
    expect(lampFor(230, 12)!).toBeLessThan(lampFor(230, 60)!);
    expect(lampFor(230, 400)).toBeUndefined();
    const lamp = { watts: lampFor(230, 45)!, volts: 230 };
    expect(powerSteps({ ...plan, lamp })[1]!.starts).toBe(true);
  });
});

describe('the anode of a tube', () => {
  it.each([...shippedSheets().values()].map((sheet) => [sheet.id, sheet] as const))(
    'of %s has its own steps where there is one',
    (_, sheet) => {
      const steps = anodeSteps(sheet);
      expect(steps.length > 0).toBe(['crt-colour', 'crt-mono', 'projection-tubes'].includes(sheet.technology));
    },
  );
});

describe('a store of high voltage', () => {
  it('is no work for a wire-wound resistor', () => {
    const tool = { ohms: 2200, watts: 25 };
    expect(toolOn({ farads: 1.5e-9, volts: 23_000 }, tool).highVoltage).toBe(true);
    expect(toolOn({ farads: 330e-6, volts: -320 }, tool).highVoltage).toBe(false);
  });
});

describe('a store', () => {
  const store: Store = { id: 'C1', title: '', farads: 330e-6, volts: 320, bleed: 470e3, side: 'hot', place: '' };

  it('is discharged by the tool in the time of the closed form, with the energy it held', () => {
    const { seconds, joules, peak, average } = toolOn(store, { ohms: 2200, watts: 25 });
    expect(seconds).toBeCloseTo(2200 * 330e-6 * Math.log(320 / 30), 9);
    expect(peak).toBeCloseTo(46.5, 1);
    expect(average * seconds).toBeCloseTo(joules - 0.5 * 330e-6 * 900, 9);
    expect(toolOn(store, { ohms: 100, watts: 5 }).tooHot).toBe(true);
  });

  it('tells from two readings what drains it', () => {
    const after = (seconds: number) => ({
      seconds,
      volts: voltsAfter({ farads: 330e-6, volts: 300, ohms: 680e3 }, seconds),
    });
    expect(learntBleed([after(0), after(40)], 330e-6, 2200)! / 680e3).toBeCloseTo(1, 9);
    expect(learntBleed([after(0), after(1)], 330e-6, 2200)).toBeUndefined();
    expect(
      learntBleed(
        [
          { volts: 4, seconds: 0 },
          { volts: 9, seconds: 60 },
        ],
        330e-6,
        2200,
      ),
    ).toBeUndefined();
  });

  it('does not take the discharge tool for what the set itself drains a store with', () => {
    const after = (seconds: number) => ({
      seconds,
      volts: voltsAfter({ farads: 330e-6, volts: 300, ohms: 22e3 }, seconds),
    });
    expect(learntBleed([after(0), after(8)], 330e-6, 22e3)).toBeUndefined();
    expect(learntBleed([after(0), after(8)], 330e-6, 2200)! / 22e3).toBeCloseTo(1, 9);
  });

  it('lets a wire-wound tool take the energy of a reservoir in one pulse', () => {
    expect(toolOn({ farads: 330e-6, volts: 310 }, { ohms: 220, watts: 20 }).tooHot).toBe(false);
    expect(toolOn({ farads: 330e-6, volts: 310 }, { ohms: 100, watts: 5 }).tooHot).toBe(true);
  });

  const stand = (now: number, ...readings: [seconds: number, volts: number][]) =>
    standOf(
      store,
      readings.map(([seconds, volts]) => ({ seconds, volts })),
      now,
      0,
    );

  it('is predicted until it is measured, then low, recovering, and low twice', () => {
    expect(stand(0)).toEqual({ kind: 'unmeasured', volts: 320 });
    expect(stand(155.1)).toMatchObject({ kind: 'unmeasured', volts: expect.closeTo(320 / Math.E, 0) });
    expect(stand(12, [10, 140])).toEqual({ kind: 'holds', volts: 140 });
    expect(stand(30, [10, 140], [20, 4])).toEqual({ kind: 'low', volts: 4, again: 50 });
    expect(stand(95, [20, 4], [90, 41])).toEqual({ kind: 'recovered', volts: 41, from: 4 });
    expect(stand(120, [20, 4], [90, 41], [100, 3])).toMatchObject({ kind: 'low', again: 40 });
    expect(stand(170, [20, 4], [90, 41], [100, 3], [165, 6])).toEqual({ kind: 'low twice', volts: 6 });
  });
});
