import { boostedRipple, esrLimit, reservoirFor, reservoirRipple } from '@/core/parts';
import { peakPower, storedEnergy, timeConstant, timeToFall } from '@/core/safety';
import { field, first, line, maybe, type Reckoning } from './reckoning';

/** A store counts as empty to the hand below this, and is proven only by a reading. */
const lowVolts = 5;
/** What a good one of each series stays under. */
const seriesTitles = {
  general: 'A good one reads less than',
  low: 'Made for low ESR, less than',
  polymer: 'A polymer one, less than',
} as const;

/** What is stored, how it goes, and what smooths it. */
export const chargeReckonings: readonly Reckoning[] = [
  {
    id: 'discharge',
    title: 'Discharge a store',
    words: 'capacitor bleed resistor tool time energy',
    fields: [
      field('farads', 'Capacitance', 'F', '330u'),
      { ...field('volts', 'Volts on it', 'V', '320'), follows: true },
      field('ohms', 'Resistor of the tool', 'Ω', '2k2'),
      { ...field('watts', 'Its rating', 'W', '5'), optional: true },
    ],
    reckon(typed) {
      const store = { farads: first(typed, 'farads'), volts: first(typed, 'volts'), ohms: first(typed, 'ohms') };
      const seconds = timeToFall(store, lowVolts);
      const peak = peakPower(store);
      const energy = storedEnergy(store);
      const average = seconds > 0 ? energy / seconds : 0;
      const watts = maybe(typed, 'watts');
      return [
        line(`Time to ${lowVolts} V`, seconds, 's'),
        { label: 'Energy', text: `${energy.toPrecision(3)} J` },
        line('Peak power', peak, 'W'),
        line('Average power', average, 'W'),
        ...(watts !== undefined && average > watts
          ? [
              {
                label: 'Rating',
                text: 'more than it is rated for on average: a larger resistor',
                tone: 'caution' as const,
              },
            ]
          : []),
        {
          label: 'Then',
          text: 'proven only by a reading, and read again: a large one recovers 1 to 3 %',
          tone: 'caution',
        },
      ];
    },
  },
  {
    id: 'bleed',
    title: 'Bleed from two readings',
    words: 'time constant decay falling',
    fields: [
      field('first', 'First reading', 'V', '180'),
      field('second', 'Second reading', 'V', '95'),
      field('apart', 'Seconds apart', 's', '20'),
      { ...field('farads', 'Capacitance', 'F', '330u'), optional: true },
    ],
    reckon(typed) {
      const tau = timeConstant(first(typed, 'first'), first(typed, 'second'), first(typed, 'apart'));
      const farads = maybe(typed, 'farads');
      const left = tau * Math.log(first(typed, 'second') / lowVolts);
      return [
        line('Time constant', tau, 's'),
        line(`From now to ${lowVolts} V`, Math.max(0, left), 's'),
        ...(farads === undefined ? [] : [line('Bleed resistance', tau / farads, 'Ω')]),
      ];
    },
  },
  {
    id: 'reservoir',
    title: 'Reservoir and ripple',
    words: 'filter capacitor smoothing hum',
    fields: [
      field('amperes', 'Load', 'A', '1.5'),
      field('charges', 'Charges a second', 'Hz', '100'),
      { ...field('farads', 'Capacitance', 'F', '4700u'), optional: true },
      { ...field('ripple', 'Ripple wanted, peak to peak', 'V', '2'), optional: true },
    ],
    reckon(typed) {
      const load = { amperes: first(typed, 'amperes'), charges: first(typed, 'charges') };
      const [farads, ripple] = [maybe(typed, 'farads'), maybe(typed, 'ripple')];
      return [
        ...(farads === undefined ? [] : [line('Ripple, at most', reservoirRipple(load, farads), 'V')]),
        ...(ripple === undefined ? [] : [line('Capacitance, at least', reservoirFor(load, ripple), 'F')]),
      ];
    },
  },
  {
    id: 'boosted',
    title: 'Ripple behind a boosting front end',
    words: 'reservoir 385 power factor 100 Hz plasma',
    fields: [
      field('watts', 'The set draws', 'W', '300'),
      field('volts', 'Reservoir', 'V', '385'),
      field('farads', 'Capacitance', 'F', '330u'),
      field('mains', 'Mains', 'Hz', '50'),
    ],
    reckon(typed) {
      const set = { watts: first(typed, 'watts'), volts: first(typed, 'volts'), mains: first(typed, 'mains') };
      const ripple = boostedRipple(set, first(typed, 'farads'));
      return [
        line('Ripple of a good one, peak to peak', ripple, 'V', 2),
        { label: 'Twice that', text: 'half of its capacitance is gone', tone: 'caution' as const },
      ];
    },
  },
  {
    id: 'esr',
    title: 'ESR limit',
    words: 'electrolytic dry capacitor',
    fields: [field('farads', 'Capacitance', 'F', '470u'), { ...field('volts', 'Its volts', 'V', '25'), follows: true }],
    reckon: (typed) =>
      (['general', 'low', 'polymer'] as const).map((series) =>
        line(seriesTitles[series], esrLimit(first(typed, 'farads'), first(typed, 'volts'), series), 'Ω', 2),
      ),
  },
];
