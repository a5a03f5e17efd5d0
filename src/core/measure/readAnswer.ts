import { parseQuantity, Refusal, unitNames } from '../quantity';
import { type Answer } from './answer';
import { type Measure, measures } from './measures';
import { type Asked, type NumberWay } from './way';

/**
 * Reads the answer to a check from the words typed for it.
 *
 * @throws Refusal with what would be right
 */
export function readAnswer(measure: Measure, words: readonly string[], asked: Asked): Answer {
  const way = measures[measure];
  if (words.length === 0)
    throw new Refusal(`${asked.title} needs a value after it, like "${asked.name} ${way.example}"`);
  return way.kind === 'number' ? readNumber(way, words, asked) : way.read(words, asked);
}

function readNumber(way: NumberWay, words: readonly string[], { title, name }: Asked): Answer {
  const brief = words[words.length - 1]!.toLowerCase() === 'brief';
  const { value, unit } = parseQuantity((brief ? words.slice(0, -1) : words).join(' '));
  if (unit !== undefined && unit !== way.unit) {
    const wanted = way.unit === '' ? 'a bare number' : unitNames[way.unit];
    throw new Refusal(`${title} is read in ${wanted}, not ${unitNames[unit]}: like "${name} ${way.example}"`);
  }
  if (way.positive && value < 0)
    throw new Refusal(`${title} cannot be below 0 ${way.unit}; if the meter shows a minus, voltage is still on it`);
  return { kind: 'number', value, shape: brief ? 'brief' : 'settled' };
}
