import { type Hertz } from '../../quantity';

/** Bands of what supplies a set, in hertz; 50 and 60 Hz mains both. */
const bands: readonly { readonly from: Hertz; readonly to: Hertz; readonly words: string }[] = [
  {
    from: 46,
    to: 64,
    words:
      'at the mains or field frequency: a bridge with one side open, a half-wave rectifier, where it belongs, or the field output',
  },
  { from: 92, to: 128, words: 'at twice the mains: the reservoir, or a regulator that gets too little' },
  { from: 15_000, to: 16_500, words: 'at the line rate: the filter of a supply from the line output' },
  {
    from: 30_800,
    to: 32_200,
    words: 'at a doubled line rate: the filter of a supply from the line output, no converter',
  },
  { from: 20_000, to: 400_000, words: 'at the switching rate: the output capacitor of the converter, or its joint' },
];

/** Where ripple of a frequency comes from, in the bench's words; undefined where the frequency does not tell. */
export const rippleSource = (hertz: Hertz): string | undefined =>
  bands.find(({ from, to }) => hertz >= from && hertz <= to)?.words;
