import { evenSpread, instruments } from '../../quantity';
import { sumOf } from '../../statistics';
import { type Component, type Expectation, type Answer, type NumberStandard, type Standard } from '../../measure';
import { likeness, type Symptom } from '../../picture';

/**
 * Chance that an answer has nothing to do with the set: a slipped probe, a misread scale, a wrong
 * key. It keeps one bad reading from ever ruling out the truth.
 */
export const usualOutlierChance = 0.03;

/** Chance that a right reading is typed with its point one place off: 11.2 for 112. */
const misplacedPoint = 0.005;

const inverseRootTwoPi = 1 / Math.sqrt(2 * Math.PI);

/** Readings of resistances spread over decades; OL and 0 are brought within them. */
export function toScale(value: number, scale: 'linear' | 'log'): number {
  if (scale === 'log') return Math.min(8, Math.log10(Math.max(value, 0.01)));
  return value === Infinity ? 3 : value;
}

/** The span over which an outlier may fall, on the scale of the standard. */
function outlierSpan(standard: NumberStandard): number {
  return standard.scale === 'log' ? 10 : 2.5 * Math.abs(standard.nominal) + 1;
}

const { share, step } = instruments.multimeter;
/** The error of an instrument in decades, for numbers that are compared in them. */
const decades = Math.log10(1 + share) * evenSpread;

/** Standard deviation of an instrument's own error, on the scale of the expectation. */
function meterSigma(scaled: number, scale: 'linear' | 'log'): number {
  return scale === 'log' ? decades : (share * Math.abs(scaled) + step) * evenSpread;
}

function density(component: Component, observed: number, scale: 'linear' | 'log'): number {
  const sigma = Math.hypot(component.sigma, meterSigma(observed, scale));
  const z = (observed - toScale(component.value, scale)) / sigma;
  return (component.chance * inverseRootTwoPi * Math.exp(-0.5 * z * z)) / sigma;
}

/** How likely an answer is as an outlier, on the same scale as `likelihood`. */
export function outlierLikelihood(answer: Answer, standard: Standard, outlierChance: number): number {
  if (answer.kind === 'number')
    return standard.kind === 'number' ? outlierChance / outlierSpan(standard) : outlierChance;
  return outlierChance / (answer.kind === 'choice' ? 4 : 10);
}

/** How likely an answer is as a good reading with its point one place off, on the same scale as `likelihood`. */
export function misplacedLikelihood(answer: Answer, expectation: Expectation, standard: Standard): number {
  if (answer.kind !== 'number' || expectation.kind !== 'number' || standard.kind !== 'number') return 0;
  const { scale, components } = expectation;
  return sumOf([10, 0.1], (factor) => {
    const meant = toScale(answer.value * factor, scale);
    // A density of what was meant becomes one of what was typed.
    const stretch = scale === 'log' ? 1 : factor;
    return (
      (misplacedPoint / 2) *
      stretch *
      sumOf(components, (component) => (component.shape === answer.shape ? density(component, meant, scale) : 0))
    );
  });
}

/**
 * How likely an answer is under an expectation.
 *
 * Numbers give a density on the scale of the expectation, choices and pictures a probability;
 * only ratios between hypotheses for the same check mean anything.
 *
 * @param outlierChance chance that the answer says nothing; an owner's account has more of it
 */
export function likelihood(
  answer: Answer,
  expectation: Expectation,
  standard: Standard,
  outlierChance = usualOutlierChance,
): number {
  if (answer.kind === 'number' && expectation.kind === 'number' && standard.kind === 'number') {
    const observed = toScale(answer.value, expectation.scale);
    let sum = 0;
    for (const component of expectation.components)
      if (component.shape === answer.shape) sum += density(component, observed, expectation.scale);
    return (1 - outlierChance) * sum + outlierLikelihood(answer, standard, outlierChance);
  }
  if (answer.kind === 'choice' && expectation.kind === 'choice') {
    const chance = expectation.chances.get(answer.choice) ?? 0;
    return (1 - outlierChance) * chance + outlierLikelihood(answer, standard, outlierChance);
  }
  if (answer.kind === 'picture' && expectation.kind === 'picture') {
    return pictureLikelihood(answer.symptoms, expectation, outlierChance);
  }
  return outlierChance;
}

/** Chance that a picture is named as it is expected. */
const usuallySure = 0.9;
/** About how many pictures there are to be named. */
const pictures = 25;

/**
 * Nobody takes a screen with nothing on it for a lit one: so much of what may else be named otherwise is left, seen at
 * the bench and told by an owner. What an owner saw may have been another day, before the set went dead.
 */
const imagined = { seen: 0.05, told: 0.15 };
/** Words for a screen that nothing lights, or as good as nothing. */
const unlit: readonly Symptom[] = ['dark', 'brief', 'dim', 'reddish', 'goes_off'];

/** A picture is named loosely: half the likeness counts a quarter. */
function pictureLikelihood(
  named: readonly Symptom[],
  { symptoms, called, sure = usuallySure }: Extract<Expectation, { kind: 'picture' }>,
  outlierChance: number,
): number {
  const seen = new Set(named);
  const alike = called ? Math.max(likeness(seen, symptoms), likeness(seen, called)) : likeness(seen, symptoms);
  const names = called ? 2 : 1;
  // What may show in any way is seen in some way: it leaves no picture normal.
  const otherwise = seen.has('normal') ? 0 : Math.max(0, usuallySure - sure) / pictures;
  const isLit = (picture: ReadonlySet<Symptom>) => !unlit.some((word) => picture.has(word));
  const dark = symptoms.has('dark') || symptoms.has('brief');
  const unlikely = outlierChance > usualOutlierChance ? imagined.told : imagined.seen;
  const slips = dark && isLit(seen) ? unlikely : 1;
  return (1 - outlierChance) * ((alike * alike * sure) / names + slips * otherwise) + (slips * outlierChance) / 10;
}
