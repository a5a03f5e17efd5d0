import { type Knex } from 'knex';
import { type Leaving } from '@/core/proof';

interface Row {
  readonly left: string;
  readonly back: string | null;
  readonly fault: string | null;
  readonly again: string | null;
  readonly complaint: string;
  readonly complained: string | null;
}

const symptomsOf = (complaint: string): readonly string[] =>
  (JSON.parse(complaint) as { symptoms: readonly string[] }).symptoms;

/** Where the cause of the return is not known yet, it is the same again if it shows the same. */
function isSame({ fault, again, complaint, complained }: Row): boolean {
  if (fault !== null && again !== null) return fault === again;
  const before = symptomsOf(complaint);
  return symptomsOf(complained!).some((symptom) => before.includes(symptom));
}

/** Every set that left the shop whole, and when and why it came back. */
export async function leavings(database: Knex): Promise<Leaving[]> {
  const rows = (await database('fault_note as note')
    .join('job', 'job.id', 'note.job')
    .leftJoin('job as later', 'later.former', 'note.job')
    .leftJoin('fault_note as found', 'found.job', 'later.id')
    .whereIn('note.outcome', ['returned', 'sold'])
    .select({
      left: 'note.closed_at',
      back: 'later.created_at',
      fault: 'note.fault',
      again: 'found.fault',
      complaint: 'job.complaint',
      complained: 'later.complaint',
    })) as Row[];
  return rows.map((row) => ({
    left: row.left,
    ...(row.back === null ? {} : { back: row.back, same: isSame(row) }),
  }));
}

/** The job in which a set came back after it was closed; undefined where it did not. */
export async function cameBackAs(database: Knex, job: string): Promise<string | undefined> {
  const later = await database<{ id: string; former: string }>('job').where({ former: job }).first('id');
  return later?.id;
}
