import { Refusal } from './refusal';
import { parseQuantity } from './parseQuantity';

/** How far from nominal a value may lie: a share of nominal, or an amount in its unit. */
export type Tolerance = { readonly relative: number } | { readonly absolute: number };

/**
 * Reads `2%`, `±3 %` or `0.25 V`.
 *
 * @throws Refusal when negative or unreadable
 */
export function parseTolerance(text: string): Tolerance {
  const quantity = parseQuantity(text.replace(/^(±|\+-|\+\/-)\s*/, ''));
  if (!(quantity.value >= 0) || !Number.isFinite(quantity.value)) {
    throw new Refusal(`"${text}" is not a tolerance: write it like 2% or 0.25 V`);
  }
  return quantity.unit === '%' ? { relative: quantity.value / 100 } : { absolute: quantity.value };
}

/** The permitted distance from `nominal`, in its unit. */
export function toleranceWidth(tolerance: Tolerance, nominal: number): number {
  return 'relative' in tolerance ? tolerance.relative * Math.abs(nominal) : tolerance.absolute;
}

/** Writes a tolerance as the bench reads it: `±3 %` or `±0.25`. */
export function formatTolerance(tolerance: Tolerance): string {
  return 'relative' in tolerance
    ? `±${Number((tolerance.relative * 100).toPrecision(3))} %`
    : `±${Number(tolerance.absolute.toPrecision(3))}`;
}
