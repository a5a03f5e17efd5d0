/** The set's power state as it stands over every page of a job. */
export const powerWords = { live: 'LIVE', unplugged: 'UNPLUGGED, NOT PROVEN', proven: 'PROVEN DEAD' } as const;
