/** Relative standard deviation of what is read in a hunt. */
export const noise = 0.01;
