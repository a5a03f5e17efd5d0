import { Refusal } from '../quantity';

/** How a set shows what is wrong with it, as its owner told it. */
export const manners = ['lasting', 'random', 'warm', 'cold', 'knock'] as const;
export type Manner = (typeof manners)[number];

export const mannerTitles: Readonly<Record<Manner, string>> = {
  lasting: 'All the time',
  random: 'Comes and goes',
  warm: 'Only once warm',
  cold: 'Only while cold',
  knock: 'Answers to a knock',
};

/** The manner that words name: `random`, `comes and goes`. @throws Refusal where they name none */
export function mannerNamed(words: string): Manner {
  const typed = words.trim().toLowerCase();
  const found = manners.find((one) => one === typed || mannerTitles[one].toLowerCase() === typed);
  if (found) return found;
  const all = manners.map((one) => `${one} (${mannerTitles[one].toLowerCase()})`).join(', ');
  throw new Refusal(`"${words}" is no manner of showing; it may be ${all}`);
}
