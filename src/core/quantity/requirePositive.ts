import { Refusal } from './refusal';
/** @throws Refusal naming the first quantity that is not positive and finite */
export function requirePositive(values: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(values)) {
    if (!(value > 0) || !Number.isFinite(value)) throw new Refusal(`${name} must be positive and finite, not ${value}`);
  }
}
