import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { attempt, Refusal } from '../quantity';
import { type FaultMode } from '../parts';
import {
  classify,
  deviation,
  type Expectation,
  mainValue,
  type Measure,
  type MeasuredNet,
  type MeasuredPart,
  measureNames,
  measures,
  partStandard,
  readAnswer,
  settled,
  number,
} from '.';

const asked = { title: 'Rail', name: 'vs', parts: ['R12', 'C5'], isPart: (word: string) => word === 'q9' };
const numbers = measureNames.filter((name) => measures[name].kind === 'number');
const words = measureNames.filter((name) => measures[name].kind !== 'number');
const parts: readonly MeasuredPart[] = [
  { kind: 'resistor', size: 4700 },
  { kind: 'resistor', size: 0.22 },
  { kind: 'electrolytic', size: 680e-6, voltage: 50 },
  { kind: 'film', size: 8.2e-9 },
  { kind: 'diode' },
  { kind: 'transistor' },
  { kind: 'fuse', size: 0.1 },
  { kind: 'transformer' },
];
const net = (more: Partial<MeasuredNet> = {}): MeasuredNet => ({
  nominal: 187,
  given: undefined,
  volts: 187,
  tolerance: { relative: 0.03 },
  guessed: false,
  turning: false,
  state: { ratio: 1, peak: 1, brief: false, rippled: false, shorted: false },
  reached: true,
  shortedHere: false,
  lamp: false,
  ...more,
});
const chances = (expectation: Expectation): number[] =>
  expectation.kind === 'number'
    ? expectation.components.map(({ chance }) => chance)
    : expectation.kind === 'choice'
      ? [...expectation.chances.values()]
      : [1];
const sumOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0);
const number_ = (name: Measure) => {
  const way = measures[name];
  if (way.kind !== 'number') throw new Error(`${name} gives no number`);
  return way;
};
const modes: readonly (FaultMode | undefined)[] = [
  undefined,
  'open',
  'short',
  'leaky',
  'dry',
  'drifted',
  'worn',
  'cracked',
];

describe('every way of measuring', () => {
  it.each(measureNames)('%s reads its own example, and says in its message what would be right', (name) => {
    const way = measures[name];
    expect(readAnswer(name, way.example.split(' '), asked)).toBeTruthy();
    expect(() => readAnswer(name, [], asked)).toThrow(`Rail needs a value after it, like "vs ${way.example}"`);
  });

  it.each(numbers)('%s expects of a net and of a part, however failed, what adds up to one', (name) => {
    const way = number_(name);
    for (const state of [
      net(),
      net({ reached: false }),
      net({ lamp: true }),
      net({ shortedHere: true }),
      net({ state: { ratio: 0.01, peak: 0.01, brief: false, rippled: false, shorted: true } }),
      net({ state: { ratio: 0, peak: 0.9, brief: true, rippled: false, shorted: false } }),
    ])
      if (way.ofNet) expect(sumOf(chances(way.ofNet(state)))).toBeCloseTo(1, 9);
    for (const part of parts)
      for (const mode of modes) if (way.ofPart) expect(sumOf(chances(way.ofPart(part, mode)))).toBeCloseTo(1, 9);
  });

  it.each(numbers)('%s lets pass what it expects of a good part', (name) => {
    for (const part of parts) {
      const standard = partStandard(name, part);
      if (standard) expect(classify(standard, standard.nominal, 'settled')).toBe('within');
    }
  });

  it.each(numbers)('%s is read in its own unit, and refuses another', (name) => {
    const { unit } = number_(name);
    const other = unit === 'Ω' ? '4 V' : '4 ohm';
    expect(() => readAnswer(name, other.split(' '), asked)).toThrow('Rail is read in');
    expect(readAnswer(name, ['4'], asked)).toEqual({ kind: 'number', value: 4, shape: 'settled' });
    expect(readAnswer(name, ['4', 'brief'], asked)).toMatchObject({ shape: 'brief' });
  });

  it('is refused in words, or gives an answer of its own, whatever is typed', () => {
    const typed = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom(
        'constructor',
        '__proto__',
        'toString',
        'hasOwnProperty',
        'yes',
        'fine',
        'r12',
        'q9',
        '-4',
        '1e999',
      ),
    );
    fc.assert(
      fc.property(fc.constantFrom(...measureNames), fc.array(typed, { minLength: 1, maxLength: 3 }), (name, line) => {
        const answer = attempt(() => readAnswer(name, line, asked));
        if (answer instanceof Refusal) expect(answer.message.length).toBeGreaterThan(8);
        else if (answer.kind === 'choice') expect(typeof answer.choice).toBe('string');
        else if (answer.kind === 'number') expect(Number.isNaN(answer.value)).toBe(false);
      }),
      { numRuns: 2000 },
    );
  });
});

