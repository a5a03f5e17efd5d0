import {
  type Check,
  type Context,
  type Expectation,
  type NumberClass,
  type NumberStandard,
  type Predictions,
  type Standard,
} from '../behaviour';
import { likeness, type Symptom, symptomTitles } from '../picture';
import { type Fault } from '../sheet';
import { blunder, toScale } from './likelihood';

/** A class of answers to a check, with its chance under each fault. */
export interface Outcome {
  readonly name: string;
  readonly chances: Float64Array;
}

/** Standard normal distribution function, Abramowitz and Stegun 7.1.26 (error under 1.5e-7). */
function normal(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z >= 0 ? 1 - 0.5 * tail : 0.5 * tail;
}

const numberClasses: readonly NumberClass[] = ['dead', 'low', 'within', 'high', 'open', 'brief'];

/** The bounds of a class on the scale of the standard; readings below zero fall in the first. */
function bounds(standard: NumberStandard, name: NumberClass): [number, number] | undefined {
  const at = (value: number) => toScale(value, standard.scale);
  const top = standard.scale === 'log' ? 7 : 2;
  const capped = (value: number) => (standard.highAbove === Infinity ? Infinity : value);
  switch (name) {
    case 'dead':
      return standard.deadBelow > 0 ? [-Infinity, at(standard.deadBelow)] : undefined;
    case 'low':
      return standard.lowBelow > standard.deadBelow
        ? [standard.deadBelow > 0 ? at(standard.deadBelow) : -Infinity, at(standard.lowBelow)]
        : undefined;
    case 'within':
      return [
        standard.lowBelow > 0 ? at(standard.lowBelow) : -Infinity,
        standard.highAbove === Infinity ? Infinity : at(standard.highAbove),
      ];
    case 'high':
      return standard.highAbove === Infinity
        ? undefined
        : [at(standard.highAbove), openEnds(standard) ? capped(top) : Infinity];
    case 'open':
      return openEnds(standard) && standard.highAbove !== Infinity ? [top, Infinity] : undefined;
    default:
      return undefined;
  }
}

/** Only resistances and junctions can read open. */
function openEnds(standard: NumberStandard): boolean {
  return standard.scale === 'log' ? standard.highAbove < 1e7 : standard.highAbove < 2;
}

function numberChances(standard: NumberStandard, expectation: Expectation): Map<string, number> {
  const chances = new Map<string, number>();
  if (expectation.kind !== 'number') return chances;
  const sign = standard.nominal < 0 ? -1 : 1;
  for (const name of numberClasses) {
    let chance = 0;
    const range = bounds(standard, name);
    for (const component of expectation.components) {
      if (component.shape === 'brief') {
        if (name === 'brief') chance += component.chance;
        continue;
      }
      if (!range) continue;
      const mean = toScale(sign * component.value, standard.scale);
      chance +=
        component.chance * (normal((range[1] - mean) / component.sigma) - normal((range[0] - mean) / component.sigma));
    }
    if (chance > 0) chances.set(name, chance);
  }
  return chances;
}

const known = new WeakMap<Expectation, ReadonlyMap<string, number>>();

/** Chances of the classes of an expectation; they sum to one. Predictions keep their expectations, so this keeps what it worked out. */
function chancesOf(standard: Standard, expectation: Expectation): ReadonlyMap<string, number> {
  let chances = known.get(expectation);
  if (!chances) {
    const raw =
      standard.kind === 'number'
        ? numberChances(standard, expectation)
        : expectation.kind === 'choice'
          ? expectation.chances
          : new Map<string, number>();
    let sum = 0;
    for (const chance of raw.values()) sum += chance;
    chances = new Map([...raw].map(([name, chance]) => [name, chance / (sum || 1)]));
    known.set(expectation, chances);
  }
  return chances;
}

const pictureName = (shown: ReadonlySet<Symptom>) =>
  [...shown]
    .sort()
    .map((symptom) => symptomTitles[symptom])
    .join(', ');

/** Each picture some fault shows is an outcome; likeness says how readily one is named for another. */
function pictureOutcomes(expected: readonly ReadonlySet<Symptom>[]): Outcome[] {
  const kinds = new Map<string, ReadonlySet<Symptom>>();
  for (const shown of expected) kinds.set(pictureName(shown), shown);
  const names = [...kinds.keys()];
  const chances = names.map(() => new Float64Array(expected.length));
  expected.forEach((shown, fault) => {
    const alike = names.map((name) => likeness(kinds.get(name)!, shown) ** 4 + 0.01);
    const sum = alike.reduce((all, one) => all + one, 0);
    alike.forEach((one, outcome) => (chances[outcome]![fault] = one / sum));
  });
  return names.map((name, outcome) => ({ name, chances: chances[outcome]! }));
}

/**
 * The classes of answers a check can give in a context, with their chances under every fault.
 *
 * Numbers fall into the classes the bench names (dead, low, within, high, open, brief), so that a
 * plan can be said in words; a blunder may land in any class.
 *
 * @param cured faults that no longer act
 */
export function outcomesOf(
  predictions: Predictions,
  check: Check,
  context: Context,
  faults: readonly Fault[],
  cured: ReadonlySet<string>,
): Outcome[] {
  const standard = predictions.standard(check, context);
  const expected = predictions.row(check, context);
  const expectations = faults.map((fault) => expected(cured.has(fault.id) ? undefined : fault));
  if (standard.kind === 'picture') {
    return pictureOutcomes(expectations.map((one) => (one.kind === 'picture' ? one.symptoms : new Set<Symptom>())));
  }
  const perFault = expectations.map((one) => chancesOf(standard, one));
  const names = [...new Set(perFault.flatMap((chances) => [...chances.keys()]))];
  return names.map((name) => ({
    name,
    chances: Float64Array.from(
      perFault,
      (chances) => (1 - blunder) * (chances.get(name) ?? 0) + blunder / names.length,
    ),
  }));
}
