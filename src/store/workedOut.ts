import { type Knex } from 'knex';

/** What was worked out of a job or a sheet, and a fingerprint of all it came from. */
export interface WorkedOut {
  readonly kind: WorkedKind;
  /** A job or a sheet. */
  readonly subject: string;
  readonly causes: string;
  readonly body: string;
}

const ofJobs = ['standing', 'briefing'] as const;
/** Where a job stands, what is advised on it; where the blocks of a sheet's line stand, tight and spread. */
export type WorkedKind = (typeof ofJobs)[number] | 'line' | 'spread line';

/** What was kept of these, by subject. */
export async function readWorkedOut(
  database: Knex,
  kind: WorkedKind,
  subjects: readonly string[],
): Promise<Map<string, WorkedOut>> {
  const rows = await database<WorkedOut>('worked_out').where({ kind }).whereIn('subject', subjects);
  return new Map(rows.map((row) => [row.subject, row]));
}

/** Keeps what was worked out in the place of what was kept before; nothing of a job that is not open. */
export async function keepWorkedOut(database: Knex, worked: WorkedOut): Promise<void> {
  await database.transaction(async (work) => {
    if (ofJobs.some((kind) => kind === worked.kind)) {
      const open = (await work('job').where({ id: worked.subject }).whereNull('closed_at').first('id')) as unknown;
      if (open === undefined) return;
    }
    await work('worked_out').insert(worked).onConflict(['kind', 'subject']).merge();
  });
}

/** Forgets what was worked out of a job. */
export async function forgetWorkedOut(database: Knex, job: string): Promise<void> {
  await database('worked_out').whereIn('kind', ofJobs).where({ subject: job }).delete();
}
