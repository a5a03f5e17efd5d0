import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { liveCold, Predictions, compileSheet } from '@/core/behaviour';
import { seeded } from '@/core/statistics';
import { dischargeReadings, meterLine, readMeterLine, standInReadings, turningReadings } from '@/instruments';
import { shippedSheets } from '@/sheets';
import { type FedReading, MeterFeed } from './MeterFeed';

const patient = 2.2;
const fed = (feed: MeterFeed, lines: readonly string[]): FedReading[] =>
  lines.flatMap((line) => {
    const taken = feed.take(line);
    return taken && 'value' in taken ? [taken] : [];
  });
const steady = (value: number, from = 0, seconds = 3) =>
  Array.from({ length: seconds * 10 }, (_, index) => `${(from + index / 10).toFixed(1)} ${value} V`);

describe('lines of a meter', () => {
  it('read back as they were written', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e4, noNaN: true }),
        fc.double({ min: -1e4, max: 1e6, noNaN: true }),
        (at, value) => {
          const back = readMeterLine(meterLine({ at, value, unit: 'V' }));
          expect(back.at).toBeCloseTo(at, 1);
          expect(Math.abs(back.value - value)).toBeLessThanOrEqual(1e-4 * Math.abs(value) + 1e-6);
          expect(back.unit).toBe('V');
        },
      ),
    );
    expect(readMeterLine('1.2 OL Ω')).toMatchObject({ at: 1.2, value: Infinity });
    expect(readMeterLine(' 0.5\t-121.4 ')).toEqual({ at: 0.5, value: -121.4 });
  });

  it.each(['', '0.4', 'volts 3', '-1 3 V', '0.4 three V', 'x'.repeat(500)])(
    'refuse "%s" with what is right',
    (line) => {
      expect(() => readMeterLine(line)).toThrow(/like|line of/);
    },
  );
});

describe('a meter on the bench', () => {
  it('gives what settles, once', () => {
    expect(fed(new MeterFeed({ patience: 0 }), [...steady(12.1), ...steady(5, 3)])).toEqual([
      { value: expect.closeTo(12.1, 2), shape: 'settled' },
    ]);
  });

  it('waits for a value that is accepted, while one that is not goes on being shown', () => {
    const feed = new MeterFeed({ patience: 0, accepts: (value) => value > 100 });
    expect(fed(feed, steady(80))).toEqual([]);
    expect(feed.state.value).toBe(80);
    expect(fed(feed, steady(104, 3))).toEqual([{ value: expect.closeTo(104, 1), shape: 'settled' }]);
    // A figure that rests just short of it, and is brought there.
    const short = new MeterFeed({ patience: 0, accepts: (value) => value > 100 });
    expect(fed(short, [...steady(99.95), ...steady(100.05, 3)])).toHaveLength(1);
  });

  it('tells a rail that is taken away from one that stays, and neither from a dead one', () => {
    const brief = [...steady(187, 0, 1), ...steady(0.1, 1, 4)];
    expect(fed(new MeterFeed({ patience: patient }), brief)).toEqual([
      { value: expect.closeTo(187, 0), shape: 'brief' },
    ]);
    expect(fed(new MeterFeed({ patience: patient }), steady(187, 0, 5))).toEqual([
      { value: expect.closeTo(187, 0), shape: 'settled' },
    ]);
    expect(fed(new MeterFeed({ patience: patient }), steady(0.001, 0, 5))).toEqual([
      { value: expect.closeTo(0, 2), shape: 'settled' },
    ]);
  });

  it('does not take the touch itself for a climb, while it waits to see whether a rail stays', () => {
    const feed = new MeterFeed({ patience: patient });
    const said = Array.from({ length: 26 }, (_, index) => {
      feed.take(`${index / 10} ${(12.2 * (1 - Math.exp(-index / 1.2))).toFixed(3)} V`);
      return feed.state.doing?.shape.kind;
    });
    expect(said).not.toContain('climbing');
  });

  it('says what a figure is doing that does not settle', () => {
    const feed = new MeterFeed({ patience: 0 });
    const climbs = Array.from(
      { length: 60 },
      (_, index) => `${index / 10} ${(300 * (1 - Math.exp(-index / 60))).toFixed(2)} V`,
    );
    expect(fed(feed, climbs)).toEqual([]);
    expect(feed.state.doing?.shape.kind).toBe('climbing');
  });

  it('passes over garbage, counts it, and says the last of it', () => {
    const feed = new MeterFeed({ patience: 0 });
    const lines = steady(12).flatMap((line) => [line, '### noise']);
    expect(fed(feed, lines)).toHaveLength(1);
    expect(feed.state.garbage).toBeGreaterThan(2);
    expect(feed.state.lastGarbage).toContain('### noise');
  });

  it('stays small under a burst of ten thousand lines that never settle', () => {
    const feed = new MeterFeed({ patience: 0 });
    const burst = Array.from({ length: 10_000 }, (_, index) => `${index / 100} ${index % 2 === 0 ? 1 : 90} V`);
    const started = performance.now();
    expect(fed(feed, burst)).toEqual([]);
    expect(performance.now() - started).toBeLessThan(5000);
    expect((feed as unknown as { samples: readonly unknown[] }).samples.length).toBeLessThanOrEqual(3000);
  });

  it('does not take over-range for a reading where a higher range may show more, and says which it was', () => {
    const feed = new MeterFeed({ patience: 0, isOpen: (range) => range === undefined || range >= 20e6 });
    const beyond = (range: string) => Array.from({ length: 20 }, (_, index) => `${index / 10} OL Ω ${range}`);
    expect(fed(feed, beyond('2k'))).toEqual([]);
    expect(feed.state.beyond).toEqual({ range: 2000 });
    expect(fed(feed, beyond('20M'))).toEqual([{ value: Infinity, shape: 'settled' }]);
  });

  it('takes nothing from a meter that is set to another unit', () => {
    const feed = new MeterFeed({ patience: 0, unit: 'Ω' });
    expect(fed(feed, steady(12.1))).toEqual([]);
    expect(feed.state).toMatchObject({ otherUnit: true, unit: 'V' });
    expect(
      fed(
        feed,
        steady(12.1, 3).map((line) => line.replace('V', 'Ω')),
      ),
    ).toHaveLength(1);
  });

  it('measures a sweep as a whole, when the next begins or the stream ends', () => {
    const sweep = Array.from({ length: 200 }, (_, index) =>
      meterLine({ at: index * 5e-5, value: 12 + 0.4 * Math.sin(index / 5), unit: 'V' }),
    );
    const feed = new MeterFeed({ patience: 0 });
    expect(sweep.flatMap((line) => feed.take(line) ?? [])).toEqual([]);
    const swept = feed.end();
    expect(swept?.wave.peakToPeak).toBeCloseTo(0.8, 2);
    expect(feed.trace).toHaveLength(200);
    // Of a sampler that goes on, the same sweep again is the same point, and another one the next.
    const next = new MeterFeed({ patience: 0, before: feed.pointOf(swept!) });
    const other = sweep.map((line) => line.replace(/ 1[12]\.\d+/, (volts) => ` ${Number(volts) / 2}`));
    const found = [...sweep, ...sweep, ...other, ...other].flatMap((line) => next.take(line) ?? []);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ wave: { mean: expect.closeTo(6, 1) } });
    // A meter in its place need not leave anything first.
    const meter = new MeterFeed({ patience: 0, continuous: true, before: feed.pointOf(swept!) });
    expect(fed(meter, steady(12.1))).toEqual([{ value: expect.closeTo(12.1, 1), shape: 'settled' }]);
  });

  it('takes over-range for a reading after a second', () => {
    const lines = Array.from({ length: 20 }, (_, index) => `${index / 10} OL Ω`);
    expect(fed(new MeterFeed({ patience: 0 }), lines)).toEqual([{ value: Infinity, shape: 'settled' }]);
  });
});

