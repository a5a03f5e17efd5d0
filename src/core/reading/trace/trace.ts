import { type Seconds } from '../../quantity';

/** A reading as a meter sends it over time. `value` is Infinity where the meter shows over-range. */
export interface Sample {
  readonly at: Seconds;
  readonly value: number;
}

/** What a stretch of a meter's readings comes to. */
export type TraceShape =
  | { readonly kind: 'settled'; readonly value: number }
  /** Something charges. `value` is where it stood last, `tau` its time constant where the trace shows enough of it. */
  | { readonly kind: 'climbing'; readonly value: number; readonly tau?: Seconds }
  | { readonly kind: 'falling'; readonly value: number; readonly tau: Seconds }
  /** There at the start and then taken away. `width` is how long it stood, `tail` the time constant of its going. */
  | { readonly kind: 'brief'; readonly peak: number; readonly width: Seconds; readonly tail: Seconds }
  | { readonly kind: 'swinging'; readonly mean: number; readonly amplitude: number }
  | { readonly kind: 'bouncing'; readonly value: number }
  | { readonly kind: 'open' }
  | { readonly kind: 'unclear' };

/** A shape with how sure it is, 0 to 1. */
export interface ClassifiedTrace {
  readonly shape: TraceShape;
  readonly confidence: number;
}
