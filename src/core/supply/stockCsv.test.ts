import { describe, expect, it } from 'vitest';
import { readStockCsv, writeStockCsv } from '.';

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
