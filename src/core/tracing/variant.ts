import { type Random } from '../statistics';
import { type Spot, type TracedPart } from './part';
import { type TracedPattern } from './tracedPattern';

/**
 * A stage as another maker builds it: other values, one resistor or capacitor less, one more resistor, and a pin of one
 * on another node.
 */
export function variantOf(pattern: TracedPattern, random: Random): TracedPattern {
  const oneOf = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const plain = pattern.parts.filter(({ kind }) => kind === 'resistor' || kind === 'capacitor');
  const less = oneOf(plain);
  const more: TracedPart = { ref: 'R9901', kind: 'resistor', pins: ['1', '2'], value: 1000 * 10 ** (2 * random()) };
  const parts = [
    ...pattern.parts
      .filter((part) => part !== less)
      .map((part) => ({ ...part, value: part.value && part.value * Math.exp(0.5 * (2 * random() - 1)) })),
    more,
  ];
  const nodes: Spot[][] = pattern.nodes.map((spots) => spots.filter((spot) => !spot.startsWith(`${less.ref}.`)));
  const moved = oneOf(plain.filter((part) => part !== less));
  const pin = `${moved.ref}.${oneOf(moved.pins)}`;
  for (const spots of nodes) if (spots.includes(pin)) spots.splice(spots.indexOf(pin), 1);
  const taken = nodes.filter((spots) => spots.length > 0);
  oneOf(taken.filter((spots) => !spots.some((spot) => spot.startsWith(`${moved.ref}.`)))).push(pin);
  const one = oneOf(taken);
  one.push('R9901.1');
  oneOf(taken.filter((spots) => spots !== one)).push('R9901.2');
  return { ...pattern, parts, nodes: taken };
}
