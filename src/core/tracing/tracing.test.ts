import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedStages } from '@/sheets/stages';
import { readNetlist, Stage } from '../circuit';
import { seeded } from '../statistics';
import {
  beptThroughText,
  contradictionText,
  netlistOf,
  netOf,
  nextBeep,
  PatternLibrary,
  patternOf,
  stageKindOf,
  traceBoard,
  traceInOrder,
  traceOf,
  variantOf,
  withTraced,
} from '.';
import { readTracedPart } from './part';

const patterns = shippedStages().map(({ id, text }) => patternOf(id, readNetlist(text)));
const library = new PatternLibrary(patterns);
const ofId = (id: string) => patterns.find((one) => one.id === id)!;

describe('a part as it is typed', () => {
  it.each([
    ['R12 4k7', { ref: 'R12', kind: 'resistor', value: 4700, pins: ['1', '2'] }],
    ['D9 6V2', { ref: 'D9', kind: 'zener', value: 6.2 }],
    ['c3 100n', { ref: 'C3', kind: 'capacitor', value: 1e-7 }],
    ['Q5 npn', { ref: 'Q5', kind: 'npn', value: undefined, pins: ['b', 'c', 'e'] }],
    ['D2 zener 5.6', { ref: 'D2', kind: 'zener', value: 5.6 }],
    ['VR1 10k', { ref: 'VR1', kind: 'trimmer', value: 10_000, pins: ['1', 'w', '2'] }],
    ['F801', { ref: 'F801', kind: 'fuse', value: undefined }],
    ['TR4 pnp', { ref: 'TR4', kind: 'pnp' }],
    ['CN2 3', { ref: 'CN2', kind: 'chip', pins: ['1', '2', '3'] }],
    ['IC1 8', { ref: 'IC1', kind: 'chip', pins: ['1', '2', '3', '4', '5', '6', '7', '8'] }],
  ])('%s', (typed, part) => expect(readTracedPart(typed)).toMatchObject(part));

  it.each([
    ['', /is no reference/],
    ['Q5', /what is Q5\? Say npn/],
    ['R12 red', /"red" is no value of a resistor/],
    ['+24', /say what lies on the rail: R12.2 \+24/],
    ['C3 4k7Ω', /is no value of a capacitor/],
    ['IC1', /how many pins has IC1/],
    ['R12 4k7 5k', /one part a line/],
  ])('"%s" is refused', (typed, message) => expect(() => readTracedPart(typed)).toThrow(message));
});

