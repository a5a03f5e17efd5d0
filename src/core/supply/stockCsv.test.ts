import { describe, expect, it } from 'vitest';
import { headingsOf, namesParts, readStockCsv, withHeadings, writeStockCsv } from '.';

describe('a stock list', () => {
  it('takes parts as typed or by their figures, under headings of several names', () => {
    const typed = readStockCsv('Part,Qty,Bin\nC 680u 50V 105 lowesr,4,B3\n"R 4k7 0.5W",,R1\n');
    expect(typed.map(({ count, drawer, origin }) => [count, drawer, origin])).toEqual([
      [4, 'B3', 'new'],
      [1, 'R1', 'new'],
    ]);
    const apart = readStockCsv('part;farads;volts;count;from\nC;680u;50V;4;old stock\n');
    expect(apart[0]).toMatchObject({ part: { figures: { volts: 50 } }, count: 4, origin: 'old stock' });
  });

  it('reads back what it writes', () => {
    const lines = readStockCsv(
      'part,count,drawer,from\nQ npn 1500V 8A damper,2,"Q, left",new\nC 100n 275VAC x2,6,F3,old\n',
    );
    expect(readStockCsv(writeStockCsv(lines))).toEqual(lines);
  });

  it.each([
    ['', /line 1: a stock list has a heading/],
    ['what,count\n', /line 1: a stock list has a heading/],
    ['name,count\nC 1u 50V,2', /line 1: no column is called part.*"name"/],
    ['part,count\nC 1u 50V,-3', /line 2: "-3" is no number of pieces/],
    ['part,count\nC 1u 50V,2\nZ 12V,1\nC 1u 50V blue,1', /line 3: "Z" is no kind of part\nline 4: "blue" is nothing/],
    ['part,count\n"C 1u 50V,2', /line 2: .*[Qq]uote/],
  ])('refuses %j', (text, message) => expect(() => readStockCsv(text)).toThrow(message));

  it('tells a dozen wrong lines and how many more there are', () => {
    const text = ['part', ...Array.from({ length: 30 }, (_, line) => `Z${line}`)].join('\n');
    expect(() => readStockCsv(text)).toThrow(/and 18 more lines$/);
  });
});

describe('a list under other headings', () => {
  it('keeps its separator and its lines, and names what was said', () => {
    const text = 'Sorte;Lade;Menge\nC 56u 63V 105;X3;9\n';
    expect(headingsOf(text)).toEqual(['Sorte', 'Lade', 'Menge']);
    expect(namesParts(headingsOf(text))).toBe(false);
    const named = withHeadings(
      text,
      new Map([
        [0, 'part'],
        [2, 'count'],
      ]),
    );
    expect(named).toBe('part;column 2;count\nC 56u 63V 105;X3;9\n');
    expect(readStockCsv(named)).toMatchObject([{ count: 9, drawer: '' }]);
  });

  it('counts its lines from where a piece of it stands', () => {
    expect(() => readStockCsv('part,count\nC 1u 50V,x', 4000)).toThrow('line 4002');
  });
});
