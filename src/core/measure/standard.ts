import { type Shape } from './expectation';

/**
 * The limits a number is judged by, on its size in the direction of `nominal`: what a good set or a
 * good part shows.
 */
export interface NumberStandard {
  readonly kind: 'number';
  readonly scale: 'linear' | 'log';
  readonly nominal: number;
  readonly deadBelow: number;
  readonly lowBelow: number;
  readonly highAbove: number;
}

export type Limits = Pick<NumberStandard, 'deadBelow' | 'lowBelow' | 'highAbove'>;

/** The answer a good set gives to a check with choices. */
export interface ChoiceStandard {
  readonly kind: 'choice';
  readonly right: string;
}

export type Standard = NumberStandard | ChoiceStandard | { readonly kind: 'picture' };

/** Classes a numeric reading can fall in. */
export type NumberClass = 'within' | 'high' | 'low' | 'dead' | 'odd' | 'open' | 'brief';

/** The class of a reading by a standard. The wrong sign is odd. */
export function classify(standard: NumberStandard, value: number, shape: Shape): NumberClass {
  if (shape === 'brief') return 'brief';
  if (value === Infinity) return standard.highAbove === Infinity ? 'within' : 'open';
  const towards = standard.nominal < 0 ? -value : value;
  if (towards > standard.highAbove * (1 + 1e-9)) return 'high';
  if (towards >= standard.lowBelow * (1 - 1e-9))
    return standard.lowBelow === 0 && towards < -standard.highAbove ? 'odd' : 'within';
  if (Math.abs(towards) < standard.deadBelow) return 'dead';
  return towards < 0 ? 'odd' : 'low';
}

/** (value − nominal) / nominal, positive when larger in size; undefined where nominal is 0 or one of them is OL. */
export function deviation({ nominal }: Pick<NumberStandard, 'nominal'>, value: number): number | undefined {
  return nominal === 0 || !Number.isFinite(nominal) || value === Infinity ? undefined : value / nominal - 1;
}
