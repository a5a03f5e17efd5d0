import { type Expectation } from '../behaviour';
import { type Answer } from '../reading';
import { gaussian, type Random } from './random';

function pick<T>(items: readonly T[], chanceOf: (item: T) => number, random: Random): T {
  let left = random() * items.reduce((sum, item) => sum + chanceOf(item), 0);
  for (const item of items) {
    left -= chanceOf(item);
    if (left <= 0) return item;
  }
  return items[items.length - 1]!;
}

/**
 * What a meter, an eye or an ear reports of a set with the given expectation.
 *
 * @param noise relative standard deviation of a numeric reading
 */
export function answerFrom(expectation: Expectation, noise: number, random: Random): Answer {
  switch (expectation.kind) {
    case 'number': {
      const component = pick(expectation.components, ({ chance }) => chance, random);
      return { kind: 'number', value: component.value * (1 + noise * gaussian(random)), shape: component.shape };
    }
    case 'choice':
      return { kind: 'choice', choice: pick([...expectation.chances], ([, chance]) => chance, random)[0] };
    case 'picture':
      return { kind: 'picture', symptoms: [...expectation.symptoms] };
  }
}
