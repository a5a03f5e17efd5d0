import { lineThrough, mean, median } from '../../statistics';
import { type ClassifiedTrace, type Sample, type TraceShape } from './trace';

/** With fewer samples nothing is said. */
const fewest = 4;
/** Share of over-range samples that makes a trace open. */
const openShare = 0.6;
/** Levels, as shares of the largest value, between which a trace counts as gone or come back. */
const gone = 0.25;
const there = 0.6;
/** What a meter takes to follow a touch of the probes, in seconds. */
const touch = 0.85;
/** Share of the value that may swing or drift before it counts; the noise is added to it. */
const swings = 0.02;
const drifts = 0.012;
/** Time constants that are tried, in seconds. */
const taus = Array.from({ length: 60 }, (_, step) => 0.15 * (120 / 0.15) ** (step / 59));

/** Below this a value is nothing, whatever it does, in the unit read. */
const nothing = 0.1;

/**
 * Tells what a stretch of a meter's readings comes to: settled, climbing, falling, brief, swinging,
 * a contact that bounces, or open.
 *
 * @param samples in order of time, over some seconds
 */
export function classifyTrace(samples: readonly Sample[]): ClassifiedTrace {
  const finite = samples.filter(({ value }) => Number.isFinite(value));
  if (samples.length < fewest) return { shape: { kind: 'unclear' }, confidence: 0 };
  const over = 1 - finite.length / samples.length;
  if (over >= openShare) return { shape: { kind: 'open' }, confidence: over };
  const top = finite.reduce((most, { value }) => Math.max(most, Math.abs(value)), 0);
  const visits = visitsOf(samples, Math.max(top, nothing));
  // A contact that lets go shows over-range among readings, or comes and goes more than once.
  if (over > 0.08 || visits.downs >= 2)
    return { shape: { kind: 'bouncing', value: upperValue(finite, top) }, confidence: 0.9 };
  const brief = briefOf(finite, top, visits);
  if (brief) return brief;

  const steady = withoutTouch(finite);
  const noise = noiseOf(steady);
  const fit = fitExponential(steady);
  const last = steady[steady.length - 1]!;
  const scale = Math.max(top, nothing);
  const off = Math.sqrt(mean(steady.map(({ at, value }) => (value - fit.at(at)) ** 2)));
  if (off > swings * scale && steady.length >= fewest) {
    const values = steady.map(({ value }) => value);
    return {
      shape: { kind: 'swinging', mean: mean(values), amplitude: off * Math.SQRT2 },
      confidence: sure(off / (swings * scale)),
    };
  }
  const moved = fit.at(last.at) - fit.at(steady[0]!.at);
  const least = drifts * scale + (3 * noise) / Math.sqrt(steady.length);
  if (Math.abs(moved) > least) {
    const grows = Math.abs(fit.at(last.at)) > Math.abs(fit.at(steady[0]!.at));
    return { shape: grows ? climbing(fit, steady) : falling(steady, noise), confidence: sure(Math.abs(moved) / least) };
  }
  const value = median(steady.slice(-Math.max(3, Math.floor(steady.length / 3))).map((one) => one.value));
  return { shape: { kind: 'settled', value }, confidence: sure(least / Math.max(Math.abs(moved), least / 10)) };
}

const sure = (times: number) => Math.min(0.99, 0.5 + 0.25 * Math.log2(Math.max(1, times)));

interface Visits {
  /** Times the value went away after it had been there. */
  readonly downs: number;
  /** Index of the sample at which it first went away. */
  readonly leftAt: number;
  readonly present: boolean;
}

function visitsOf(samples: readonly Sample[], top: number): Visits {
  let present = false;
  let downs = 0;
  let leftAt = -1;
  samples.forEach(({ value }, index) => {
    const size = Number.isFinite(value) ? Math.abs(value) : 0;
    if (!present && size > there * top) present = true;
    else if (present && size < gone * top) {
      present = false;
      downs += 1;
      if (leftAt < 0) leftAt = index;
    }
  });
  return { downs, leftAt, present };
}

const upperValue = (samples: readonly Sample[], top: number) =>
  median(samples.filter(({ value }) => Math.abs(value) > there * top).map(({ value }) => value));

