import { type Knex } from 'knex';

/** What was worked out of a job, and a fingerprint of all it came from. */
interface KeptStanding {
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

/** Keeps what was worked out of a job that is still open, in the place of what was kept before. */
export async function keepStanding(database: Knex, standing: KeptStanding): Promise<void> {
  await database.transaction(async (work) => {
    const open = (await work('job').where({ id: standing.job }).whereNull('closed_at').first('id')) as unknown;
    if (open !== undefined) await work('standing').insert(standing).onConflict('job').merge();
  });
}
