import {
  bandDoubts,
  bandsOf,
  changeRetrace,
  codeOf,
  esrLimit,
  nearestPair,
  nextCanCapacitor,
  ntcOhms,
  parallelBank,
  readCode,
  reservoirFor,
  reservoirRipple,
  resonance,
  seriesBank,
} from '@/core/parts';
import { formatQuantity, nearestPreferred, type Unit } from '@/core/quantity';
import { peakPower, seriesLampPoint, storedEnergy, timeConstant, timeToFall } from '@/core/safety';

/** Something to be typed. */
export interface ReckonField {
  readonly key: string;
  readonly label: string;
  readonly unit: Unit;
  readonly example: string;
  /** May be left empty. */
  readonly optional?: true;
  /** Several values apart by spaces. */
  readonly list?: true;
}

/** A line of the answer. */
export interface ReckonLine {
  readonly label: string;
  readonly text: string;
  readonly tone?: 'caution';
}

/** Typed values by key; lists have many. */
export type Typed = Readonly<Record<string, readonly number[]>>;

/** Something that can be reckoned. */
export interface Reckoning {
  readonly id: string;
  readonly title: string;
  /** Other words it is looked for by. */
  readonly words: string;
  readonly fields: readonly ReckonField[];
  /** @throws RangeError where the values make no sense together */
  reckon(typed: Typed): ReckonLine[];
}