/** A plateau that goes at once, and nothing after it; a fall from the first moment on is none. */
function briefOf(
  samples: readonly Sample[],
  top: number,
  { downs, leftAt, present }: Visits,
): ClassifiedTrace | undefined {
  if (downs !== 1 || present) return undefined;
  const after = samples.slice(leftAt);
  const rest = mean(after.slice(-Math.max(2, after.length >> 1)).map(({ value }) => Math.abs(value)));
  if (rest > 0.15 * top) return undefined;
  const plateau = samples.filter(({ value }, index) => index < leftAt && Math.abs(value) > 0.85 * top);
  const from = plateau[0]!.at;
  const to = plateau[plateau.length - 1]!.at;
  const goes = samples[leftAt]!.at - to;
  const step = (samples[samples.length - 1]!.at - samples[0]!.at) / (samples.length - 1);
  // On an exponential from the start, going from 85 % to 25 % takes 1.2 τ and the 15 % before it 0.16 τ.
  const stood = to - from + step;
  if (goes > 0 && stood < 0.35 * goes && goes > 2.5 * step) return undefined;
  const tail = Math.max(0, goes - step / 2) / Math.log(0.85 / gone);
  return {
    shape: { kind: 'brief', peak: median(plateau.map(({ value }) => value)), width: stood, tail },
    confidence: sure(stood / Math.max(step, 0.35 * goes)),
  };
}

/** The trace from when the meter had followed the touch of the probes. */
function withoutTouch(samples: readonly Sample[]): readonly Sample[] {
  const from = samples[0]!.at + Math.min(touch, 0.3 * (samples[samples.length - 1]!.at - samples[0]!.at));
  const rest = samples.filter(({ at }) => at >= from);
  return rest.length >= fewest ? rest : samples;
}

/** Standard deviation of the noise, from second differences, in which what moves slowly vanishes. */
function noiseOf(samples: readonly Sample[]): number {
  const second = samples
    .slice(2)
    .map(({ value }, index) => Math.abs(value - 2 * samples[index + 1]!.value + samples[index]!.value));
  return second.length === 0 ? 0 : median(second) / (0.6745 * Math.sqrt(6));
}

/** Steps between time constants are no longer halved once they are less than this. */
const closest = 1.003;

interface Fit {
  readonly tau: number;
  /** Standard deviation of the time constant against itself, by how the misfit grows about the best one. */
  readonly uncertainty: number;
  at(time: number): number;
}

/** Least squares of a + b·e^(−t/τ): the best of the time constants that are tried, then closer by halves. */
function fitExponential(samples: readonly Sample[]): Fit {
  const origin = samples[0]!.at;
  const fitWith = (tau: number) => {
    const shape = samples.map(({ at }) => Math.exp(-(at - origin) / tau));
    const line = lineThrough(shape.map((one, index) => [one, samples[index]!.value]));
    return {
      tau,
      error: line.error,
      b: line.slope,
      at: (time: number) => line.at(Math.exp(-(time - origin) / tau)),
    };
  };
  let best = taus.map(fitWith).reduce((least, one) => (one.error < least.error ? one : least));
  for (let step = taus[1]! / taus[0]!; step > closest; step = Math.sqrt(step)) {
    for (const tau of [best.tau / Math.sqrt(step), best.tau * Math.sqrt(step)]) {
      const nearer = fitWith(tau);
      if (nearer.error < best.error) best = nearer;
    }
  }
  return { ...best, uncertainty: uncertaintyOf(best, samples) };
}

/** Of the time constant of a fit, linearised about it: only what a and b cannot take up tells it. */
function uncertaintyOf({ tau, b, error }: { tau: number; b: number; error: number }, samples: readonly Sample[]) {
  const origin = samples[0]!.at;
  const shape = samples.map(({ at }) => Math.exp(-(at - origin) / tau));
  // What a share more of the time constant adds to each sample.
  const own = lineThrough(
    samples.map(({ at }, index) => [shape[index]!, (b * (at - origin) * shape[index]!) / tau]),
  ).error;
  const noise = Math.sqrt(error / Math.max(1, samples.length - 3));
  return own > 0 ? noise / Math.sqrt(own) : Infinity;
}

/** The time constant of a climb is told where two standard deviations of it are within five parts in a hundred. */
const wellKnown = 0.025;

function climbing({ tau, uncertainty }: Fit, samples: readonly Sample[]): TraceShape {
  const last = samples[samples.length - 1]!;
  return { kind: 'climbing', value: last.value, ...(uncertainty <= wellKnown ? { tau } : {}) };
}

/** What falls leads to nothing: a straight line through the logarithms, weighed by the values. */
function falling(samples: readonly Sample[], noise: number): TraceShape {
  const usable = samples.filter(({ value }) => Math.abs(value) > 6 * noise && value !== 0);
  const taken = usable.length >= 3 ? usable : samples.filter(({ value }) => value !== 0);
  let [weights, t, y, tt, ty] = [0, 0, 0, 0, 0];
  for (const { at, value } of taken) {
    const weight = value * value;
    const log = Math.log(Math.abs(value));
    weights += weight;
    t += weight * at;
    y += weight * log;
    tt += weight * at * at;
    ty += weight * at * log;
  }
  const slope = (weights * ty - t * y) / (weights * tt - t * t);
  return { kind: 'falling', value: samples[samples.length - 1]!.value, tau: slope < 0 ? -1 / slope : Infinity };
}
