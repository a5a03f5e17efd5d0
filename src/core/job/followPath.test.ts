import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { attempt, Refusal } from '../quantity';
import { traceOf, withTraced } from '../tracing';
import { followPath, followShort } from '.';

/** A chip on the video board drives a cathode on the neck board, through a plug. */
const parts = [
  'IC1 8',
  'R1 100',
  'R2 4k7',
  'C1 100n',
  'CN9 plug 4',
  'Q5 npn',
  'R3 12k',
  'R4 1k5',
  'R5 390',
  'D1',
  'CN7 3',
];
const beeps = [
  'IC1.8 R1.1',
  'IC1.4 gnd',
  'R1.2 CN9.3',
  'R2.1 R1.2',
  'R2.2 gnd',
  'C1.1 +12',
  'C1.2 gnd',
  'CN9.3f Q5.b',
  'Q5.e R5.1',
  'R5.2 gnd',
  'Q5.c R3.1',
  'R3.2 +180',
  'Q5.c R4.1',
  'R4.2 CN7.1',
  'D1.a R4.2',
  'D1.k +180',
];
const board = [...parts, ...beeps];
const followed = (...lines: readonly string[]) => {
  const trace = traceOf([...board, ...lines]);
  expect(trace.refused).toEqual([]);
  return followPath(trace, trace.path!);
};
const whole = 'path IC1.8 CN7.1';
/** The pins where it is looked for are the ones of the way; what is before the fault is there, what is behind it gone. */
const hunted = (isGoneAt: (spot: string) => boolean) => {
  const looks: string[] = [];
  for (;;) {
    const { next, suspects } = followed(whole, ...looks);
    if (!next) return { looks: looks.length, first: suspects[0]! };
    looks.push(`${isGoneAt(next.at) ? 'gone' : 'there'} ${next.at}`);
  }
};

