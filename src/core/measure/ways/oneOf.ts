import { Refusal } from '../../quantity';
import { type Answer } from '../answer';
import { type Asked } from '../way';

/**
 * Reads an answer that is one of some words.
 *
 * @param words as typed, to the answer each stands for
 * @throws Refusal naming the answers there are
 */
export function oneOf(
  [typed = '', ...more]: readonly string[],
  { title }: Asked,
  words: Readonly<Record<string, string>>,
): Answer {
  const word = typed.toLowerCase();
  const found = more.length === 0 && Object.hasOwn(words, word) ? words[word] : undefined;
  if (found === undefined)
    throw new Refusal(
      `${title} is answered with ${[...new Set(Object.values(words))].join(' or ')}, not "${[typed, ...more].join(' ')}"`,
    );
  return { kind: 'choice', choice: found };
}
