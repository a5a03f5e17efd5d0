import { type Symptom } from '../picture';

/** A number seen for a moment at start, or one that stays. */
export type Shape = 'settled' | 'brief';

/** One way a numeric reading may come out. */
export interface Component {
  readonly chance: number;
  /** In the unit of the check; `Infinity` is OL. */
  readonly value: number;
  /** Standard deviation, on the scale of the expectation. */
  readonly sigma: number;
  readonly shape: Shape;
}

/**
 * What a check should give: a number with its spread, one of some choices, or a picture.
 *
 * `log` numbers have their sigma in decades.
 */
export type Expectation =
  | { readonly kind: 'number'; readonly scale: 'linear' | 'log'; readonly components: readonly Component[] }
  | { readonly kind: 'choice'; readonly chances: ReadonlyMap<string, number> }
  | {
      readonly kind: 'picture';
      readonly symptoms: ReadonlySet<Symptom>;
      /** What others call it; as likely as its own name where present. */
      readonly called?: ReadonlySet<Symptom>;
      /** Chance that it looks like that at all; the usual one where absent. */
      readonly sure?: number;
    };

export const number = (scale: 'linear' | 'log', ...components: Component[]): Expectation => ({
  kind: 'number',
  scale,
  components,
});
export const settled = (value: number, sigma: number, chance = 1): Component => ({
  chance,
  value,
  sigma,
  shape: 'settled',
});
export const choice = (...chances: [string, number][]): Expectation => ({ kind: 'choice', chances: new Map(chances) });
