import { Refusal } from '@/core/quantity';
import { change, field, first, line, type Reckoning } from './reckoning';

/** What the meter itself does to what it reads. */
export const meterReckonings: readonly Reckoning[] = [
  {
    id: 'meter-load',
    title: 'What the meter takes',
    words: 'burden loading input resistance cathode screen true volts',
    fields: [
      field('read', 'Read', 'V', '96'),
      field('source', 'Fed through', 'Ω', '470k'),
      field('meter', 'The meter’s own', 'Ω', '10M'),
    ],
    reckon(typed) {
      const [read, source, meter] = [first(typed, 'read'), first(typed, 'source'), first(typed, 'meter')];
      if (!(meter > 0)) throw new Refusal('the meter’s own resistance is above 0 Ω, like 10M');
      const without = read * (1 + source / meter);
      return [line('Without the meter', without, 'V', 4), { label: 'It took', text: change(meter / (meter + source)) }];
    },
  },
];