describe('the stand-in for a meter', () => {
  const predictions = new Predictions(compileSheet(shippedSheets().get('halvane-hp-42')!));
  const faults = [undefined, ...predictions.model.sheet.faults.values()];

  it('sends what the sheet expects: the feed makes the same of it', () => {
    let [right, all] = [0, 0];
    for (const [index, fault] of faults.entries()) {
      for (const id of ['vs-dc', 'va-dc', 'v15-dc']) {
        const check = predictions.checks.get(id);
        if (!check) continue;
        const expectation = predictions.expectation(fault, check, liveCold);
        if (expectation.kind !== 'number' || expectation.components.length > 1) continue;
        const [component] = expectation.components;
        const lines = standInReadings(check, expectation, seeded(index)).map(meterLine);
        const [reading] = fed(new MeterFeed({ patience: patient }), lines);
        all += 1;
        if (
          reading?.shape === component!.shape &&
          Math.abs(reading.value - component!.value) <= 0.03 * Math.abs(component!.value) + 0.05
        )
          right += 1;
      }
    }
    expect(all).toBeGreaterThan(100);
    expect(right / all).toBeGreaterThan(0.97);
  });
});

describe('a store under the discharge resistor', () => {
  it.each([94, 310, 23_000])('of %d V is read low before the stand-in ends', (volts) => {
    const [reading] = fed(new MeterFeed({ patience: 0 }), dischargeReadings(volts, seeded(3)).map(meterLine));
    expect(reading).toMatchObject({ shape: 'settled' });
    expect(reading!.value).toBeLessThan(5);
  });
});

describe('a rail whose trimmer is turned', () => {
  it.each([
    [165, 180],
    [-190, -170],
  ])('from %d V to %d V is read where it is let go, not on the way', (from, to) => {
    const lines = turningReadings(from, to, seeded(3)).map(meterLine);
    const [reading] = fed(new MeterFeed({ patience: 0, accepts: (value) => Math.abs(value - to) < 1 }), lines);
    expect(reading!.value).toBeCloseTo(to, 0);
  });
});
