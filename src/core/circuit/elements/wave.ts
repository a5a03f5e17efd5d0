/** What a source gives over time. */
export type Wave =
  | { readonly kind: 'dc' }
  | {
      readonly kind: 'pulse';
      readonly low: number;
      readonly high: number;
      readonly delay: number;
      readonly rise: number;
      readonly fall: number;
      readonly width: number;
      readonly period: number;
    }
  | {
      readonly kind: 'sin';
      readonly offset: number;
      readonly amplitude: number;
      readonly hertz: number;
      readonly delay: number;
      readonly damping: number;
    }
  | { readonly kind: 'pwl'; readonly points: readonly (readonly [number, number])[] };

/** A source's value at rest with its wave. */
export interface Waving {
  readonly dc: number;
  readonly wave: Wave;
}

/** What a wave begins with. */
export function startOf(wave: Wave): number {
  switch (wave.kind) {
    case 'pulse':
      return wave.low;
    case 'sin':
      return wave.offset;
    case 'pwl':
      return wave.points[0]![1];
    case 'dc':
      return 0;
  }
}

/** A wave as a netlist writes it, with a space before it; nothing for direct current. */
export function waveText(wave: Wave): string {
  switch (wave.kind) {
    case 'dc':
      return '';
    case 'pulse': {
      const { low, high, delay, rise, fall, width, period } = wave;
      return ` PULSE(${[low, high, delay, rise, fall, width, period].filter(Number.isFinite).join(' ')})`;
    }
    case 'sin':
      return ` SIN(${[wave.offset, wave.amplitude, wave.hertz, wave.delay, wave.damping].join(' ')})`;
    case 'pwl':
      return ` PWL(${wave.points.flat().join(' ')})`;
  }
}

/** What a source gives at a time in seconds. */
export function sourceAt({ wave, dc }: Waving, time: number): number {
  switch (wave.kind) {
    case 'dc':
      return dc;
    case 'sin': {
      const t = time - wave.delay;
      if (t <= 0) return wave.offset;
      return wave.offset + wave.amplitude * Math.sin(2 * Math.PI * wave.hertz * t) * Math.exp(-t * wave.damping);
    }
    case 'pulse': {
      if (time <= wave.delay) return wave.low;
      const t = (time - wave.delay) % wave.period;
      const { low, high, rise, fall, width } = wave;
      if (t < rise) return low + ((high - low) * t) / rise;
      if (t <= rise + width) return high;
      if (t < rise + width + fall) return high + ((low - high) * (t - rise - width)) / fall;
      return low;
    }
    case 'pwl': {
      const { points } = wave;
      const next = points.findIndex(([at]) => at > time);
      if (next === 0) return points[0]![1];
      if (next < 0) return points[points.length - 1]![1];
      const [[t0, v0], [t1, v1]] = [points[next - 1]!, points[next]!];
      return v0 + ((v1 - v0) * (time - t0)) / (t1 - t0);
    }
  }
}

/** The next time after `time` at which a source has a corner; Infinity where it has none. */
export function nextCorner({ wave }: Waving, time: number): number {
  const beyond = time + 1e-15 + Math.abs(time) * 1e-12;
  if (wave.kind === 'pwl') return wave.points.find(([at]) => at > beyond)?.[0] ?? Infinity;
  if (wave.kind === 'sin') return wave.delay > beyond ? wave.delay : Infinity;
  if (wave.kind !== 'pulse') return Infinity;
  const { delay, rise, width, fall, period } = wave;
  if (beyond < delay) return delay;
  const turn = Number.isFinite(period) ? Math.floor((beyond - delay) / period) : 0;
  for (const cycle of Number.isFinite(period) ? [turn, turn + 1] : [turn]) {
    const start = delay + (Number.isFinite(period) ? cycle * period : 0);
    for (const at of [0, rise, rise + width, rise + width + fall]) if (start + at > beyond) return start + at;
  }
  return Infinity;
}
