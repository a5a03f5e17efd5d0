import { nearestPreferred, type Ohms, Refusal } from '../quantity';

/** Colours of the digits 0 to 9 (IEC 60062). */
export const bandColours = [
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'violet',
  'grey',
  'white',
] as const;
export type BandColour = (typeof bandColours)[number] | 'gold' | 'silver';

/** A resistance as its bands tell it. */
export interface Banded {
  readonly ohms: Ohms;
  /** Share of nominal; 20 % where there is no band for it. */
  readonly tolerance: number;
}

/** Another way to read bands that fade or look alike. */
export interface BandDoubt extends Banded {
  /** The colours that may have been taken for others, as they would have to be. */
  readonly bands: readonly BandColour[];
}

const tolerances: readonly (readonly [BandColour, number])[] = [
  ['brown', 0.01],
  ['red', 0.02],
  ['green', 0.005],
  ['blue', 0.0025],
  ['violet', 0.001],
  ['gold', 0.05],
  ['silver', 0.1],
];

/** Colours that fade or are taken for one another in bad light. */
const alike: readonly (readonly [BandColour, BandColour])[] = [
  ['grey', 'violet'],
  ['brown', 'red'],
  ['red', 'orange'],
];

/** The colour a word names, as it is written here; undefined where it names none. */
export function bandColour(word: string): BandColour | undefined {
  const small = word.toLowerCase();
  const name = small === 'gray' ? 'grey' : small;
  return [...bandColours, 'gold' as const, 'silver' as const].find((colour) => colour === name);
}

const digit = (colour: BandColour) => (bandColours as readonly string[]).indexOf(colour);
const power = (colour: BandColour) => (colour === 'gold' ? -1 : colour === 'silver' ? -2 : digit(colour));

/**
 * Reads bands: two digits, a multiplier and perhaps a tolerance, or three digits, multiplier and tolerance.
 *
 * @throws Refusal where there are too few, or a band cannot stand where it does
 */
export function readBands(bands: readonly BandColour[]): Banded {
  if (bands.length < 3 || bands.length > 5)
    throw new Refusal(`a resistor has three to five bands, not ${bands.length}`);
  const digits = bands.length === 5 ? 3 : 2;
  const figures = bands.slice(0, digits).map((colour) => {
    if (digit(colour) < 0) throw new Refusal(`${colour} is no digit: turn the resistor round`);
    return digit(colour);
  });
  const multiplier = bands[digits]!;
  const last = bands[digits + 1];
  const tolerance = last === undefined ? 0.2 : tolerances.find(([colour]) => colour === last)?.[1];
  if (tolerance === undefined) throw new Refusal(`${last} is no tolerance: turn the resistor round`);
  return { ohms: Number(`${figures.join('')}e${power(multiplier)}`), tolerance };
}

/**
 * The bands of a resistance: three digits from 2 % down, two above.
 *
 * @throws Refusal where it is not positive, or beyond what bands can say
 */
export function bandsOf({ ohms, tolerance }: Banded): BandColour[] {
  if (!(ohms > 0) || !Number.isFinite(ohms)) throw new Refusal(`bands need a positive resistance, not ${ohms}`);
  const count = tolerance <= 0.02 ? 3 : 2;
  let exponent = Math.floor(Math.log10(ohms)) - count + 1;
  let figure = Math.round(ohms / 10 ** exponent);
  if (figure >= 10 ** count) [figure, exponent] = [figure / 10, exponent + 1];
  const multiplier = exponent === -1 ? 'gold' : exponent === -2 ? 'silver' : bandColours[exponent];
  if (multiplier === undefined) throw new Refusal(`${ohms} Ω is beyond what bands can say`);
  const last = tolerances.find(([, share]) => Math.abs(share - tolerance) < 1e-9)?.[0];
  return [...String(figure)].map((one): BandColour => bandColours[Number(one)]!).concat(multiplier, last ?? []);
}

/**
 * What the same bands may be when one colour was taken for its like: preferred values only, nearest first.
 *
 * @throws Refusal as `readBands`
 */
export function bandDoubts(bands: readonly BandColour[]): BandDoubt[] {
  const read = readBands(bands);
  const valued = bands.length === 5 ? 4 : 3;
  const series = bands.length === 5 ? 'E96' : 'E24';
  const found = bands.slice(0, valued).flatMap((colour, at) =>
    alike.flatMap((pair): BandDoubt[] => {
      const other = pair[0] === colour ? pair[1] : pair[1] === colour ? pair[0] : undefined;
      if (other === undefined) return [];
      const changed = bands.map((one, index) => (index === at ? other : one));
      const { ohms, tolerance } = readBands(changed);
      const preferred = ohms > 0 && Math.abs(nearestPreferred(ohms, series) / ohms - 1) < 1e-6;
      return preferred ? [{ bands: changed, ohms, tolerance }] : [];
    }),
  );
  return found.sort((a, b) => Math.abs(Math.log(a.ohms / read.ohms)) - Math.abs(Math.log(b.ohms / read.ohms)));
}
