import { unfitBoards } from '@/core/parts';
import { Refusal } from '@/core/quantity';
import { weighBoardOrPart } from '@/core/supply';
import { field, first, line, maybe, percent, type Reckoning } from './reckoning';

const share = (typed: Parameters<Reckoning['reckon']>[0], key: string): number => {
  const value = first(typed, key);
  if (value < 0 || value > 100) throw new Refusal(`${value} is no share: from 0 to 100`);
  return value / 100;
};

/** What is fitted, and at what risk. */
export const supplyReckonings: readonly Reckoning[] = [
  {
    id: 'board-or-part',
    title: 'Board or part',
    words: 'chip rework swap pads repair donor',
    fields: [
      field('part', 'The part costs', '', '4'),
      field('pins', 'Its pins', '', '48'),
      field('pitch', 'Pin to pin, millimetres', '', '0.5'),
      field('guilty', 'It is the cause, per cent', '', '80'),
      field('board', 'A board costs', '', '34'),
      field('minutes', 'Minutes to change the board', '', '12'),
      field('unfit', 'Boards that come dead or wrong, per cent', '', String(100 * unfitBoards)),
      field('hour', 'An hour is worth', '', '18'),
      { ...field('belly', 'Pad under its belly: 1', '', '0'), optional: true },
      { ...field('tired', 'Tired pads: 1', '', '0'), optional: true },
      { ...field('reworks', 'Own reworks: done and spoiled', '', '20 1'), optional: true, list: true },
    ],
    reckon(typed) {
      const [done = 0, spoiled = 0] = typed.reworks ?? [];
      if (spoiled > done) throw new Refusal('more reworks were spoiled than done');
      const { harm, part, board } = weighBoardOrPart(
        {
          money: first(typed, 'part'),
          pins: first(typed, 'pins'),
          pitch: first(typed, 'pitch'),
          belly: (maybe(typed, 'belly') ?? 0) > 0,
          tired: (maybe(typed, 'tired') ?? 0) > 0,
          guilty: share(typed, 'guilty'),
          reworks: { done, spoiled },
        },
        {
          money: first(typed, 'board'),
          minutes: first(typed, 'minutes'),
          unfit: Math.min(0.95, share(typed, 'unfit')),
        },
        first(typed, 'hour'),
      );
      const better = part.cost <= board.cost ? 'the part' : 'the board';
      return [
        { label: 'Do first', text: `${better}, by ${Math.abs(part.cost - board.cost).toFixed(2)}` },
        line('The part first, all told', part.cost, '', 4),
        line('The board at once', board.cost, '', 4),
        { label: 'The part cures it', text: percent(part.cured) },
        { label: 'The rework does harm', text: percent(harm), ...(harm > 0.1 ? { tone: 'caution' as const } : {}) },
        { label: 'Work', text: `${Math.round(part.minutes)} min against ${Math.round(board.minutes)} min` },
      ];
    },
  },
];
