import { describe, expect, it } from 'vitest';
import { nextStates, needStates } from '@/core/supply';
import { daysLate, groups, kindOf, mistakenOf, orderSheet, orderWords, stepWord, toBuy } from './partsModel';

const need = (typed: string, count: number, set: string, state: (typeof needStates)[number] = 'wanted') => ({
  typed,
  count,
  set,
  state,
});

describe('what is to be bought', () => {
  const needs = [
    need('C 680µF 50V', 3, 'Tea-room set'),
    need('C 680µF 50V', 4, 'Boat-house set'),
    need('C 680µF 50V', 1, 'Tea-room set'),
    need('R 10Ω 1W', 1, 'Tea-room set', 'ordered'),
    need('B no VB-7', 1, 'The "big" one'),
  ];

  it('stands once, with its number over all sets and for whom', () => {
    expect(toBuy(needs)).toEqual([
      { typed: 'B no VB-7', count: 1, sets: ['The "big" one'] },
      { typed: 'C 680µF 50V', count: 8, sets: ['Tea-room set', 'Boat-house set'] },
    ]);
  });

  it('is an order sheet that a spreadsheet reads', () => {
    expect(orderSheet(needs).split('\r\n')).toEqual([
      'count,part,for',
      '1,B no VB-7,"The ""big"" one"',
      '8,C 680µF 50V,Tea-room set; Boat-house set',
    ]);
  });
});

describe('a date it should have been here', () => {
  const now = Date.parse('2026-11-28T10:00:00Z');
  it.each([
    ['', undefined],
    ['2026-11-28', undefined],
    ['2026-11-29', undefined],
    ['2026-11-27', 1],
    ['2026-11-18', 10],
  ])('%s', (due, late) => expect(daysLate(due, now)).toBe(late));
});

describe('the steps of a need', () => {
  it('lead everywhere, and nowhere to itself', () => {
    for (const state of needStates) {
      expect(nextStates[state]).not.toContain(state);
      expect(needStates.some((before) => nextStates[before].includes(state))).toBe(true);
      expect(groups.filter((group) => group.state === state)).toHaveLength(1);
    }
  });

  it('are called by what they undo', () => {
    expect(stepWord('ordered', 'wanted')).toBe('Cancel');
    expect(stepWord('here', 'wanted')).toBe('Put back');
    expect(stepWord('wrong', 'wanted')).toBe('Want it again');
  });
});

it('says what kind of part a line begins', () => {
  expect(kindOf('C 680u')).toBe('capacitor');
  expect(kindOf('C')).toBeUndefined();
});

describe('a line of an order', () => {
  const line = (said?: { state: string; due: string; sent: string }) => ({
    need: 'need-1',
    set: 'Tea-room set',
    item: 'H1',
    typed: 'C 100µF 50V 105°C',
    count: 2,
    over: 0,
    price: 0.4,
    due: '2026-12-01',
    said: said && { item: 'H1', ...said },
  });
  const sent = (typed: string) => mistakenOf(line({ state: 'sent', due: '', sent: typed }));

  it('is told by what its seller said last, or by the date that was promised', () => {
    expect(orderWords(line())).toBe('due 1 Dec 2026');
    expect(orderWords(line({ state: 'back-ordered', due: '2026-12-10', sent: '' }))).toBe(
      'back-ordered, due 10 Dec 2026',
    );
    expect(orderWords({ ...line(), due: '' })).toBe('no date');
  });

  it('is mistaken where what was sent does not do for what was ordered, and says in what', () => {
    expect(sent('C 100µF 50V 105°C')).toBeUndefined();
    expect(sent('C 100u 63V 105')).toBeUndefined();
    expect(sent('C 100u 35V 105')).toBe(
      'the note says C 100µF 35V 105°C · volts: 35V, less than the 50V of the old one',
    );
    expect(sent('R 10 1W')).toBe('the note says R 10 1W');
    expect(sent('two of your finest')).toBe('the note says two of your finest');
    expect(mistakenOf(line())).toBeUndefined();
  });
});