describe('answers in words', () => {
  it.each<[Measure, string, string]>([
    ['sign', 'gone', 'brief'],
    ['sign', 'Y', 'yes'],
    ['press', 'yes', 'answers'],
    ['swap', 'no', 'same'],
    ['look', 'OK', 'fine'],
    ['look', 'r12', 'R12'],
    ['blinks', '4', '4'],
  ])('%s %s is %s', (name, typed, choice) => {
    expect(readAnswer(name, [typed], asked)).toEqual({ kind: 'choice', choice });
  });

  it('look at one part alone takes what is seen of it for the part', () => {
    const alone = { ...asked, title: 'Chip IC7', parts: ['IC7'] };
    expect(readAnswer('look', ['burnt'], alone)).toEqual({ kind: 'choice', choice: 'IC7' });
    expect(readAnswer('look', ['fine'], alone)).toEqual({ kind: 'choice', choice: 'fine' });
    expect(() => readAnswer('look', ['0.8'], alone)).toThrow('Chip IC7 knows no "0.8": answer fine or bad');
    expect(() => readAnswer('look', ['burnt'], asked)).toThrow('knows no "burnt"');
  });

  it.each<[Measure, string, string]>([
    ['sign', 'maybe', 'answered with yes, weak, brief or no'],
    ['press', 'constructor', 'answered with answers or nothing'],
    ['look', 'q9', 'does not take in q9: answer fine or one of R12, C5'],
    ['look', 'q10', 'knows no "q10"'],
    ['blinks', '4.5', 'in whole numbers'],
    ['picture', 'odd', '"odd" is no picture'],
    ['picture', 'line', 'may be “One line across”, “One upright line”, “One colour is a line”: say more of it'],
  ])('%s %s is refused: %s', (name, typed, message) => {
    expect(() => readAnswer(name, [typed], asked)).toThrow(message);
  });

  it.each([
    ['line across', 'horizontal_line'],
    ['One upright line', 'vertical_line'],
    ['flooded green', 'flood_green'],
    ['too small', 'small_picture'],
    ['dim soft', 'dim soft'],
    ['OK', 'normal'],
    ['right', 'normal'],
    ['right half dark', 'right_dark'],
    ['FLOOD-GREEN retrace_lines', 'flood_green retrace_lines'],
  ])('a picture called “%s” is %s', (typed, symptoms) => {
    expect(readAnswer('picture', typed.split(' '), asked)).toEqual({
      kind: 'picture',
      symptoms: symptoms.split(' '),
    });
  });

  it('give every choice they offer a chance, of good sets and of bad', () => {
    for (const name of words) {
      const way = measures[name];
      if (way.kind === 'number' || !way.ofParts) continue;
      const suspected = [
        { id: 'R12', kind: 'resistor' as const },
        { id: 'C5', kind: 'electrolytic' as const, fault: { mode: 'leaky' as const, appears: 'always' as const } },
      ];
      for (const some of [suspected, suspected.slice(0, 1)]) {
        const found = way.ofParts(some, way.miss);
        expect(sumOf(chances(found))).toBeCloseTo(1, 9);
        for (const choice of way.choices(some.map(({ id }) => id)))
          expect(found.kind === 'choice' && found.chances.has(choice)).toBe(true);
      }
    }
  });
});

