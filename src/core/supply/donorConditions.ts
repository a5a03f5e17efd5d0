/** What is known of a part that still sits in a donor. */
export const donorConditions = ['tested', 'likely', 'unknown', 'doubtful'] as const;
export type DonorCondition = (typeof donorConditions)[number];

/** Chance that it works once it is out, a guess by hand: taking it out costs some of them too. */
export const worksOnceOut: Readonly<Record<DonorCondition, number>> = {
  tested: 0.95,
  likely: 0.8,
  unknown: 0.6,
  doubtful: 0.3,
};
