import { judgePart, readPartCheck, surveyOf } from './';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bandDoubts, bandsOf, codeOf, readBands, readCode } from '../parts';
import { nearestPreferred } from '../quantity';

const nothing = () => undefined;
const verdict = (line: string) => judgePart(readPartCheck(line, nothing));

describe('bands', () => {
  it.each([
    ['yellow violet red gold', 4700, 0.05],
    ['brown black black', 10, 0.2],
    ['red red gold silver', 2.2, 0.1],
    ['brown black black red brown', 10_000, 0.01],
    ['green blue silver gold', 0.56, 0.05],
  ] as const)('%s are %d ohms', (words, ohms, tolerance) => {
    expect(readBands(words.split(' ') as never)).toEqual({ ohms, tolerance });
  });

  it('are read back from what they were written as', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e7, noNaN: true }),
        fc.constantFrom(0.01, 0.02, 0.05, 0.1),
        (size, tolerance) => {
          const ohms = nearestPreferred(size, tolerance <= 0.02 ? 'E96' : 'E24');
          const back = readBands(bandsOf({ ohms, tolerance }));
          expect(back.ohms / ohms).toBeCloseTo(1, 9);
          expect(back.tolerance).toBe(tolerance);
        },
      ),
    );
  });

  it('that may be one another are pointed out, preferred values only', () => {
    // 1.8 k in brown and grey; a red second band would be no preferred value where brown gives one.
    expect(bandDoubts(['grey', 'red', 'red', 'gold']).map(({ ohms }) => ohms)).toEqual(
      [82_000, 820]
        .filter((ohms) => ohms !== 8200)
        .sort((a, b) => Math.abs(Math.log(a / 8200)) - Math.abs(Math.log(b / 8200))),
    );
    expect(bandDoubts(['brown', 'black', 'red', 'gold']).map(({ ohms }) => ohms)).toEqual(
      expect.arrayContaining([2000, 100, 10_000]),
    );
  });

  it('that cannot stand where they do say to turn it round', () => {
    expect(() => readBands(['gold', 'red', 'violet', 'yellow'])).toThrow(/gold is no digit: turn the resistor round/);
    expect(() => readBands(['red', 'red'])).toThrow(/three to five bands/);
  });
});

describe('printed codes', () => {
  it.each([
    ['472', 4700],
    ['1002', 10_000],
    ['4R7', 4.7],
    ['R47', 0.47],
    ['100', 10],
  ])('%s is %d', (text, value) => expect(readCode(text).ohms).toBe(value));

  it('carry a tolerance by letter, and go both ways', () => {
    expect(readCode('104K')).toMatchObject({ farads: 1e-7, tolerance: 0.1 });
    fc.assert(
      fc.property(fc.double({ min: 0.11, max: 9e9, noNaN: true }), (size) => {
        const value = nearestPreferred(size, 'E24');
        expect(readCode(codeOf(value)).ohms / value).toBeCloseTo(1, 9);
      }),
    );
    expect(() => readCode('47')).toThrow(/no printed code/);
  });
});

describe('a resistor in circuit', () => {
  it.each([
    ['R1 4k7 5k6', 'replace', /19 % above, allowed ±5 %. Other paths only lower it/],
    ['R1 4k7 3k1', 'lift', /34 % below. In circuit that proves nothing/],
    ['R1 4k7 3k1 lifted', 'replace', /34 % below, allowed/],
    ['R1 4k7 4k8', 'fine', /\+2.1 %/],
    ['R1 4k7 6k climbing', 'wait', /A capacitor charges/],
    ['R1 4k7 OL', 'replace', /^open/],
    ['R1 yellow violet red silver 5k1', 'fine', /\+8.5 %/],
    ['R1 0R22 0R4', 'fine', /./],
    ['R1 1M 10% 1M09', 'fine', /./],
  ] as const)('%s: %s', (line, mark, words) => {
    expect(verdict(line).mark).toBe(mark);
    const { words: said, advice = '' } = verdict(line);
    expect(`${said}. ${advice}`).toMatch(words);
  });

  it('is never replaced for a low reading, and always for one beyond what tolerance and meter allow', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 1e6, noNaN: true }),
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        (marked, ratio) => {
          const check = {
            kind: 'resistor',
            ref: 'R',
            marked,
            tolerance: 0.05,
            read: marked * ratio,
            climbing: false,
            lifted: false,
          } as const;
          const { mark } = judgePart(check);
          const most = 1.058 + 0.6 / marked;
          if (ratio > most + 1e-9) expect(mark).toBe('replace');
          if (ratio < most - 1e-9) expect(mark).not.toBe('replace');
        },
      ),
    );
  });
});

