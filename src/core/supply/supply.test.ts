import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCounted, readPart, readPlace, readShelfLine, substitute, supplyKinds, verdicts, writePart } from '.';

describe('a part as it is typed', () => {
  it.each([
    [
      'C 680u 50V 105 lowesr 12.5x25/5',
      { farads: 680e-6, volts: 50, degrees: 105, lowEsr: true, size: { body: [12.5, 25], pitch: 5 } },
    ],
    ['c 8n2 1600v film pulse 5%', { farads: 8.2e-9, volts: 1600, dielectric: 'film', pulse: true, tolerance: 5 }],
    ['C 100n 275VAC X2', { farads: 100e-9, ac: 275, class: 'x2' }],
    ['R 0R22 1W fusible', { ohms: 0.22, watts: 1, fusible: true }],
    ['R 4k7ohm 0.5W', { ohms: 4700, watts: 0.5 }],
    ['Q npn 1500V 8A 50W damper', { polarity: 'npn', volts: 1500, amps: 8, watts: 50, damper: true }],
    [
      'Q pnp ge 32V hfe 40-120 cbe',
      { polarity: 'pnp', material: 'germanium', volts: 32, gain: [40, 120], pins: 'CBE' },
    ],
    ['D fast 600V 3A trr75n', { type: 'fast', volts: 600, amps: 3, recovery: 75e-9 }],
    ['BRIDGE 600V 4A', { type: 'bridge', volts: 600, amps: 4 }],
    ['RT ntc 10 5A b 3000', { type: 'ntc', ohms: 10, amps: 5, beta: 3000 }],
    ['F 3.15A 250V slow 5x20', { amps: 3.15, volts: 250, speed: 'slow', size: { body: [5, 20] } }],
    ['X 4.43361875MHz load 20p', { hertz: 4.43361875e6, load: 20e-12 }],
    [
      'C 680 uF 50 V 105 °C low-esr 12.5x25mm pitch 5',
      { farads: 680e-6, volts: 50, degrees: 105, lowEsr: true, size: { body: [12.5, 25], pitch: 5 } },
    ],
    ['C 1000uF/35V 1.5A 0.03ohm snap-in', { farads: 1e-3, volts: 35, ripple: 1.5, esr: 0.03, mount: 'snapin' }],
    ['R 100k 1/4W metal-film 1%', { ohms: 1e5, watts: 0.25, make: 'film', tolerance: 1 }],
    ['F T2A 250V', { amps: 2, volts: 250, speed: 'slow' }],
    ['F 500mA F 250V', { amps: 0.5, volts: 250, speed: 'fast' }],
    ['D zener 5V6 0.5W', { type: 'zener', volts: 5.6, watts: 0.5 }],
    ['D fast 600V 3A 75ns DO-201', { type: 'fast', volts: 600, amps: 3, recovery: 75e-9, case: 'DO-201' }],
    [
      'Q NPN 1500V 8A 50W TO-3PF hfe 8..40',
      { polarity: 'npn', volts: 1500, amps: 8, watts: 50, case: 'TO-3PF', gain: [8, 40] },
    ],
    ['X 4 MHz 20pF', { hertz: 4e6, load: 20e-12 }],
    ['U VX2040 dip18', { number: 'VX2040', body: 'dip18' }],
    ['B VB-7 rev c', { number: 'VB-7', revision: 'C' }],
    ['B no vb-7 rev c', { number: 'VB-7', revision: 'C' }],
  ])('%s', (text, figures) => {
    const part = readPart(text);
    for (const [name, value] of Object.entries(figures))
      if (typeof value === 'number') expect(part.figures[name]).toBeCloseTo(value, 15);
      else expect(part.figures[name]).toEqual(value);
    expect(Object.keys(part.figures)).toHaveLength(Object.keys(figures).length);
  });

  it('reads back what it writes, the example of every kind', () => {
    for (const { example } of Object.values(supplyKinds)) {
      const part = readPart(example);
      expect(readPart(writePart(part))).toEqual(part);
    }
  });

  it.each([
    ['', /begin with one of/],
    ['Z 12V', /"Z" is no kind of part/],
    ['C', /nothing is said of the capacitor/],
    ['C 680u 50V sparkling', /"sparkling" is nothing that is said of a capacitor/],
    ['C 680u 50V 63V', /volts is given twice, the second time as "63V"/],
    ['C 680u esr loud', /"esr loud" is no ESR: write it like "esr 0.05"/],
    ['R -47', /"-47" is nothing/],
  ])('refuses %j', (text, message) => expect(() => readPart(text)).toThrow(message));
});

describe('a part with its number and drawer', () => {
  it.each([
    ['C 680u 50V x4 in B3', 4, 'B3', undefined],
    ['C 680u 50V x2', 2, '', undefined],
    ['C 100n 275VAC x2', 1, '', 'x2'],
    ['C 100n 275VAC x2 x6 in F3', 6, 'F3', 'x2'],
    ['R 4k7 0.5W in the loft', 1, 'the loft', undefined],
  ])('%s', (typed, count, drawer, safety) => {
    const read = readCounted(typed);
    expect([read.count, read.drawer, read.part.figures.class]).toEqual([count, drawer, safety]);
  });

  it.each(['C 680u 50V x0', 'C 680u 50V x-3', 'C 680u 50V xmany', 'C 680u 50V x1.5'])('refuses %s', (typed) =>
    expect(() => readCounted(typed)).toThrow(/is no number of pieces: write x4/),
  );
});