describe('what goes from a pin to another', () => {
  it('is followed through parts and plugs, on to the other board, and through no rail', () => {
    const { route, suspects, next } = followed(whole);
    expect(route).toEqual(['IC1.8', 'R1.1', 'R1.2', 'CN9.3', 'CN9.3f', 'Q5.b', 'Q5.c', 'R4.1', 'R4.2', 'CN7.1']);
    expect(suspects.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 12);
    expect(
      suspects
        .filter(({ kind }) => kind === 'shunt')
        .map(({ what }) => what)
        .sort(),
    ).toEqual(['D1', 'R2', 'R3']);
    expect(suspects.some(({ what }) => what === 'C1')).toBe(false);
    expect(next!.gone).toBeGreaterThan(0.3);
    expect(next!.gone).toBeLessThan(0.7);
  });

  it('comes from the nearest chip where nobody says from where', () => {
    expect(followed('path CN7.1').route).toEqual(followed(whole).route);
  });

  it('stops at each part of its way in few looks', () => {
    const { route } = followed(whole);
    for (const [part, behind] of [
      ['R1', 'R1.2'],
      ['CN9', 'CN9.3f'],
      ['Q5', 'Q5.c'],
      ['R4', 'R4.2'],
    ] as const) {
      const found = hunted((at) => route.indexOf(at) >= route.indexOf(behind));
      expect([part, found.first]).toEqual([part, expect.objectContaining({ kind: 'part', what: part })]);
      expect(found.looks).toBeLessThanOrEqual(5);
    }
  });

  it('stops at copper between two pins that should be one', () => {
    const { route } = followed(whole);
    const found = hunted((at) => route.indexOf(at) >= route.indexOf('Q5.b'));
    expect(found.first).toMatchObject({ kind: 'joint', what: 'CN9.3f – Q5.b' });
  });

  it('is not there at all where what gives it does not, and the first look of all says so', () => {
    expect(followed(whole, 'gone IC1.8').suspects[0]).toMatchObject({ kind: 'source', what: 'IC1.8' });
  });

  it('may be pulled down by what hangs on its way, and the copper and parts before that are cleared', () => {
    const before = followed(whole, 'there R4.1', 'gone R4.2');
    const pulled = before.suspects.find(({ kind }) => kind === 'shunt')!;
    expect(pulled.what).toBe('D1');
    expect(pulled.chance).toBeGreaterThan(0.1);
    expect(before.suspects.find(({ what }) => what === 'R1')!.chance).toBeLessThan(0.05);
  });

  it('is looked for where it does not go, which is said; looks that no one thing explains, too', () => {
    expect(followed(whole, 'there Q5.e').beside).toEqual(['Q5.e']);
    const against = followed(whole, 'gone R1.2', 'there R4.2');
    expect(against.explained).toBe(false);
    expect(followed(whole, 'there R1.2', 'gone R4.2').explained).toBe(true);
    // What is found again is what stands.
    expect(followed(whole, 'gone R1.2', 'there R4.2', 'there R1.2').explained).toBe(true);
  });

  it('leads nowhere while it is not traced, and says where it ends', () => {
    const trace = traceOf([...parts, ...beeps.filter((line) => !line.includes('CN9.3f')), whole]);
    const found = followPath(trace, trace.path!);
    expect(found).toMatchObject({ route: [], suspects: [], next: undefined });
    expect(found.ends).toEqual(expect.arrayContaining(['CN9.3f', 'Q5.b']));
    const unplugged = traceOf([
      ...parts.map((line) => line.replace(' plug', '')),
      ...beeps.filter((line) => !line.includes('CN9.3f')),
      whole,
    ]);
    expect(followPath(unplugged, unplugged.path!).ends).toContain('CN9.3');
  });

  it('comes from a rail as well, and from or to one that nothing is on yet leads nowhere', () => {
    expect(followed('path +180 CN7.1').route.slice(0, 3)).toEqual(['+180', 'R3.2', 'R3.1']);
    for (const line of ['path +99 CN7.1', 'path IC1.8 +99', 'path +99'])
      expect([line, followed(line)]).toMatchObject([line, { route: [], suspects: [], next: undefined }]);
    expect(followed(whole, 'gone +99').beside).toEqual(['+99']);
  });

  it('is the same whatever the order in which it was traced', () => {
    const { suspects } = followed(whole);
    fc.assert(
      fc.property(fc.shuffledSubarray(beeps, { minLength: beeps.length }), (shuffled) => {
        const trace = traceOf([...parts, ...shuffled, whole]);
        const found = followPath(trace, trace.path!);
        expect(new Map(found.suspects.map(({ what, chance }) => [what, chance.toFixed(9)]))).toEqual(
          new Map(suspects.map(({ what, chance }) => [what, chance.toFixed(9)])),
        );
      }),
      { numRuns: 20 },
    );
  });

  it.each([
    ['path', 'where it comes from and where it should arrive'],
    ['path IC1.8 IC1.8', 'IC1.8 twice'],
    ['path IC1.8 gnd', 'nothing is followed to the ground'],
    ['path IC1.9 Q5.c', 'IC1 has the pins 1, 2'],
    ['there Q5.b', 'nothing is followed'],
    ['CN9 plug', 'how many pins has CN9? Write CN9 plug 8'],
    ['IC1 plug 2', 'IC1 is there as chip'],
  ])('%s is refused', (line, message) => {
    const refused = attempt(() => withTraced(traceOf(board), line));
    expect(refused).toBeInstanceOf(Refusal);
    expect((refused as Refusal).message).toContain(message);
  });
});

describe('a plug to another board', () => {
  it('makes contact until it is found not to', () => {
    const trace = traceOf([...board, 'CN7 plug 3', 'CN7.1f CN9.4']);
    expect(trace.refused).toEqual([]);
    expect(trace.parts.find(({ ref }) => ref === 'CN7')!.pins).toEqual(['1', '2', '3', '1f', '2f', '3f']);
  });

  it('is pulled first where a rail that reads like a short leads through it', () => {
    const trace = traceOf([
      'CN1 plug 2',
      'C1 470u',
      'C2 100u',
      'C3 220u',
      'C1.1 +12',
      'C1.2 gnd',
      'CN1.1 +12',
      'CN1.1f C2.1',
      'C2.2 gnd',
      'C3.1 CN1.1f',
      'C3.2 gnd',
      'short +12 0.6',
    ]);
    const { next, suspects } = followShort(trace, trace.short!);
    expect(suspects.map(({ ref, through }) => [ref, ...through].join(' ')).sort()).toEqual(['C1', 'C2 CN1', 'C3 CN1']);
    expect(next).toMatchObject({ ref: 'CN1', takesOff: ['C2', 'C3'] });
  });
});