const field = (key: string, label: string, unit: Unit, example: string): ReckonField => ({ key, label, unit, example });
const line = (label: string, value: number, unit: Unit, digits = 3): ReckonLine => ({
  label,
  text: formatQuantity(value, unit, digits),
});
const percent = (share: number) => `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
const change = (ratio: number) => `${ratio >= 1 ? '+' : '−'}${Math.abs((ratio - 1) * 100).toFixed(1)} %`;
const first = (typed: Typed, key: string): number => typed[key]![0]!;
const maybe = (typed: Typed, key: string): number | undefined => typed[key]?.[0];

/** A store counts as empty to the hand below this, and is proven only by a reading. */
const lowVolts = 5;
/** High voltage that grows by more than this calls for the caution. */
const ehtSlack = 1.005;
/** Share of a transistor's limit that a peak should stay below. */
const peakShare = 0.85;

export const reckonings: readonly Reckoning[] = [
  {
    id: 'discharge',
    title: 'Discharge a store',
    words: 'capacitor bleed resistor tool time energy',
    fields: [
      field('farads', 'Capacitance', 'F', '330u'),
      field('volts', 'Volts on it', 'V', '320'),
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
    id: 'lamp',
    title: 'Lamp in series',
    words: 'series lamp bulb power up limiter',
    fields: [
      field('lamp', 'Lamp', 'W', '100'),
      field('rated', 'Its volts', 'V', '230'),
      field('mains', 'Mains', 'V', '230'),
      field('load', 'What the set draws', 'W', '60'),
    ],
    reckon(typed) {
      const lamp = { watts: first(typed, 'lamp'), volts: first(typed, 'rated') };
      const mains = first(typed, 'mains');
      const watts = first(typed, 'load');
      const runs = seriesLampPoint(lamp, mains, { kind: 'watts', watts });
      const resistive = seriesLampPoint(lamp, mains, { kind: 'ohms', ohms: mains ** 2 / watts })!;
      const short = seriesLampPoint(lamp, mains, { kind: 'short' })!;
      return [
        runs
          ? {
              label: 'A good switched supply',
              text: `runs at ${formatQuantity(runs.loadVolts, 'V', 3)}, lamp at ${percent(runs.brightness)} light`,
            }
          : {
              label: 'A good switched supply',
              text: 'will not start behind this lamp: it hiccups. A larger lamp',
              tone: 'caution',
            },
        {
          label: 'A plain load',
          text: `gets ${formatQuantity(resistive.loadVolts, 'V', 3)}, lamp at ${percent(resistive.brightness)} light`,
        },
        {
          label: 'A short',
          text: `lamp steady at ${percent(short.brightness)} light, ${formatQuantity(short.amperes, 'A', 3)}`,
        },
      ];
    },
  },
  {
    id: 'line-output',
    title: 'Line output and its retrace capacitor',
    words: 'horizontal retrace flyback peak eht width x-ray safety capacitor',
    fields: [
      field('supply', 'Supply', 'V', '112'),
      field('inductance', 'Coil and primary together', 'H', '900u'),
      field('capacitance', 'Retrace capacitance', 'F', '11n'),
      field('line', 'Line frequency', 'Hz', '15.625k'),
      field('added', 'Added, or lost with a minus', 'F', '-2n2'),
      { ...field('limit', 'Transistor stands', 'V', '1500'), optional: true },
      { ...field('eht', 'High voltage now', 'V', '23k'), optional: true },
    ],
    reckon(typed) {
      const stage = {
        supply: first(typed, 'supply'),
        inductance: first(typed, 'inductance'),
        capacitance: first(typed, 'capacitance'),
        line: first(typed, 'line'),
      };
      const { before, after, eht, width } = changeRetrace(stage, first(typed, 'added'));
      const limit = maybe(typed, 'limit');
      const high = maybe(typed, 'eht');
      const both = (unit: Unit, was: number, is: number) =>
        `${formatQuantity(was, unit, 3)} → ${formatQuantity(is, unit, 3)}`;
      return [
        { label: 'Retrace', text: both('s', before.seconds, after.seconds) },
        { label: 'Peak on the collector', text: both('V', before.peak, after.peak) },
        ...(limit === undefined
          ? []
          : [
              {
                label: 'Of its limit',
                text: `${percent(before.peak / limit)} → ${percent(after.peak / limit)}`,
                ...(after.peak > peakShare * limit ? { tone: 'caution' as const } : {}),
              },
            ]),
        {
          label: 'High voltage',
          text: high === undefined ? change(eht) : `${both('V', high, high * eht)} (${change(eht)})`,
        },
        { label: 'Width', text: change(width) },
        ...(eht > ehtSlack
          ? [
              {
                label: 'X-rays',
                text: 'High voltage would rise, and X-rays with it. Never run a set so; fit the full value of the rated kind',
                tone: 'caution' as const,
              },
            ]
          : []),
      ];
    },
  },
  {
    id: 'side-by-side',
    title: 'Resistors side by side',
    words: 'parallel bank watts open',
    fields: [
      { ...field('ohms', 'Values', 'Ω', '330 330 470'), list: true },
      { ...field('volts', 'Volts across', 'V', '12'), optional: true },
    ],
    reckon: (typed) => bankLines(parallelBank(typed['ohms']!), typed['ohms']!, maybe(typed, 'volts')),
  },
  {
    id: 'chain',
    title: 'Resistors in a chain',
    words: 'series bank divider string',
    fields: [
      { ...field('ohms', 'Values', 'Ω', '1M 1M 470k'), list: true },
      { ...field('volts', 'Volts across', 'V', '800'), optional: true },
    ],
    reckon(typed) {
      const ohms = typed['ohms']!;
      const bank = seriesBank(ohms);
      const volts = maybe(typed, 'volts');
      let tap = 0;
      return [
        line('Together', bank.ohms, 'Ω'),
        ...(volts === undefined
          ? []
          : ohms.slice(0, -1).map((one, index): ReckonLine => {
              tap += bank.shares[index]!;
              return line(`After ${formatQuantity(one, 'Ω', 3)}`, volts * (1 - tap), 'V');
            })),
        ...bankWatts(bank.shares, ohms, volts === undefined ? undefined : volts ** 2 / bank.ohms),
      ];
    },
  },
  {
    id: 'nearest',
    title: 'Nearest value or pair',
    words: 'preferred e12 e24 e96 replace resistor',
    fields: [field('wanted', 'Wanted', 'Ω', '14k3')],
    reckon(typed) {
      const wanted = first(typed, 'wanted');
      const off = (value: number) => `${formatQuantity(value, 'Ω', 3)} (${change(value / wanted)})`;
      const pair = nearestPair(wanted, 'E12');
      return [
        ...(['E12', 'E24', 'E96'] as const).map((series) => ({
          label: `One of ${series}`,
          text: off(nearestPreferred(wanted, series)),
        })),
        {
          label: 'Two of E12',
          text: `${pair.values.map((one) => formatQuantity(one, 'Ω', 3)).join(pair.how === 'series' ? ' and then ' : ' beside ')}: ${off(pair.together)}`,
        },
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
    id: 'esr',
    title: 'ESR limit',
    words: 'electrolytic dry capacitor',
    fields: [field('farads', 'Capacitance', 'F', '470u'), field('volts', 'Its volts', 'V', '25')],
    reckon: (typed) => [
      line('A good one reads less than', esrLimit(first(typed, 'farads'), first(typed, 'volts')), 'Ω', 2),
    ],
  },
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
      if (!(ratio > 0)) throw new RangeError('both must be above 0 V');
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
        throw new RangeError('the line frequency is above the field frequency, both above 0');
      return [
        line('A line takes', 1 / lines, 's', 4),
        line('A field takes', 1 / fields, 's', 4),
        { label: 'Lines a field', text: (lines / fields).toFixed(1) },
      ];
    },
  },
  {
    id: 'marks',
    title: 'Bands and printed codes',
    words: 'colour code resistor capacitor marking digits',
    fields: [
      { ...field('ohms', 'Resistance', 'Ω', '4k7'), optional: true },
      { ...field('code', 'Or a code as printed', '', '472'), optional: true },
    ],
    reckon(typed) {
      const ohms = maybe(typed, 'ohms');
      const code = maybe(typed, 'code');
      return [...(ohms === undefined ? [] : markLines(ohms)), ...(code === undefined ? [] : codeLines(code))];
    },
  },
];

function markLines(ohms: number): ReckonLine[] {
  const bands = bandsOf({ ohms, tolerance: 0.05 });
  const doubts = bandDoubts(bands);
  return [
    { label: 'Bands, 5 %', text: bands.join(', ') },
    { label: 'Bands, 1 %', text: bandsOf({ ohms, tolerance: 0.01 }).join(', ') },
    { label: 'Printed', text: codeOf(ohms) },
    ...(doubts.length === 0
      ? []
      : [
          {
            label: 'Faded, it may be taken for',
            text: doubts.map((one) => formatQuantity(one.ohms, 'Ω', 3)).join(', '),
            tone: 'caution' as const,
          },
        ]),
  ];
}

function codeLines(code: number): ReckonLine[] {
  const { ohms, farads } = readCode(String(code));
  return [line('A resistor', ohms, 'Ω'), line('A capacitor', farads, 'F')];
}

function bankLines(
  bank: ReturnType<typeof parallelBank>,
  ohms: readonly number[],
  volts: number | undefined,
): ReckonLine[] {
  return [
    line('Together', bank.ohms, 'Ω'),
    ...bank.withOneOpen.map((open, index) => line(`With ${formatQuantity(ohms[index]!, 'Ω', 3)} open`, open, 'Ω')),
    ...bankWatts(bank.shares, ohms, volts === undefined ? undefined : volts ** 2 / bank.ohms),
    line('One in place of all', nearestPreferred(bank.ohms, 'E24'), 'Ω'),
  ];
}

function bankWatts(shares: readonly number[], ohms: readonly number[], watts: number | undefined): ReckonLine[] {
  return shares.map((share, index) => ({
    label: `${formatQuantity(ohms[index]!, 'Ω', 3)} takes`,
    text: watts === undefined ? percent(share) : `${percent(share)}, ${formatQuantity(share * watts, 'W', 3)}`,
  }));
}
