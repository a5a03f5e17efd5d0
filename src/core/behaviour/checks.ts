import { type Measure, measures } from '../measure';
import { type Minutes, type Unit } from '../quantity';
import { type Ground, type Point, type SetState, type Sheet, type Sign } from '../sheet';

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

/** The unit of a way of measuring; empty for counts and choices. */
function unitOf(measure: Measure): Unit {
  const way = measures[measure];
  return way.kind === 'number' ? way.unit : '';
}

/** Does an instrument send what a check reads: a meter, or a tester that counts? */
export const isMetered = ({ measure }: Pick<Check, 'measure'>): boolean => measures[measure].kind === 'number';

/** The answers that a check offers, where it is not a number that is read. */
export function choicesFor({ measure, point }: Pick<Check, 'measure' | 'point'>): readonly string[] {
  const way = measures[measure];
  return way.kind === 'number' ? [] : way.choices(point?.parts ?? []);
}

/** All checks of a sheet, by id: points first, then signs, the code and the picture. */
export function checksOf(sheet: Sheet): ReadonlyMap<string, Check> {
  const checks = new Map<string, Check>();
  for (const point of sheet.points.values()) {
    const { id, measure, title, where, state, ground, minutes, danger, aliases } = point;
    const unit = unitOf(measure);
    checks.set(id, { id, measure, title, where, unit, state, ground, minutes, danger, aliases, point });
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
    aliases: ['screen', 'pic'],
  });
  return checks;
}