describe('other parts', () => {
  it.each([
    ['C8 100u 35V esr 0.2', 'fine'],
    ['C8 100u 35V esr 4', 'replace'],
    ['C8 100u 35V 48u esr 0.2', 'replace'],
    ['C8 100u 35V 180uF', 'replace'],
    ['T1 rings 9 good 10', 'fine'],
    ['T1 rings 2 good 10', 'lift'],
    ['T1 rings 2 good 10 lifted', 'replace'],
    ['Q5 junction 0.62 OL', 'fine'],
    ['Q5 junction 0.02 0.01', 'replace'],
    ['Q5 junction 0.6 1.1', 'lift'],
    ['Q5 gain 30 usual 120', 'replace'],
    ['TH1 18 21', 'fine'],
    ['TH1 18 40', 'replace'],
  ])('%s: %s', (line, mark) => expect(verdict(line).mark).toBe(mark));

  it.each([
    ['C8 8n2 6n2', 'replace', /76 % of its capacity/],
    ['C8 8n2 8n0', 'fine', /98 %/],
    ['C8 8n2 7n6 5%', 'replace', /93 % of its capacity, allowed ±5 %/],
    ['C8 100u 35V 83u', 'fine', /83 %/],
    ['C8 100u 35V 180u', 'replace', /180 %/],
    ['C8 10u 250V esr 2.5', 'fine', /good one shows up to 3.2 Ω/],
    ['C8 100u 35V esr 0', 'lift', /ESR 0: shorted, or the tester/],
    ['R5 22R 26M7', 'replace', /^open$/],
    ['RT1 18 21', 'fine', /cold/],
    ['FUSE 0.2', 'fine', /intact, 0.2 Ω with its leads/],
    ['F1 OL', 'replace', /blown/],
    ['F1 150', 'lift', /150 Ω/],
    ['R9 gray red brown gold 830', 'fine', /\+1.2 %/],
    ['Q5 junction be 0.04 0.04', 'fine', /0.04|40 mV/],
    ['Q5 junction 0.04 0.04', 'replace', /shorted both ways/],
    ['Q5 junction 0.09 0.12', 'replace', /conducts both ways/],
    ['Q5 junction 0.2 0.25', 'replace', /conducts both ways/],
    ['Q5 junction 0.22 OL', 'fine', /nothing the other/],
  ])('%s: %s, since %s', (line, mark, words) => {
    expect(verdict(line)).toMatchObject({ mark, words: expect.stringMatching(words) });
  });

  it('a germanium junction has no damper inside', () => {
    expect(verdict('Q5 junction 0.22 OL').taken).toBe('germanium, or a Schottky diode');
  });

  it('a retrace capacitor is judged by 5 %, whatever films are allowed', () => {
    const retrace = { kind: 'film', title: 'Retrace capacitor', size: 8.2e-9 };
    expect(judgePart(readPartCheck('C411 7n6', () => retrace))).toMatchObject({ mark: 'replace' });
    expect(judgePart(readPartCheck('C411 7n6', () => ({ ...retrace, title: 'Ramp capacitor' })))).toMatchObject({
      mark: 'fine',
    });
  });

  it.each(['C8 100u 35V', 'C8 100u'])('a mark is never taken for a reading: "%s"', (line) => {
    const known = { kind: 'electrolytic', size: 100e-6, voltage: 35 };
    expect(() => readPartCheck(line, () => known)).toThrow(/needs what was read/);
  });

  it.each([
    ['Q1 junction 0.25 OL', /germanium/],
    ['Q1 junction 0.61 OL', /^silicon$/],
    ['Q1 junction 1.2 OL', /Darlington/],
    ['Q1 junction 0.52 0.58', /damper inside/],
  ])('%s tells what it is', (line, taken) => expect(verdict(line).taken).toMatch(taken));

  it('take from the sheet what it knows of them', () => {
    const known = (ref: string) =>
      ref === 'R201'
        ? { kind: 'resistor', size: 12_000 }
        : ref === 'C8'
          ? { kind: 'electrolytic', size: 1e-4, voltage: 35 }
          : undefined;
    expect(readPartCheck('r201 13k', known)).toMatchObject({ ref: 'R201', marked: 12_000, read: 13_000 });
    expect(readPartCheck('c8 esr 0.5', known)).toMatchObject({ farads: 1e-4, volts: 35, esr: 0.5 });
    expect(readPartCheck('c8 83u', known)).toMatchObject({ farads: 1e-4, read: 83e-6 });
  });

  it.each([
    ['R12', /what should R12 be\?/],
    ['R12 4k7 12V', /The reading is read in ohms, not "12V"/],
    ['R12 4k7 5k 6k', /one value too many/],
    ['C9 esr 1', /C9 needs its capacitance as marked/],
    ['T1 rings 4', /The count of a good one is missing/],
    ['', /write it like/],
  ])('refuse "%s" with what would be right', (line, message) => {
    expect(() => readPartCheck(line, nothing)).toThrow(message);
  });
});

