/** Of boards that come from a donor or a seller, how many are dead, worn in the same way or of a revision that does not fit: a guess by hand. */
export const unfitBoards = 0.15;
