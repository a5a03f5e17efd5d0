import { describe, expect, it } from 'vitest';
import { readCatalogue } from './catalogueCsv';

describe('a catalogue', () => {
  it('has an item once, with its price from each number on', () => {
    const text =
      'Order code;Part;Price;From;Stock\nH1;C 100u 50V 105;£0,40;1;250\nH1;C 100u 50V 105;0.30;10;250\n;R 10 1W;0.05;;\n';
    expect(readCatalogue(text)).toEqual([
      {
        item: 'H1',
        typed: 'C 100µF 50V 105°C',
        breaks: [
          { from: 1, price: 0.4 },
          { from: 10, price: 0.3 },
        ],
        stock: 250,
        days: undefined,
      },
      { item: 'R 10Ω 1W', typed: 'R 10Ω 1W', breaks: [{ from: 1, price: 0.05 }], stock: undefined, days: undefined },
    ]);
  });

  it.each([
    ['part,price', 'a catalogue has a heading'],
    ['thing,price\nC 1u 50V,1', 'no column is called part'],
    ['part,price\nC 1u 50V,', 'line 2: there is no price'],
    ['part,price\nC 1u 50V,1\nC 1u 50V,-3', 'line 3: "-3" is no price'],
    ['part,price,stock\nC 1u 50V,1,some', 'line 2: "some" is no number of pieces'],
    ['part,price,item\nC 1u 50V,1,H1\nC 2u2 50V,1,H1', '"H1" is C 1µF 50V on one line'],
  ])('%j is refused: %s', (text, message) => expect(() => readCatalogue(text)).toThrow(message));
});
