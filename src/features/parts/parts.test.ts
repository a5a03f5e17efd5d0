import { describe, expect, it } from 'vitest';
import { nextStates, needStates } from '@/core/supply';
import { daysLate, groups, kindOf, orderSheet, stepWord, toBuy } from './partsModel';

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