describe('what was beeped', () => {
  const lines = ['R1 1k', 'R2 2k2', 'Q5 npn', 'R1.1 +12', 'R1.2 q5.B', 'Q5.e gnd', 'R2.1 Q5b'];

  it('makes pins one node, in whatever order it was found or taken back', () => {
    const { parts, facts, refused } = traceOf(lines);
    expect(refused).toEqual([]);
    const { nodeOf, nodes } = netOf(parts, facts);
    expect(nodeOf.get('R1.2')).toBe(nodeOf.get('R2.1'));
    expect(nodes.map(({ name }) => name).sort()).toEqual(['+12', 'gnd', 'n1', 'n2', 'n3']);
    fc.assert(
      fc.property(fc.shuffledSubarray([...facts], { minLength: facts.length }), (shuffled) => {
        const groups = (net: ReturnType<typeof netOf>) =>
          net.nodes.map(({ spots }) => [...spots].sort().join(' ')).sort();
        expect(groups(netOf(parts, shuffled))).toEqual(groups(netOf(parts, facts)));
        expect(groups(netOf(parts, shuffled.slice(1).concat(shuffled[0]!)))).toEqual(groups(netOf(parts, facts)));
      }),
    );
  });

  it('that cannot all be true is said with the beeps that are against each other', () => {
    const { parts, facts } = traceOf([...lines, 'R1.2 not R2.1', 'R1.1 R1.2']);
    const { contradictions } = netOf(parts, facts);
    expect(contradictions.map(contradictionText)).toEqual([
      'R1.2 – Q5.b – R2.1 beep, but R1.2 and R2.1 did not beep: beep the shortest of these again',
    ]);
    const rails = netOf(parts, traceOf([...lines, 'R1.2 R1.1', 'R2.1 gnd']).facts).contradictions;
    expect(rails.map(contradictionText).join()).toMatch(/\+12 and gnd are two rails|gnd and \+12 are two rails/);
  });

  it('is not made of what a coil, a fuse or next to no ohms let through', () => {
    const lines = ['L1', 'R1 0.47', 'R2 4k7', 'Q5 npn', 'L1.1 Q5.c', 'L1.2 R2.1', 'L1.1 L1.2', 'R1.1 R1.2 0.5'];
    const of = (...more: string[]) => {
      const { parts, facts } = traceOf([...lines, ...more]);
      return netOf(parts, facts);
    };
    // What is beeped across them says that they are whole.
    expect(of().beptThrough).toEqual([]);
    expect(of().nodeOf.get('L1.1')).not.toBe(of().nodeOf.get('L1.2'));
    const through = of('Q5.c R2.1');
    expect(through.contradictions).toEqual([]);
    expect(through.beptThrough.map(beptThroughText)).toEqual([
      'L1.1 – Q5.c – R2.1 – L1.2 beep, and L1 beeps by itself: lift a leg of it and beep again. What went through it is written Q5.c not R2.1',
    ]);
    expect(of('Q5.c R2.1', 'Q5.c not R2.1').beptThrough).toEqual([]);
    // A resistor of some ohms is no such part.
    const { nodeOf } = of('R2.1 R2.2');
    expect(nodeOf.get('R2.1')).toBe(nodeOf.get('R2.2'));
  });

  it('of one pair stands as it was found more often, and else as it was found last', () => {
    const { parts, facts } = traceOf([...lines, 'R1.2 R2.2', 'R1.2 not R2.2', 'R2.2 not R1.2']);
    const net = netOf(parts, facts);
    expect(net.nodeOf.get('R2.2')!.spots).toEqual(['R2.2']);
    expect(net.contradictions).toEqual([]);
  });

  it.each([
    ['R1.1 R9.1', /there is no "R9.1" here/],
    ['R1.3 gnd', /R1 has the pins 1, 2/],
    ['R1.1 R1.1', /R1.1 twice/],
    ['+12 gnd', /short of two rails/],
    ['R1.1 gnd +12', /is no ohms|two spots a line/],
    ['Q5 pnp', /Q5 is there as npn/],
  ])('"%s" is refused', (typed, message) => {
    const trace = traceOf(lines);
    expect(() => withTraced(trace, typed)).toThrow(message);
  });

  it('is no beep from two ohms on', () => {
    expect(traceOf([...lines, 'R1.1 R2.2 1.4']).facts.at(-1)).toMatchObject({ found: 'joined', ohms: 1.4 });
    expect(traceOf([...lines, 'R1.1 R2.2 4k7']).facts.at(-1)).toMatchObject({ found: 'apart', ohms: 4700 });
  });
});

describe('tracing a board by what is said to be beeped next', () => {
  const sure = { wrong: 0, random: seeded(1) };

  it.each(['series-regulator', 'rgb-driver', 'vertical-discrete', 'main-supply'])(
    'finds the whole of %s in under half the beeps of pin by pin',
    (id) => {
      const traced = traceBoard(ofId(id), library, sure);
      expect(traced.whole).toBe(true);
      for (const order of ['as found', 'largest first'] as const)
        expect(traced.beeps).toBeLessThan(0.5 * traceInOrder(ofId(id), order, sure).beeps);
    },
  );

  it('finds nearly all stages whole that another maker builds otherwise, and still knows them', () => {
    const boards = patterns.filter((_, at) => at % 3 === 0).map((one, seed) => variantOf(one, seeded(100 + seed)));
    const traced = boards.map((board) => traceBoard(board, library, sure));
    expect(traced.filter(({ whole }) => whole).length).toBeGreaterThanOrEqual(0.85 * boards.length);
    expect(traced.filter(({ namedAt }) => namedAt !== undefined).length).toBeGreaterThanOrEqual(0.85 * boards.length);
  });

  it('finds nearly all of it where two beeps of a hundred are misheard', () => {
    const random = seeded(7);
    const wholes = [0, 1, 2, 3, 4].filter(
      () => traceBoard(ofId('series-regulator'), library, { wrong: 0.02, random }).whole,
    );
    expect(wholes.length).toBeGreaterThanOrEqual(4);
  });

  it('finds what goes to ground also where no rail was named', () => {
    const pattern = ofId('igniter');
    const { net, whole } = traceBoard(pattern, library, sure);
    expect(whole).toBe(true);
    expect(net.nodeOf.get('gnd')!.spots.length).toBeGreaterThan(3);
  });

  it('asks nothing of a board without parts', () => {
    const net = netOf([], []);
    expect(nextBeep(net, library, library.believe(net))).toBeUndefined();
  });
});