describe('a surveyed board', () => {
  const marks = (fine: number, replace: number, lift = 0) =>
    surveyOf(
      [
        ...Array<'fine'>(fine).fill('fine'),
        ...Array<'replace'>(replace).fill('replace'),
        ...Array<'lift'>(lift).fill('lift'),
      ].map((mark) => ({ mark, words: '' })),
    );
  it('is repopulated from a third out of tolerance on, judged from enough of them', () => {
    expect(marks(16, 8).advice).toBe('repopulate');
    expect(marks(20, 4).advice).toBe('pick');
    expect(marks(2, 4, 10).advice).toBeUndefined();
    expect(marks(12, 4, 8).share).toBe(0.25);
  });
});

describe('the series of a capacitor', () => {
  it.each([
    ['C8 100u 35V esr 0.3', 'fine'],
    ['C8 100u 35V lowesr esr 0.3', 'lift'],
    ['C8 100u 35V lowesr esr 0.4', 'replace'],
    ['C8 100u 35V polymer esr 0.1', 'replace'],
  ] as const)('%s: %s', (line, mark) => expect(verdict(line).mark).toBe(mark));
});

describe('parts of a lamp projector', () => {
  it.each([
    ['LA1 lamp 5200 of 6000 dark', 'replace', /blackened/],
    ['LA1 lamp 100 of 6000 cracked', 'replace', /cracked; 2 %/],
    ['LA1 lamp 6100h of 6000h', 'replace', /past them/],
    ['LA1 lamp 5400 of 6000 clear', 'fine', /90 % of its 6000 h, clear/],
    ['FAN1 fan 88 of 90', 'fine', /88 of a usual 90 Hz/],
    ['FAN1 fan 88 of 90 noisy', 'replace', /its bearing/],
    ['FAN1 fan 50 of 90', 'replace', /dragging/],
    ['FAN1 fan 0 of 90', 'lift', /stands still/],
    ['CW1 wheel 119 of 120', 'fine', /119/],
    ['CW1 wheel 110 of 120', 'replace', /dragging/],
    ['CW1 wheel 150Hz of 120Hz', 'lift', /too fast/],
  ] as const)('%s: %s', (line, mark, words) => {
    const found = verdict(line);
    expect(found.mark).toBe(mark);
    expect(found.words).toMatch(words);
  });

  it('say when the next lamp is due, and to measure before a fan is blamed', () => {
    expect(verdict('LA1 lamp 5400 of 6000').advice).toBe('Order the next one.');
    expect(verdict('LA1 lamp 900 of 6000').advice).toBeUndefined();
    expect(verdict('FAN1 fan 0 of 90').advice).toContain('supply at the plug');
  });

  it.each([
    ['LA1 lamp 5200', /rated hours is missing/],
    ['FAN1 fan 12V of 90', /The rate is read in hertz, not "12V"/],
    ['FAN1 fan 50 of 0', /must be more than 0/],
  ])('%s is refused', (line, message) => expect(() => readPartCheck(line, nothing)).toThrow(message));
});
