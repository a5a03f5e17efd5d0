import { gaussian, type Random } from '../statistics';
import { type Sample } from '../reading';

export const traceKinds = ['settled', 'climbing', 'falling', 'brief', 'swinging', 'bouncing', 'open'] as const;
export type TraceKind = (typeof traceKinds)[number];

/** A trace with what it truly is. */
export interface LabelledTrace {
  readonly kind: TraceKind;
  readonly samples: readonly Sample[];
  /** Time constant of what climbs or falls, in seconds. */
  readonly tau?: number;
  /** Value and moment at which it had settled to within a hundredth. */
  readonly settled?: { readonly value: number; readonly at: number };
}

export interface TraceOptions {
  /** Samples a second. */
  readonly rate: number;
  /** Standard deviation of the noise, as a share of the value. */
  readonly noise: number;
  readonly random: Random;
}

/** Time constant of a meter that follows the touch of its probes, in seconds. */
const follows = 0.12;
/** Last digit of a meter near nothing, in volts. */
const count = 0.0005;

/** A trace of a kind as a meter would send it, with values as sets have them, from a tenth of a volt to a kilovolt. */
export function traceOf(kind: TraceKind, { rate, noise, random }: TraceOptions): LabelledTrace {
  const between = (low: number, high: number) => low + (high - low) * random();
  const value = (random() < 0.15 ? -1 : 1) * 10 ** between(-0.5, 2.8);
  /** A meter goes to a finer range for less: its noise is a share of the most it reads, and a count. */
  const sample = (seconds: number, at: (time: number) => number, most = value): Sample[] =>
    Array.from({ length: Math.max(6, Math.round(seconds * rate)) }, (_, index) => {
      const time = (index + between(-0.15, 0.15)) / rate;
      const ideal = at(Math.max(0, time));
      return {
        at: index / rate,
        value: Number.isFinite(ideal) ? ideal + (noise * Math.abs(most) + count) * gaussian(random) : ideal,
      };
    });
  const touched = (time: number) => 1 - Math.exp(-time / follows);
  switch (kind) {
    case 'settled': {
      // A dead rail is settled, too: it sits near nothing.
      const level = random() < 0.2 ? value * between(0, 0.01) : value;
      return {
        kind,
        samples: sample(between(3, 6), (time) => level * touched(time), level),
        settled: { value: level, at: follows * Math.log(100) },
      };
    }
    case 'climbing': {
      const tau = between(1.5, 8);
      const from = between(0, 0.4);
      return {
        kind,
        tau,
        samples: sample(tau * between(1.8, 3), (time) => value * (1 - (1 - from) * Math.exp(-time / tau))),
      };
    }
    case 'falling': {
      const tau = between(2, 12);
      return {
        kind,
        tau,
        samples: sample(tau * between(0.8, 2), (time) => value * touched(time) * Math.exp(-time / tau)),
      };
    }
    case 'brief': {
      const begins = between(0, 1);
      const width = Math.max(between(0.4, 2.5), 1.6 / rate);
      const tail = between(0.03, 0.4);
      return {
        kind,
        samples: sample(begins + width + between(2.5, 4), (time) => {
          if (time < begins) return 0;
          const on = value * (1 - Math.exp(-Math.min(time - begins, width) / 0.05));
          return time < begins + width ? on : on * Math.exp(-(time - begins - width) / tail);
        }),
      };
    }
    case 'swinging': {
      const [swing, hertz, phase] = [between(0.06, 0.4), between(0.25, 2), between(0, 6.28)];
      // A swing that falls in with the sampling cannot be seen by anybody.
      const seen = Math.abs(((2 * hertz) / rate) % 1) < 0.12 ? hertz * 0.77 : hertz;
      return {
        kind,
        samples: sample(
          between(4, 8),
          (time) => value * (1 + swing * Math.sin(6.2832 * seen * time + phase)) * touched(time),
        ),
      };
    }
    case 'bouncing': {
      let [touching, until] = [true, 0];
      return {
        kind,
        samples: sample(between(4, 7), (time) => {
          if (time >= until) {
            touching = !touching;
            until = time + Math.max(1.05 / rate, touching ? between(0.3, 1.2) : between(0.15, 0.7));
          }
          return touching ? value : 0;
        }),
      };
    }
    case 'open':
      return { kind, samples: sample(between(3, 5), (time) => (time > 0.3 && random() < 0.97 ? Infinity : value)) };
  }
}
