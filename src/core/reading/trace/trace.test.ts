import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../statistics';
import { type TraceKind, traceKinds, traceOf } from '../../practice';
import { classifyTrace, CreepWatch, type Sample, SettleWatch, traceText } from '.';

const draws = (kind: TraceKind, count: number) =>
  [0.001, 0.004, 0.01].flatMap((noise, n) =>
    [2, 4, 10, 25, 50].flatMap((rate) =>
      Array.from({ length: count }, (_, draw) =>
        traceOf(kind, { rate, noise, random: seeded(7 + draw + 100 * n + 1000 * rate) }),
      ),
    ),
  );
const shapeOf = (samples: readonly Sample[]) => classifyTrace(samples).shape;
const drawn = (seconds: number, rate: number, at: (time: number) => number): Sample[] =>
  Array.from({ length: seconds * rate }, (_, index) => ({ at: index / rate, value: at(index / rate) }));

describe('a trace', () => {
  it.each(traceKinds)('that is %s is told for what it is, at any rate and noise', (kind) => {
    const traces = draws(kind, 12);
    const right = traces.filter(({ samples }) => shapeOf(samples).kind === kind).length;
    expect(right / traces.length).toBeGreaterThanOrEqual(0.96);
  });

  it('that stood for half a second is never taken for a dead rail', () => {
    for (const { samples } of draws('brief', 12)) expect(shapeOf(samples).kind).not.toBe('settled');
  });

  it('gives the time constant of a fall within a twentieth', () => {
    const off = draws('falling', 8).flatMap(({ samples, tau }) => {
      const shape = shapeOf(samples);
      return shape.kind === 'falling' ? [Math.abs(shape.tau / tau! - 1)] : [];
    });
    expect(off.filter((one) => one <= 0.05).length / off.length).toBeGreaterThan(0.97);
  });

  it('gives peak and width of what was brief, mean and amplitude of what swings', () => {
    const brief = shapeOf(drawn(5, 20, (time) => (time > 0.5 && time < 1.7 ? 187 : 0.2)));
    expect(brief).toMatchObject({ kind: 'brief', peak: 187 });
    if (brief.kind === 'brief') expect(Math.abs(brief.width - 1.2)).toBeLessThan(0.1);
    const swinging = shapeOf(drawn(8, 20, (time) => 100 + 15 * Math.sin(6.28 * time)));
    expect(swinging.kind).toBe('swinging');
    if (swinging.kind === 'swinging') {
      expect(Math.abs(swinging.mean - 100)).toBeLessThan(2);
      expect(Math.abs(swinging.amplitude - 15)).toBeLessThan(1.5);
    }
  });

  it('too short to tell is unclear, and over-range is open', () => {
    expect(shapeOf(drawn(1, 3, () => 5)).kind).toBe('unclear');
    expect(shapeOf(drawn(2, 10, () => Infinity)).kind).toBe('open');
  });
});

describe('watching for a reading to settle', () => {
  const settledAt = (samples: readonly Sample[]) => {
    const watch = new SettleWatch();
    return samples.flatMap((sample) => {
      const value = watch.take(sample);
      return value === undefined ? [] : [{ at: sample.at, value }];
    });
  };

  it('records within 0.7 s of settling from ten readings a second on, but for one in twenty, once, and near the value', () => {
    const delays: number[] = [];
    for (const { samples, settled } of draws('settled', 8)) {
      if (samples[1]!.at > 0.11) continue;
      const found = settledAt(samples);
      expect(found).toHaveLength(1);
      delays.push(found[0]!.at - settled!.at);
      expect(Math.abs(found[0]!.value - settled!.value)).toBeLessThan(0.03 * Math.abs(settled!.value) + 0.004);
    }
    expect(delays.filter((delay) => delay < 0.7).length / delays.length).toBeGreaterThanOrEqual(0.95);
    expect(Math.max(...delays)).toBeLessThan(1);
  });

  it('does not take a climb for settled while it creeps by more than its noise hides', () => {
    const random = seeded(5);
    const noisy = drawn(12, 20, (time) => 300 * (1 - 0.8 * Math.exp(-time / 4)) * (1 + 0.001 * gaussian(random)));
    const [first] = settledAt(noisy);
    expect(first === undefined || first.value > 0.95 * 300).toBe(true);
  });

  it('waits while a capacitor charges or discharges', () => {
    expect(settledAt(drawn(4, 20, (time) => 300 * Math.exp(-time / 8)))).toEqual([]);
    expect(settledAt(drawn(4, 20, (time) => 300 * (1 - Math.exp(-time / 8))))).toEqual([]);
  });

  it('tells of the next point once the probe has moved on', () => {
    const two = drawn(6, 20, (time) => (time < 2 ? 12.1 : time < 3 ? 0 : 5.02));
    expect(settledAt(two).map(({ value }) => Number(value.toFixed(2)))).toEqual([12.1, 0, 5.02]);
  });
});

