import 'server-only';
import { createHash } from 'node:crypto';
import { parse, stringify } from 'devalue';
import { database, keepWorkedOut, readWorkedOut, type WorkedKind } from '@/store';
import { build } from './build';

/** A fingerprint of all that something comes from; another build may judge otherwise. */
export const fingerprintOf = (causes: unknown): string =>
  createHash('sha1')
    .update(JSON.stringify([build, causes]))
    .digest('base64');

/** What was kept of these, by subject. */
export async function readWorked<Worked>(kind: WorkedKind, subjects: readonly string[]): Promise<Kept<Worked>> {
  if (build === undefined) return () => undefined;
  const rows = await readWorkedOut(await database(), kind, subjects);
  return (subject, causes) => {
    const row = rows.get(subject);
    return row?.causes === causes ? (parse(row.body) as Worked) : undefined;
  };
}

/** What was kept of a subject, if it came from these causes. */
type Kept<Worked> = (subject: string, causes: string) => Worked | undefined;

/** Works something out and keeps it, also beyond the next start. What could not be kept is worked out again. */
export async function workAndKeep<Worked>(
  kind: WorkedKind,
  subject: string,
  causes: string,
  work: () => Worked | Promise<Worked>,
): Promise<Worked> {
  const worked = await work();
  if (build !== undefined)
    await keepWorkedOut(await database(), { kind, subject, causes, body: stringify(worked) }).catch(() => undefined);
  return worked;
}

/** What was kept of one subject from these causes, or is worked out and kept now. */
export async function keptWork<Worked>(
  kind: WorkedKind,
  subject: string,
  causes: unknown,
  work: () => Worked | Promise<Worked>,
): Promise<Worked> {
  const print = fingerprintOf(causes);
  const kept = await readWorked<Worked>(kind, [subject]);
  return kept(subject, print) ?? (await workAndKeep(kind, subject, print, work));
}
