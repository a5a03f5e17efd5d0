import { type Mark, markRows } from './marks';
import { darkPicture, goodPicture, type Picture } from './picture';
import { isMark, type Symptom } from './symptoms';

type Changes = Partial<{ -readonly [Key in keyof Picture]: Picture[Key] }>;

const changes: Readonly<Partial<Record<Exclude<Symptom, Mark>, Changes>>> = {
  dim: { light: 0.5 },
  goes_off: { goesOff: true },
  upper_dark: { upper: 0 },
  lower_dark: { lower: 0 },
  left_dark: { left: 0 },
  right_dark: { right: 0 },
  horizontal_line: { height: 0 },
  vertical_line: { width: 0 },
  dot: { height: 0, width: 0 },
  short_picture: { height: 0.66 },
  small_picture: { height: 0.78, width: 0.78 },
  large_picture: { height: 1.14, width: 1.14 },
  flood_red: { red: 2.2 },
  flood_green: { green: 2.2 },
  flood_blue: { blue: 2.2 },
  white_flood: { red: 2.4, green: 2.4, blue: 2.4, retrace: true },
  retrace_lines: { retrace: true },
  soft: { sharpness: 0.6 },
  no_signal: { empty: true },
};

/** A picture that shows the given symptoms, for drawing what somebody saw. */
export function depict(family: Picture['family'], seen: Iterable<Symptom>): Picture {
  let picture: Picture = goodPicture(family);
  const found = new Set<Mark>();
  for (const symptom of seen) {
    if (symptom === 'dark' || symptom === 'brief') return darkPicture(family, { brief: symptom === 'brief' });
    if (isMark(symptom)) found.add(symptom);
    picture = { ...picture, ...(isMark(symptom) ? markRows[symptom].changes : changes[symptom]) };
  }
  return { ...picture, marks: found };
}