describe('a part with a leak across it', () => {
  const leaking = (size: number) => {
    const way = measures.ohms;
    return way.kind === 'number' ? mainValue(way.ofPart!({ kind: 'resistor', size }, 'leaky')) : NaN;
  };

  it('reads fewer ohms than a good one, the fewer it has the less so', () => {
    expect(leaking(330)).toBeCloseTo(1 / (1 / 330 + 1 / 2000), 6);
    const shares = [10, 330, 4700, 220e3].map((ohms) => leaking(ohms) / ohms);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
    expect(shares[0]).toBeLessThan(1);
  });
});

describe('a number beside its standard', () => {
  const standard = {
    kind: 'number',
    scale: 'linear',
    nominal: 12,
    deadBelow: 0.7,
    lowBelow: 11.4,
    highAbove: 12.6,
  } as const;
  it.each([
    [12.6, 'within'],
    [12.7, 'high'],
    [11.4, 'within'],
    [11.3, 'low'],
    [0.69, 'dead'],
    [-0.5, 'dead'],
    [-3, 'odd'],
    [Infinity, 'open'],
  ])('%d V of 12 is %s', (value, found) => {
    expect(classify(standard, value, 'settled')).toBe(found);
    // A negative rail is judged by its size.
    expect(classify({ ...standard, nominal: -12 }, value === Infinity ? value : -value, 'settled')).toBe(found);
  });

  it('is brief where it went away, whatever it read', () => {
    expect(classify(standard, 12, 'brief')).toBe('brief');
  });

  it('deviates by its share, and not at all where there is nothing to compare', () => {
    expect(deviation(standard, 9)).toBeCloseTo(-0.25);
    expect(deviation({ nominal: -168 }, -142.8)).toBeCloseTo(-0.15);
    expect(deviation({ nominal: 0 }, 3)).toBeUndefined();
    expect(deviation(standard, Infinity)).toBeUndefined();
  });
});

describe('parts by themselves', () => {
  const ohms = (part: MeasuredPart) => partStandard('ohms', part)!;
  it('a resistor is right by its tolerance with the meter’s own; another tolerance of the sheet is used', () => {
    const usual = ohms({ kind: 'resistor', size: 4700 });
    expect(usual.highAbove).toBeGreaterThan(4700 * 1.05);
    expect(usual.highAbove).toBeLessThan(4700 * 1.08);
    expect(ohms({ kind: 'resistor', size: 4700, tolerance: { relative: 0.01 } }).highAbove).toBeLessThan(4700 * 1.03);
  });

  it('a fuse of 0.2 Ω with the leads is intact, one of 5 Ω is not', () => {
    const fuse = ohms({ kind: 'fuse', size: 0.1 });
    expect(classify(fuse, 0.2, 'settled')).toBe('within');
    expect(classify(fuse, 5, 'settled')).toBe('high');
    expect(classify(fuse, Infinity, 'settled')).toBe('open');
  });

  it('a chip from its supply pin to ground is right from half to twice what is usual, unless the sheet says how near', () => {
    const chip = ohms({ kind: 'ic', given: 420 });
    for (const value of [260, 380, 700]) expect(classify(chip, value, 'settled')).toBe('within');
    expect(classify(chip, 90, 'settled')).toBe('low');
    expect(classify(chip, 0.6, 'settled')).toBe('dead');
    expect(classify(ohms({ kind: 'ic', given: 420, tolerance: { relative: 0.05 } }), 380, 'settled')).toBe('low');
  });

  it('what lets nothing through is right from 100 kΩ on', () => {
    const film = ohms({ kind: 'film' });
    expect(classify(film, Infinity, 'settled')).toBe('within');
    expect(classify(film, 5e5, 'settled')).toBe('within');
    expect(classify(film, 300, 'settled')).toBe('low');
    expect(classify(film, 0.4, 'settled')).toBe('dead');
  });

  it('a shorted junction drops next to nothing, a spent can has several times its ESR', () => {
    expect(classify(partStandard('diode', { kind: 'diode' })!, 0.02, 'settled')).toBe('dead');
    const can = { kind: 'electrolytic', size: 680e-6, voltage: 50 } as const;
    const standard = partStandard('esr', can)!;
    const dry = mainValue(number_('esr').ofPart!(can, 'dry'));
    expect(dry / standard.highAbove).toBeCloseTo(8, 6);
    expect(classify(standard, dry, 'settled')).toBe('high');
  });

  it('farads with a leg lifted are wrong both ways: spent, and leaking', () => {
    const film = { kind: 'film', size: 8.2e-9 } as const;
    const standard = partStandard('capacitance', film)!;
    for (const [mode, found] of [
      ['drifted', 'low'],
      ['leaky', 'high'],
      ['open', 'dead'],
    ] as const)
      expect(classify(standard, mainValue(number_('capacitance').ofPart!(film, mode)), 'settled')).toBe(found);
  });
});

