import { type Knex } from 'knex';

/** What was worked out of a job, and a fingerprint of all it came from. */
export interface KeptStanding {
  readonly job: string;
  readonly causes: string;
  /** JSON. */
  readonly body: string;
}

/** What was kept of these jobs, by job. */
export async function readStandings(database: Knex, jobs: readonly string[]): Promise<Map<string, KeptStanding>> {
  const rows = await database<KeptStanding>('standing').whereIn('job', jobs);
  return new Map(rows.map((row) => [row.job, row]));
}

/** Keeps what was worked out, in the place of what was kept before. */
export async function keepStandings(database: Knex, standings: readonly KeptStanding[]): Promise<void> {
  if (standings.length === 0) return;
  await database.transaction(async (work) => {
    for (const standing of standings) await work('standing').insert(standing).onConflict('job').merge();
  });
}
