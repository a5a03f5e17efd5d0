import { type Symptom } from '../picture';
import { type Shape } from './expectation';

/** What a check answered. Numbers are in the unit of the check; OL is `Infinity`. */
export type Answer =
  | { readonly kind: 'number'; readonly value: number; readonly shape: Shape }
  | { readonly kind: 'choice'; readonly choice: string }
  | { readonly kind: 'picture'; readonly symptoms: readonly Symptom[] };
