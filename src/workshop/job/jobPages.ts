/** Pages of a job in the order of the work: the last word of the address, and the name. */
export const jobPages = [
  ['bench', 'Bench'],
  ['power', 'Power'],
  ['survey', 'Survey'],
  ['map', 'Map'],
  ['repair', 'Repair'],
  ['close', 'Close'],
] as const;
