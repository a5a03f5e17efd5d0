import { type Stage, type StageRun } from '@/core/circuit';

/** Milliseconds or microseconds, as the run is long. */
export function timeScale(run: Pick<StageRun, 'seconds'> | undefined): {
  readonly unit: string;
  readonly factor: number;
} {
  const span = run ? run.seconds[run.seconds.length - 1]! - run.seconds[0]! : 1;
  return span >= 2e-3 ? { unit: 'ms', factor: 1e3 } : { unit: 'µs', factor: 1e6 };
}

/** A few periods of the slowest source that repeats itself, in seconds; undefined where none does. */
export function settledSpan({ circuit }: Pick<Stage, 'circuit'>): number | undefined {
  const periods = circuit.elements.flatMap((element) => {
    if (element.kind !== 'v' && element.kind !== 'i') return [];
    const { wave } = element;
    if (wave.kind === 'sin') return [1 / wave.hertz];
    return wave.kind === 'pulse' && Number.isFinite(wave.period) ? [wave.period] : [];
  });
  return periods.length > 0 ? 4 * Math.max(...periods) : undefined;
}

/** The nodes to look at first: those of capacitors, which move most in their own way. */
export function restless({ circuit }: Pick<Stage, 'circuit'>, all: readonly string[]): string[] {
  const found = circuit.elements.flatMap((element) => (element.kind === 'c' ? [element.nodes[0]] : []));
  return [...new Set([...found, ...all])].filter((node) => all.includes(node)).slice(0, 2);
}
