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
