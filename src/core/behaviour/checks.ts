import { type Minutes, type Unit } from '../quantity';
import { type Ground, type Measure, type Point, type SetState, type Sheet, type Sign } from '../sheet';

/** Anything that can be asked of a set: a point, a sign, the blink code or the picture. */
export interface Check {
  readonly id: string;
  readonly measure: Measure;
  readonly title: string;
  readonly where: string;
  /** The unit a number is read in; empty for counts and choices. */
  readonly unit: Unit;
  readonly state: SetState;
  readonly ground: Ground;
  readonly minutes: Minutes;
  readonly danger: 0 | 1 | 2 | 3;
  readonly aliases: readonly string[];
  readonly point?: Point;
  readonly sign?: Sign;
}

const unitOf: Readonly<Record<Measure, Unit>> = {
  dc: 'V',
  ac: 'V',
  ripple: 'V',
  hertz: 'Hz',
  ohms: 'Ω',
  diode: 'V',
  esr: 'Ω',
  rings: '',
  look: '',
  press: '',
  swap: '',
  sign: '',
  blinks: '',
  picture: '',
};

/** How each way of measuring is set up, in the bench's words. */
export const measureTitles: Readonly<Record<Measure, string>> = {
  dc: 'DC volts',
  ac: 'AC volts',
  ripple: 'AC ripple on DC',
  hertz: 'frequency',
  ohms: 'ohms',
  diode: 'diode drop',
  esr: 'ESR',
  rings: 'ring count',
  look: 'look',
  press: 'press and tap',
  swap: 'try',
  sign: 'watch and listen',
  blinks: 'count the blinks',
  picture: 'look at the picture',
};

/** All checks of a sheet, by id: points first, then signs, the code and the picture. */
export function checksOf(sheet: Sheet): ReadonlyMap<string, Check> {
  const checks = new Map<string, Check>();
  for (const point of sheet.points.values()) {
    checks.set(point.id, {
      id: point.id,
      measure: point.measure,
      title: point.title,
      where: point.where,
      unit: unitOf[point.measure],
      state: point.state,
      ground: point.ground,
      minutes: point.minutes,
      danger: point.danger,
      aliases: point.aliases,
      point,
    });
  }
  const atStart = {
    where: 'at power-up',
    unit: '' as const,
    state: 'live' as const,
    ground: 'none' as const,
    minutes: 0.5,
    danger: 0 as const,
  };
  for (const sign of sheet.signs.values()) {
    checks.set(sign.id, { ...atStart, id: sign.id, measure: 'sign', title: sign.title, aliases: [], sign });
  }
  if (sheet.protections.some((guard) => guard.blinks !== undefined)) {
    checks.set('blinks', {
      ...atStart,
      id: 'blinks',
      measure: 'blinks',
      title: 'Blinks of the light',
      where: 'standby light',
      minutes: 1,
      aliases: ['code'],
    });
  }
  checks.set('picture', {
    ...atStart,
    id: 'picture',
    measure: 'picture',
    title: 'The picture',
    where: 'the screen',
    aliases: ['screen'],
  });
  return checks;
}
