import { nextCanCapacitor, resonance } from '@/core/parts';
import { field, first, line, type Reckoning } from './reckoning';

/** Coils and cans. */
export const tuningReckonings: readonly Reckoning[] = [
  {
    id: 'tuned',
    title: 'Tuned circuit',
    words: 'resonance coil can frequency',
    fields: [field('inductance', 'Coil', 'H', '650n'), field('capacitance', 'Capacitor', 'F', '33p')],
    reckon: (typed) => [line('Tunes to', resonance(first(typed, 'inductance'), first(typed, 'capacitance')), 'Hz', 4)],
  },
  {
    id: 'can',
    title: 'Next capacitor for a tuned can',
    words: 'slug trial tuned can if coil',
    fields: [
      field('one', 'First capacitor tried', 'F', '33p'),
      field('oneTurns', 'Slug peaked at, turns', '', '1'),
      field('two', 'Second capacitor tried', 'F', '27p'),
      field('twoTurns', 'Slug peaked at, turns', '', '5'),
      field('lower', 'Slug loses it at one end, turns', '', '0'),
      field('upper', 'and at the other, turns', '', '7'),
    ],
    reckon(typed) {
      const middle = (first(typed, 'lower') + first(typed, 'upper')) / 2;
      return [
        { label: 'Middle of the slug', text: `${Number(middle.toPrecision(3))} turns` },
        line(
          'Try',
          nextCanCapacitor(
            [
              { farads: first(typed, 'one'), turns: first(typed, 'oneTurns') },
              { farads: first(typed, 'two'), turns: first(typed, 'twoTurns') },
            ],
            middle,
          ),
          'F',
        ),
        { label: 'Before turning', text: 'let the can cool for some minutes: the iron has drifted', tone: 'caution' },
      ];
    },
  },
];