describe('a stage that is not known', () => {
  it('is called none of those that are, for nearly all of them', () => {
    const all = library.patterns;
    const unknown = all.filter((pattern) => {
      const facts = pattern.nodes.flatMap(([first, ...more]) =>
        more.map((b) => ({ a: first!, b, found: 'joined' as const })),
      );
      const others = new PatternLibrary(all.filter((one) => stageKindOf(one) !== stageKindOf(pattern)));
      return others.believe(netOf(pattern.parts, facts))[0]!.pattern === undefined;
    });
    expect(unknown.length / all.length).toBeGreaterThanOrEqual(0.9);
  });
});

describe('what was traced as a circuit', () => {
  it('stands at the volts of the stage it is, also where a value was not read', () => {
    const pattern = ofId('brightness-chain');
    const truth = Stage.open(shippedStages().find(({ id }) => id === pattern.id)!.text);
    const lines = [
      'R1 220k',
      'R2 100k',
      'R3',
      'R4 22M',
      'R1.1 +180',
      'R2.2 gnd',
      'R4.2 gnd',
      'R1.2 R2.1',
      'R1.2 R3.1',
      'R3.2 R4.1',
    ];
    const { parts, facts } = traceOf(lines);
    const net = netOf(parts, facts);
    const { text, guesses, left } = netlistOf(net, library.believe(net), 'traced');
    expect(left).toEqual([]);
    expect(guesses).toMatchObject([{ ref: 'R3' }]);
    const stage = Stage.open(text);
    const volts = (pin: string) => stage.volts.get(net.nodeOf.get(pin)!.name)!;
    expect(volts('R1.2')).toBeCloseTo(truth.volts.get('brt')!, 0);
    expect(volts('R3.2')).toBeCloseTo(truth.volts.get('g1')!, 0);
  });

  it('holds a fuse for a joint and a trimmer midway', () => {
    const { parts, facts } = traceOf([
      'F1',
      'VR1 10k',
      'R1 10k',
      'F1.1 +12',
      'F1.2 VR1.1',
      'VR1.2 gnd',
      'VR1.w R1.1',
      'R1.2 gnd',
    ]);
    const net = netOf(parts, facts);
    const { text, left } = netlistOf(net, library.believe(net), 'traced');
    expect(left).toEqual([]);
    // 5 kΩ over 5 kΩ beside 10 kΩ.
    expect(Stage.open(text).volts.get(net.nodeOf.get('R1.1')!.name)).toBeCloseTo(12 * (10 / 3 / (5 + 10 / 3)), 2);
  });

  it('leaves out chips and what leads nowhere, and says so', () => {
    const { parts, facts } = traceOf([
      'R1 1k',
      'R2 1k',
      'IC1 8',
      'D1',
      'Q1 npn',
      'R1.1 +12',
      'R1.2 R2.1',
      'R2.2 gnd',
      'IC1.1 R1.2',
    ]);
    const net = netOf(parts, facts);
    const { left, text } = netlistOf(net, library.believe(net), 'traced');
    expect(left).toEqual(['IC1', 'D1', 'Q1']);
    expect(Stage.open(text).volts.get('n1')).toBeCloseTo(6, 6);
  });
});
