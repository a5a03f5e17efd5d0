import { type Shape } from '../behaviour';
import { type Symptom } from '../picture';

/** What a check answered. Numbers are in the unit of the check; OL is `Infinity`. */
export type Answer =
  | { readonly kind: 'number'; readonly value: number; readonly shape: Shape }
  | { readonly kind: 'choice'; readonly choice: string }
  | { readonly kind: 'picture'; readonly symptoms: readonly Symptom[] };
