import { changeRetrace } from '@/core/parts';
import { formatQuantity, type Unit } from '@/core/quantity';
import { seriesLampPoint } from '@/core/safety';
import { change, field, first, maybe, percent, type Reckoning } from './reckoning';

/** High voltage that grows by more than this calls for the caution. */
const ehtSlack = 1.005;
/** Share of a transistor's limit that a peak should stay below. */
const peakShare = 0.85;

/** First power behind a lamp, and the stage that makes the high voltage. */
export const mainsReckonings: readonly Reckoning[] = [
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
];
