import { formatQuantity, type Unit } from '@/core/quantity';

/** Something to be typed. */
export interface ReckonField {
  readonly key: string;
  readonly label: string;
  readonly unit: Unit;
  readonly example: string;
  /** May be left empty. */
  readonly optional?: true;
  /** Several values apart by spaces. */
  readonly list?: true;
  /** Left empty, it is taken from what another field names on the sheet. */
  readonly follows?: true;
}

/** A line of the answer. */
export interface ReckonLine {
  readonly label: string;
  readonly text: string;
  readonly tone?: 'caution';
}

/** Typed values by key; lists have many. */
export type Typed = Readonly<Record<string, readonly number[]>>;

/** Something that can be reckoned. */
export interface Reckoning {
  readonly id: string;
  readonly title: string;
  /** Other words it is looked for by. */
  readonly words: string;
  readonly fields: readonly ReckonField[];
  /** @throws Refusal where the values make no sense together */
  reckon(typed: Typed): ReckonLine[];
}

export const field = (key: string, label: string, unit: Unit, example: string): ReckonField => ({
  key,
  label,
  unit,
  example,
});
export const line = (label: string, value: number, unit: Unit, digits = 3): ReckonLine => ({
  label,
  text: formatQuantity(value, unit, digits),
});
export const percent = (share: number) => `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
export const change = (ratio: number) => `${ratio >= 1 ? '+' : '−'}${Math.abs((ratio - 1) * 100).toFixed(1)} %`;
export const first = (typed: Typed, key: string): number => typed[key]![0]!;
export const maybe = (typed: Typed, key: string): number | undefined => typed[key]?.[0];
