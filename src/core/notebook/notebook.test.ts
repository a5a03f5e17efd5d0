import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nearestWord, readDay, readOldNotes, searchQuery, sheetNamed, wordsOf } from '.';
import { lettersApart } from './search';

const today = '2026-11-24';

describe('the day of an old note', () => {
  it.each([
    ['2019-05-03', '2019-05-03'],
    ['2019-5-3', '2019-05-03'],
    ['2019-05', '2019-05-01'],
    ['2019', '2019-01-01'],
    ['3.5.2019', '2019-05-03'],
    [' 31/12/1998 ', '1998-12-31'],
  ])('%s', (typed, day) => expect(readDay(typed, today)).toBe(day));

  it.each(['', 'spring', '2019-13', '31.4.2019', '2019-02-30', '1900'])('"%s" is none', (typed) =>
    expect(() => readDay(typed, today)).toThrow(/is no day: write 2019-05-03, 2019-05, 2019 or 3.5.2019/),
  );

  it('is not to come', () => expect(() => readDay('2027', today)).toThrow(/has not been yet/));
});

describe('a list of old notes', () => {
  it('is read by its headings, whatever their order and names', () => {
    const text =
      'Chassis;Day;What it was;Set;cost;time\nHalvane HP-42;2019-05;C547 dried out;Arrivals;£1,50;40\n;;;;;\n';
    expect(readOldNotes(text, today)).toEqual([
      {
        date: '2019-05-01',
        set: 'Arrivals',
        sheet: 'Halvane HP-42',
        symptom: '',
        cause: 'C547 dried out',
        cure: '',
        parts: '',
        remember: '',
        minutes: 40,
        money: 1.5,
      },
    ]);
  });

  it('says of each line what is wrong with it', () => {
    const text = 'date,cause,minutes\n2019,dry can,40\nsoon,dry can,40\n2019,,40\n2019,dry can,long\n';
    expect(() => readOldNotes(text, today)).toThrow(
      /^line 3: "soon" is no day[^]*\nline 4: says no cause\nline 5: minutes should be a number/,
    );
    expect(() => readOldNotes('date,set\n2019,x', today)).toThrow(/no column is called cause/);
  });

  it('names its sheet by id or title', () => {
    const sheets = [{ id: 'halvane-hp-42', title: 'Halvane HP-42' }];
    for (const named of ['halvane-hp-42', ' HALVANE hp-42']) expect(sheetNamed(named, sheets)).toBe(sheets[0]);
    expect(sheetNamed('Halvane', sheets)).toBeUndefined();
  });
});

describe('words that are searched for', () => {
  it('are cut at what is neither letter nor digit, and no query syntax leaks in', () => {
    expect(wordsOf('C547 "dry" OR (4.7k*')).toEqual(['c547', 'dry', 'or', '4.7k']);
    expect(searchQuery(wordsOf('upper" OR *'))).toBe('"upper" AND "or"*');
    fc.assert(
      fc.property(fc.string(), (typed) => {
        expect(searchQuery(wordsOf(typed)).replace(/"[\p{L}\p{N} ]+"\*?/gu, '')).toMatch(/^( AND | OR |[()])*$/);
      }),
    );
  });

  it('find a value however it was written', () => {
    for (const way of ['"680uf"', '"680µf"', '"0 68m"', '"680µ"']) expect(searchQuery(['680u'])).toContain(way);
    for (const way of ['"4 7k"', '"4 7kω"', '"4700"']) expect(searchQuery(['4k7'])).toContain(way);
    for (const way of ['"4k7"', '"4k7ohm"']) expect(searchQuery(['4.7k'])).toContain(way);
    expect(searchQuery(['1990'])).toBe('"1990"*');
  });

  it('are as far apart as letters were put in, left out, changed or swapped', () => {
    expect(lettersApart('posistor', 'posistor', 2)).toBe(0);
    expect(lettersApart('posister', 'posistor', 2)).toBe(1);
    expect(lettersApart('posisotr', 'posistor', 2)).toBe(1);
    expect(lettersApart('pstor', 'posistor', 3)).toBe(3);
    const words = fc.string({ maxLength: 9 });
    fc.assert(
      fc.property(words, words, (a, b) => {
        expect(lettersApart(a, b, 99)).toBe(lettersApart(b, a, 99));
        expect(lettersApart(a, b, 1)).toBe(Math.min(2, lettersApart(a, b, 99)));
      }),
    );
  });

  it('are taken for the nearest there is, of two the commoner, never for a far one', () => {
    const there = [
      { word: 'capacitor', count: 4 },
      { word: 'fuse', count: 2 },
      { word: 'fused', count: 9 },
    ];
    expect(nearestWord('capasitor', there)).toBe('capacitor');
    expect(nearestWord('capasi', there)).toBe('capacitor');
    expect(nearestWord('fuze', there)).toBe('fused');
    expect(nearestWord('tube', there)).toBeUndefined();
    expect(nearestWord('fos', there)).toBeUndefined();
  });
});
