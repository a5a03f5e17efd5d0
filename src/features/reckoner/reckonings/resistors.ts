import {
  bandDoubts,
  bandsOf,
  codeOf,
  nearestFromStock,
  nearestPair,
  parallelBank,
  readCode,
  seriesBank,
} from '@/core/parts';
import { formatQuantity, nearestPreferred } from '@/core/quantity';
import { change, field, first, line, maybe, percent, type Reckoning, type ReckonLine } from './reckoning';

/** Resistors together, in place of one another, and as they are marked. */
export const resistorsReckonings: readonly Reckoning[] = [
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
    words: 'preferred e12 e24 e96 replace resistor stock drawer',
    fields: [
      field('wanted', 'Wanted', 'Ω', '14k3'),
      { ...field('stock', 'Pieces in stock', 'Ω', '10k 10k 4k7 33k'), optional: true, list: true },
    ],
    reckon(typed) {
      const wanted = first(typed, 'wanted');
      const stock = typed['stock'];
      const joined = (values: readonly number[], how: string) =>
        values.map((one) => formatQuantity(one, 'Ω', 3)).join(how === 'series' ? ' and then ' : ' beside ');
      const off = (value: number) => `${formatQuantity(value, 'Ω', 3)} (${change(value / wanted)})`;
      const pair = nearestPair(wanted, 'E12');
      return [
        ...(['E12', 'E24', 'E96'] as const).map((series) => ({
          label: `One of ${series}`,
          text: off(nearestPreferred(wanted, series)),
        })),
        {
          label: 'Two of E12',
          text: `${joined(pair.values, pair.how)}: ${off(pair.together)}`,
        },
        ...(stock ? nearestFromStock(wanted, stock) : []).map(({ how, values, together }) => ({
          label: ['One of stock', 'Two of stock', 'Three of stock'][values.length - 1]!,
          text: `${joined(values, how)}${how === 'alone' ? ` (${change(together / wanted)})` : `: ${off(together)}`}`,
        })),
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