describe('going on with a point after its reading', () => {
  /** What stands for a climb that was recorded when it seemed to rest, and was left after a while. */
  const inTheEnd = (samples: readonly Sample[]) => {
    const watch = new SettleWatch();
    let creep: CreepWatch | undefined;
    let stands: number | undefined;
    for (const [index, sample] of samples.entries()) {
      if (!creep) {
        stands = watch.take(sample);
        if (stands !== undefined) creep = new CreepWatch(stands, samples.slice(0, index + 1));
        continue;
      }
      const after = creep.take(sample);
      if (after.kind === 'left') break;
      stands = after.value ?? stands;
    }
    return stands;
  };

  it.each([2, 4, 10, 25])('puts slow climbs right at %i readings a second, however loud', (rate) => {
    for (const noise of [0.001, 0.004, 0.01])
      for (let draw = 0; draw < 12; draw += 1) {
        const random = seeded(40 + draw);
        const tau = 1.5 + 6.5 * random();
        const climb = drawn(
          Math.ceil(8 * tau),
          rate,
          (time) => 300 * (1 - 0.8 * Math.exp(-time / tau)) * (1 + noise * gaussian(random)),
        );
        const lifted = drawn(2, rate, () => 0.001).map(({ at, value }) => ({ at: at + 8 * tau, value }));
        expect(Math.abs(inTheEnd([...climb, ...lifted])! / 300 - 1)).toBeLessThan(0.02 + 2 * noise);
      }
  });

  it('tells nothing of a value that stays, and passes over a slip of the probe', () => {
    for (const noise of [0.001, 0.004, 0.01])
      for (const rate of [2, 10, 50]) {
        const random = seeded(rate);
        const watch = new CreepWatch(187);
        const stays = drawn(60, rate, () => 187 * (1 + noise * gaussian(random)));
        const told = stays.flatMap((sample, index) => {
          const after = watch.take(index % 40 === 7 ? { ...sample, value: 3 } : sample);
          return after.kind === 'left' || after.value !== undefined ? [after] : [];
        });
        expect(told).toEqual([]);
      }
  });

  it('puts nothing right where a rail was brief', () => {
    const gone = drawn(6, 10, (time) => (time < 1 ? 187 : 0.2));
    const watch = new CreepWatch(undefined, gone);
    for (const { at } of drawn(4, 10, () => 0)) {
      const value = 0.2 * Math.exp(-at);
      expect(watch.take({ at: 6 + at, value })).toEqual({ kind: 'there' });
    }
    watch.take({ at: 10, value: 12 });
    expect(watch.take({ at: 10.1, value: 12 })).toEqual({ kind: 'left' });
  });

  it('stays on an open part for as long as the meter is beyond its range', () => {
    const watch = new CreepWatch(Infinity);
    for (const { at } of drawn(5, 10, () => 0)) expect(watch.take({ at, value: Infinity })).toEqual({ kind: 'there' });
    watch.take({ at: 5, value: 4700 });
    expect(watch.take({ at: 5.1, value: 4700 })).toEqual({ kind: 'left' });
  });

  it.each([0, 12, Infinity])('knows that the probes have gone from 187 to %d, at the second reading', (next) => {
    const watch = new CreepWatch(187);
    expect(drawn(2, 10, () => 187.2).map((sample) => watch.take(sample).kind)).not.toContain('left');
    expect(watch.take({ at: 2, value: next }).kind).toBe('there');
    expect(watch.take({ at: 2.1, value: next }).kind).toBe('left');
  });
});

describe('what a figure is doing, in words', () => {
  const words = (samples: readonly Sample[], unit: 'V' | 'Ω' = 'V') => traceText(classifyTrace(samples), unit);

  it.each([
    [
      'a climb',
      drawn(9, 10, (time) => 4700 * (1 - Math.exp(-time / 3))),
      'Ω',
      /climbing: something charges, τ 3 s. It stands in 9 s; or lift a leg/,
    ],
    ['a fall', drawn(6, 10, (time) => 310 * Math.exp(-time / 4)), 'V', /^falling, τ 4 s: below 30 V in 3\.[4-9] s$/],
    ['a fall of what is low already', drawn(6, 10, (time) => 20 * Math.exp(-time / 4)), 'V', /^falling, τ 4 s$/],
    [
      'a rail that was taken away',
      drawn(5, 10, (time) => (time < 1.2 ? 187 : 0.1)),
      'V',
      /^up for 1\.\d s at 187 V, then gone$/,
    ],
    ['a swing', drawn(8, 20, (time) => 100 + 15 * Math.sin(6.28 * time)), 'V', /^swings between 8\d.* V and 11\d.* V$/],
    [
      'a bad contact',
      drawn(6, 10, (time) => (Math.floor(time) % 2 === 0 ? 12 : 0)),
      'V',
      /the contact bounces at 12 V/,
    ],
  ] as const)('%s', (_, samples, unit, text) => expect(words(samples, unit)).toMatch(text));

  it('are none where it settles, is open or cannot be told', () => {
    expect(words(drawn(4, 10, () => 12.1))).toBeUndefined();
    expect(
      words(
        drawn(4, 10, () => Infinity),
        'Ω',
      ),
    ).toBeUndefined();
    expect(words(drawn(1, 2, () => 3))).toBeUndefined();
  });
});
