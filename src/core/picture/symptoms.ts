import { type Mark, markRows, marks } from './marks';
import { type Picture } from './picture';

/** What is wrong with the size, the brightness or the beams, and `normal`, which stands alone. */
const plainTitles = {
  normal: 'Picture right',
  dark: 'Nothing at all',
  brief: 'Starts, then off',
  goes_off: 'Runs a minute, then off',
  dim: 'Dark but alive',
  upper_dark: 'Upper half dark',
  lower_dark: 'Lower half dark',
  left_dark: 'Left half dark',
  right_dark: 'Right half dark',
  horizontal_line: 'One line across',
  vertical_line: 'One upright line',
  dot: 'A dot in the middle',
  short_picture: 'Too little height',
  small_picture: 'Too small',
  large_picture: 'Too large',
  flood_red: 'Flooded red',
  flood_green: 'Flooded green',
  flood_blue: 'Flooded blue',
  white_flood: 'White, nothing moves it',
  retrace_lines: 'Slanting lines on top',
  soft: 'Soft all over',
  no_signal: 'Lit, no picture',
} as const;

/** What a person would call a picture's faults. */
export type Symptom = keyof typeof plainTitles | Mark;
export const symptoms: readonly Symptom[] = [...(Object.keys(plainTitles) as (keyof typeof plainTitles)[]), ...marks];

const markTitles = Object.fromEntries(marks.map((mark) => [mark, markRows[mark].title])) as Record<Mark, string>;

/** Names on tiles and in notes. */
export const symptomTitles: Readonly<Record<Symptom, string>> = { ...plainTitles, ...markTitles };

const gone = 0.1;
const flooded = 1.6;

/** The beams that are missing, weak or flooding, as symptoms. */
function beamSymptoms(picture: Picture): Symptom[] {
  const found: Symptom[] = [];
  const beams = { red: picture.red, green: picture.green, blue: picture.blue };
  const all = Object.values(beams);
  if (all.every((beam) => beam >= flooded)) return ['white_flood'];
  if (all.every((beam) => beam < 0.7)) return ['dim'];
  for (const [name, beam] of Object.entries(beams)) {
    if (beam >= flooded) found.push(`flood_${name}` as Symptom);
    else if (beam < gone) found.push(`no_${name}` as Symptom);
    else if (beam < 0.7) found.push(`weak_${name}` as Symptom);
  }
  return found;
}

function shapeSymptoms(picture: Picture): Symptom[] {
  const flat = picture.height < gone;
  const thin = picture.width < gone;
  if (flat && thin) return ['dot'];
  if (flat) return ['horizontal_line'];
  if (thin) return ['vertical_line'];
  const found: Symptom[] = [];
  if (picture.height > 1.06 && picture.width > 1.06) found.push('large_picture');
  if (picture.height < 0.92 && picture.width < 0.97) found.push('small_picture');
  else if (picture.height < 0.92) found.push('short_picture');
  else if (picture.width < 0.92) found.push('narrow');
  return found;
}

/** The symptoms a picture shows; `normal` when there is none. */
export function symptomsOf(picture: Picture): ReadonlySet<Symptom> {
  if (picture.light < gone) return new Set<Symptom>([picture.brief ? 'brief' : 'dark']);
  const found = new Set<Symptom>(shapeSymptoms(picture));
  if (picture.light < 0.75 && !picture.marks.has('reddish')) found.add('dim');
  if (picture.goesOff) found.add('goes_off');
  if (picture.upper < 0.5 && picture.lower < 0.5) return new Set<Symptom>(['dark']);
  if (picture.upper < 0.5) found.add('upper_dark');
  if (picture.lower < 0.5) found.add('lower_dark');
  if (picture.left < 0.5 && picture.right < 0.5) return new Set<Symptom>(['dark']);
  if (picture.left < 0.5) found.add('left_dark');
  if (picture.right < 0.5) found.add('right_dark');
  for (const symptom of beamSymptoms(picture)) found.add(symptom);
  if (picture.retrace && !found.has('white_flood')) found.add('retrace_lines');
  if (picture.sharpness < 0.85) found.add('soft');
  if (picture.empty) found.add('no_signal');
  for (const mark of picture.marks) found.add(mark);
  if (found.size === 0) found.add('normal');
  return found;
}

const startsThenOff: ReadonlySet<Symptom> = new Set<Symptom>(['brief']);

/** What others call the same picture: a set that trips before it lights is dark to one, and “starts, then off” to another. */
export const otherwiseCalled = ({ trips }: Picture): ReadonlySet<Symptom> | undefined =>
  trips ? startsThenOff : undefined;

/** Is a mark the damage itself, seen on the part that has it? */
export const isDamage = (word: string): boolean => isMark(word) && markRows[word].damage === true;

/** True for words a sheet may use under `shows`. */
export function isMark(word: string): word is Mark {
  return (marks as readonly string[]).includes(word);
}

/**
 * How alike two sets of symptoms are: the Dice coefficient, 0 to 1.
 */
export function likeness(one: ReadonlySet<Symptom>, other: ReadonlySet<Symptom>): number {
  let shared = 0;
  for (const symptom of one) if (other.has(symptom)) shared += 1;
  return (2 * shared) / (one.size + other.size);
}
