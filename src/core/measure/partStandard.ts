import { type Expectation } from './expectation';
import { type Measure, measures } from './measures';
import { type NumberStandard } from './standard';
import { type MeasuredPart } from './way';

/** The likeliest value of an expectation; 0 where it is no number. */
export function mainValue(expectation: Expectation): number {
  if (expectation.kind !== 'number') return 0;
  return expectation.components.reduce((best, one) => (one.chance > best.chance ? one : best)).value;
}

/**
 * What is right of a part measured by itself: the one judge of it, at a point of the sheet as well as in a
 * survey. Undefined where such parts are not measured that way.
 */
export function partStandard(measure: Measure, part: MeasuredPart): NumberStandard | undefined {
  const way = measures[measure];
  if (way.kind !== 'number' || !way.ofPart || !way.partLimits) return undefined;
  const nominal = mainValue(way.ofPart(part, undefined));
  return { kind: 'number', scale: way.scale, nominal, ...way.partLimits(part, nominal) };
}