describe('a line at the shelf', () => {
  it.each([
    ['680u 50V', { do: 'search', typed: '680u 50V', delta: 0 }],
    ['680u 50V -4', { do: 'search', typed: '680u 50V', delta: -4 }],
    ['+2', { do: 'search', typed: '', delta: 2 }],
    ['B3 =0', { do: 'search', typed: 'B3', delta: 0, counted: 0 }],
    ['put R 10 2W x3 in R1', { do: 'put' }],
    ['for C 680u 50V at 24 V 50 kHz', { do: 'for' }],
  ])('%s', (typed, line) => expect(readShelfLine(typed)).toMatchObject(line));
});

describe('a place', () => {
  it('gives its stress, with or without spaces, and the peak of a sine', () => {
    expect(readPlace('250 V peak 50 kHz 1.2 A')).toMatchObject({ volts: 250, hertz: 50e3, amps: 1.2 });
    expect(readPlace('230V rms mains').volts).toBeCloseTo(325.3, 1);
    expect(readPlace('retrace 20x12x6/15')).toMatchObject({
      roles: new Set(['retrace']),
      room: { body: [20, 12, 6], pitch: 15 },
    });
  });

  it('refuses what says nothing of it', () => {
    expect(() => readPlace('250 V loudly')).toThrow(/"loudly" says nothing of a place/);
    expect(() => readPlace('250 V 300 V')).toThrow(/volts twice/);
  });
});

/** Originals with what makes a candidate at least as good in every respect. */
const improvable: readonly [string, Readonly<Record<string, 'more' | 'less'>>][] = [
  [
    'C 680u 50V 105 lowesr esr 0.08 ripple 1.2A 5000h',
    { volts: 'more', degrees: 'more', hours: 'more', ripple: 'more' },
  ],
  ['R 10 2W 5% 350V flameproof', { watts: 'more', volts: 'more', tolerance: 'less' }],
  ['Q npn 1500V 8A 50W ceo 700V damper', { volts: 'more', amps: 'more', watts: 'more', ceo: 'more' }],
  ['D fast 600V 3A trr 75n', { volts: 'more', amps: 'more', recovery: 'less' }],
  ['RT ntc 10 5A 265V 80J', { amps: 'more', volts: 'more', joules: 'more' }],
  ['REG 12V 1A in 35V drop 2V', { amps: 'more', input: 'more', dropout: 'less' }],
];

describe('the judge of substitutes', () => {
  it.each(improvable)('never thinks less of a candidate that is better in every figure: %s', (text, directions) => {
    const original = readPart(text);
    const factors = fc.record(
      Object.fromEntries(Object.keys(directions).map((name) => [name, fc.double({ min: 0.3, max: 3, noNaN: true })])),
    );
    const steps = fc.record(
      Object.fromEntries(Object.keys(directions).map((name) => [name, fc.double({ min: 1, max: 2, noNaN: true })])),
    );
    fc.assert(
      fc.property(
        factors,
        steps,
        fc.constantFrom('', '30 V', '250 V peak 50 kHz 1.2 A', '0.4 W 3 A'),
        (factor, step, where) => {
          const moved = (by: (name: string) => number) => ({
            ...original,
            figures: {
              ...original.figures,
              ...Object.fromEntries(
                Object.keys(directions).map((name) => [name, (original.figures[name] as number) * by(name)]),
              ),
            },
          });
          const sign = (name: string, value: number) => (directions[name] === 'more' ? value : 1 / value);
          const place = readPlace(where);
          const some = substitute(
            original,
            moved((name) => factor[name]!),
            place,
          );
          const more = substitute(
            original,
            moved((name) => factor[name]! * sign(name, step[name]!)),
            place,
          );
          expect(verdicts.indexOf(more.verdict)).toBeLessThanOrEqual(verdicts.indexOf(some.verdict));
        },
      ),
    );
  });

  it('finds every part as good as itself, in a place that asks nothing', () => {
    for (const { example } of Object.values(supplyKinds)) {
      const part = readPart(example);
      expect(['fits', 'better']).toContain(substitute(part, part).verdict);
    }
  });

  it('never takes for granted what the candidate does not say', () => {
    const part = readPart('C 680u 50V 105 esr 0.08 12.5x25/5');
    const { verdict, fields } = substitute(part, readPart('C 680u'));
    expect(verdict).toBe('watch');
    expect(fields.filter(({ reason }) => reason.includes('does not say'))).toHaveLength(4);
  });

  it('says what to alter', () => {
    const { alter } = substitute(
      readPart('Q npn 1500V 8A damper insulated BCE'),
      readPart('Q npn 1500V 8A rbe 47 ECB'),
    );
    expect(alter).toHaveLength(4);
    expect(alter.join()).toMatch(/damper diode.*/);
    expect(alter.join()).toMatch(/BCE/);
  });

  it('refuses parts of two kinds', () => {
    expect(() => substitute(readPart('R 10 1W'), readPart('C 10u 10V'))).toThrow(/never stands for a resistor/);
  });
});
