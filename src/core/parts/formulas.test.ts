import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { operatingPoint, readNetlist, System, transient } from '../circuit';
import {
  changeRetrace,
  nearestPair,
  nextCanCapacitor,
  ntcOhms,
  parallelBank,
  boostedRipple,
  reservoirFor,
  reservoirRipple,
  resonance,
  retrace,
  seriesBank,
} from '.';

describe('the line output', () => {
  const stage = { supply: 112, inductance: 0.9e-3, capacitance: 11e-9, line: 15_625 };

  it('rises and returns as the circuit solver has it', () => {
    const { seconds, peak } = retrace(stage);
    const scan = 1 / stage.line - seconds;
    // The coil with the current it has at the end of the scan, let go.
    const amperes = (stage.supply * scan) / (2 * stage.inductance);
    const system = new System(
      readNetlist(`* retrace
VB vb 0 ${stage.supply}
L1 vb col ${stage.inductance}
C1 col 0 ${stage.capacitance} IC=0
IL vb col PWL(0 ${amperes} 1 ${amperes})
R1 col vb 1meg`),
    );
    // A coil with its first current is a coil beside a source of that current.
    const run = transient(system, { kind: 'tran', step: 1e-8, stop: 2 * seconds, start: 0, most: 2e-8, given: true }, [
      'col',
    ]);
    expect(Math.max(...run.volts.get('col')!) / peak).toBeCloseTo(1, 2);
    const top = run.seconds[run.volts.get('col')!.indexOf(Math.max(...run.volts.get('col')!))]!;
    // The peak comes half a retrace after the start, and a little more for the supply it swings about.
    expect(top / (seconds / 2)).toBeGreaterThan(0.95);
    expect(top / (seconds / 2)).toBeLessThan(1.12);
  });

  it('gives more high voltage with less capacitance, less with more, and no answer with none', () => {
    const lost = changeRetrace(stage, -4e-9);
    expect(lost.eht).toBeGreaterThan(1.15);
    expect(lost.after.seconds).toBeCloseTo(lost.before.seconds * Math.sqrt(7 / 11), 9);
    expect(lost.width).toBeLessThan(1);
    const more = changeRetrace(stage, 3e-9);
    expect(more.eht).toBeLessThan(1);
    expect(more.width).toBeGreaterThan(0.98);
    expect(() => changeRetrace(stage, -11e-9)).toThrow(/no retrace capacitor/);
    expect(() => retrace({ ...stage, capacitance: 1e-6 })).toThrow(/whole line/);
  });
});

describe('banks of resistors', () => {
  const values = fc.array(fc.double({ min: 0.1, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 8 });

  it('share all the watts, and stand as the solver has them', () => {
    fc.assert(
      fc.property(values, (ohms) => {
        const side = parallelBank(ohms);
        const chain = seriesBank(ohms);
        for (const bank of [side, chain]) expect(bank.shares.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
        const system = new System(
          readNetlist(['* bank', 'I1 0 a 1', ...ohms.map((one, index) => `R${index} a 0 ${one}`)].join('\n')),
        );
        expect(side.ohms / operatingPoint(system)[system.indexOf('a')!]!).toBeCloseTo(1, 6);
        side.withOneOpen.forEach((open) => expect(open).toBeGreaterThan(side.ohms));
      }),
    );
  });
});

describe('the nearest pair', () => {
  it('comes nearer than any single value, within a hundredth in E24', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1e6, noNaN: true }), (wanted) => {
        const { how, values, together } = nearestPair(wanted, 'E24');
        const [one, other] = values;
        expect(together).toBeCloseTo(how === 'series' ? one + other : (one * other) / (one + other), 6);
        expect(Math.abs(together / wanted - 1)).toBeLessThan(0.01);
      }),
    );
  });
});

describe('reservoirs, cans and thermistors', () => {
  it('give the ripple a size was reckoned for', () => {
    const load = { amperes: 1.5, charges: 100 };
    expect(reservoirRipple(load, 4700e-6)).toBeCloseTo(3.19, 2);
    expect(reservoirRipple(load, reservoirFor(load, 2))).toBeCloseTo(2, 9);
    // Summed step by step: a capacitor that is given P(1 − cos 2ωt)/V and gives P/V.
    const [boosted, farads] = [{ watts: 300, volts: 385, mains: 50 }, 330e-6];
    const steps = 20_000;
    let [volts, least, most] = [0, 0, 0];
    for (let step = 0; step < steps; step += 1) {
      const phase = (2 * Math.PI * (step + 0.5)) / steps;
      volts -= ((boosted.watts / boosted.volts) * Math.cos(2 * phase)) / (farads * boosted.mains * steps);
      [least, most] = [Math.min(least, volts), Math.max(most, volts)];
    }
    expect(boostedRipple(boosted, farads)).toBeCloseTo(most - least, 4);
  });

  it('tune by 1/(2π√(LC)), and find the capacitor that brings the slug to its middle', () => {
    expect(resonance(0.65e-6, 33e-12) / 1e6).toBeCloseTo(34.36, 1);
    // A can whose inductance grows by a twelfth a turn, tuned to 38.9 MHz.
    const inductance = (turns: number) => 0.5e-6 * (13 / 12) ** turns;
    const tunes = (turns: number) => 1 / ((2 * Math.PI * 38.9e6) ** 2 * inductance(turns));
    const trials = [1, 5].map((turns) => ({ farads: tunes(turns), turns })) as unknown as Parameters<
      typeof nextCanCapacitor
    >[0];
    expect(nextCanCapacitor(trials, 3) / tunes(3)).toBeCloseTo(1, 9);
    expect(() => nextCanCapacitor([trials[0], trials[0]], 3)).toThrow(/same place/);
  });

  it('follow the B of an NTC', () => {
    expect(ntcOhms(10_000, 3950, 25)).toBeCloseTo(10_000, 6);
    expect(ntcOhms(10_000, 3950, 50)).toBeCloseTo(3588, -1);
  });
});
