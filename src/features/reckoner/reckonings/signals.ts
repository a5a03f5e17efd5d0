import { Refusal } from '@/core/quantity';
import { ntcOhms } from '@/core/parts';
import { field, first, line, type Reckoning } from './reckoning';

/** Temperatures, levels and timings. */
export const signalsReckonings: readonly Reckoning[] = [
  {
    id: 'thermistor',
    title: 'Thermistor, cold and warm',
    words: 'ntc inrush temperature',
    fields: [
      field('at25', 'At 25 °C', 'Ω', '10'),
      field('b', 'B, in kelvin', '', '3000'),
      field('celsius', 'Degrees C', '', '18'),
    ],
    reckon: (typed) => [line('Reads', ntcOhms(first(typed, 'at25'), first(typed, 'b'), first(typed, 'celsius')), 'Ω')],
  },
  {
    id: 'decibels',
    title: 'Decibels',
    words: 'gain loss ratio attenuation',
    fields: [field('in', 'Volts in', 'V', '1'), field('out', 'Volts out', 'V', '0.5')],
    reckon(typed) {
      const ratio = first(typed, 'out') / first(typed, 'in');
      if (!(ratio > 0)) throw new Refusal('both must be above 0 V');
      return [
        { label: 'Gain', text: `${(20 * Math.log10(ratio)).toFixed(1)} dB` },
        { label: 'Ratio', text: `× ${Number(ratio.toPrecision(3))}` },
      ];
    },
  },
  {
    id: 'line-timing',
    title: 'Line and field timing',
    words: 'scan frequency lines period sync',
    fields: [field('line', 'Line frequency', 'Hz', '15.625k'), field('field', 'Field frequency', 'Hz', '50')],
    reckon(typed) {
      const [lines, fields] = [first(typed, 'line'), first(typed, 'field')];
      if (!(lines > fields && fields > 0))
        throw new Refusal('the line frequency is above the field frequency, both above 0');
      return [
        line('A line takes', 1 / lines, 's', 4),
        line('A field takes', 1 / fields, 's', 4),
        { label: 'Lines a field', text: (lines / fields).toFixed(1) },
      ];
    },
  },
];