describe('nets', () => {
  const dc = number_('dc');
  const limits = (more: Partial<MeasuredNet>) => dc.netLimits!(net(more), 187);
  it('are right within their tolerance; a guessed value within twelve per cent at least', () => {
    expect(limits({}).lowBelow).toBeCloseTo(187 * 0.97, 6);
    expect(limits({ guessed: true }).lowBelow).toBeCloseTo(187 * 0.88, 6);
    expect(limits({ lamp: true }).lowBelow).toBeCloseTo(187 * 0.6, 6);
  });

  it('read nothing where they are not reached, their peak where they go away, and less behind a lamp', () => {
    expect(mainValue(dc.ofNet!(net({ reached: false })))).toBe(0);
    const brief = dc.ofNet!(net({ state: { ratio: 0, peak: 0.9, brief: true, rippled: false, shorted: false } }));
    expect(brief).toMatchObject({ components: [{ value: 187 * 0.9, shape: 'brief' }, { value: 0 }] });
    expect(mainValue(dc.ofNet!(net({ lamp: true })))).toBeLessThan(187);
  });

  it('ripple more where their capacitor is spent than is right, and less where it is not', () => {
    const ripple = number_('ripple');
    const { highAbove } = ripple.netLimits!(net(), 187);
    const of = (rippled: boolean) => mainValue(ripple.ofNet!(net({ state: { ...net().state, rippled } })));
    expect(of(true)).toBeGreaterThan(highAbove);
    expect(of(false)).toBeLessThan(highAbove);
  });

  it('turn as fast as they are fed, where they turn; an oscillator runs or does not', () => {
    const hertz = number_('hertz');
    const half = { ...net().state, ratio: 0.5 };
    expect(mainValue(hertz.ofNet!(net({ nominal: 60, turning: true, state: half })))).toBe(30);
    expect(mainValue(hertz.ofNet!(net({ nominal: 15_625, state: half })))).toBe(15_625);
    expect(mainValue(hertz.ofNet!(net({ nominal: 15_625, state: { ...half, ratio: 0 } })))).toBe(0);
  });

  it('read next to nothing to ground where something joined to them is shorted', () => {
    const ohms = number_('ohms');
    expect(mainValue(ohms.ofNet!(net({ shortedHere: true })))).toBeLessThan(ohms.netLimits!(net(), 1e4).deadBelow);
  });
});

it('the likeliest value of an expectation is that of its likeliest part', () => {
  expect(mainValue(number('linear', settled(3, 1, 0.4), settled(5, 1, 0.6)))).toBe(5);
  expect(mainValue({ kind: 'choice', chances: new Map([['yes', 1]]) })).toBe(0);
});
