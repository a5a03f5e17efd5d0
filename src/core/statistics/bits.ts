/** What one outcome of a chance adds to the bits that its answer tells: the sum over all outcomes is the entropy. */
export const bitsOf = (chance: number): number => (chance > 0 ? -chance * Math.log2(chance) : 0);
