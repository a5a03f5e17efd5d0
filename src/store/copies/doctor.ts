import { existsSync, statfsSync, statSync } from 'node:fs';
import path from 'node:path';
import { type Knex } from 'knex';
import { kindOf, type LogBody, reviveBody } from '@/core/log';
import { copiesFolder, copiesIn } from './copies';

/** One thing that was looked at. */
export interface Finding {
  readonly what: string;
  readonly well: boolean;
  /** What was found, in words. */
  readonly found: string;
}

const several = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;
const none = (count: number, what: string): Omit<Finding, 'what'> => ({
  well: count === 0,
  found: count === 0 ? 'none' : several(count, what),
});

async function count(database: Knex, from: string): Promise<number> {
  const [row] = (await database.raw(`select count(*) as rows from ${from}`)) as { rows: number }[];
  return row!.rows;
}

const searches = { note_search: 'search of the notebook', stock_search: 'search of the shelf' };
/** Tables whose count is the sum of their movements. */
const summed = {
  stock_part: { moves: 'stock_move', what: 'counts on the shelf that are not what was moved' },
  donor_part: { moves: 'donor_move', what: 'counts in donors that are not what was moved' },
};
const miscounted = (table: string, moves: string) =>
  `${table} where count <> (select coalesce(sum(delta), 0) from ${moves} where part = ${table}.id)`;

/**
 * Looks a database over: that every page of it can be read, every reference leads somewhere, search finds what is there,
 * counts are what was moved, every line of every record can be replayed, and that there are copies and room for more.
 */
export async function examine(database: Knex, databaseFile: string, now: Date): Promise<Finding[]> {
  const [page] = (await database.raw('pragma integrity_check(1)')) as { integrity_check: string }[];
  const findings: Finding[] = [
    { what: 'every page can be read', well: page!.integrity_check === 'ok', found: page!.integrity_check },
    {
      what: 'references that lead nowhere',
      ...none(((await database.raw('pragma foreign_key_check')) as unknown[]).length, 'reference'),
    },
    {
      what: 'photographs of no set',
      ...none(await count(database, 'photo where job not in (select id from job)'), 'photograph'),
    },
    {
      what: 'closed sets without a note',
      ...none(
        await count(database, 'job where closed_at is not null and id not in (select job from fault_note)'),
        'set',
      ),
    },
    { what: 'lines that cannot be read', ...none(await unreadable(database), 'line') },
  ];
  for (const [search, what] of Object.entries(searches)) findings.push({ what, ...(await indexOf(database, search)) });
  for (const [table, { moves, what }] of Object.entries(summed))
    findings.push({ what, ...none(await count(database, miscounted(table, moves)), 'part') });
  return [...findings, ...surroundings(databaseFile, now)];
}

async function unreadable(database: Knex): Promise<number> {
  let wrong = 0;
  for (let last = 0; ;) {
    const rows = (await database('log_entry').where('seq', '>', last).orderBy('seq').limit(2000)) as {
      seq: number;
      body: string;
    }[];
    for (const { body } of rows)
      try {
        const kind: unknown = kindOf(reviveBody(JSON.parse(body) as LogBody));
        if (kind === undefined) wrong += 1;
      } catch {
        wrong += 1;
      }
    if (rows.length < 2000) return wrong;
    last = rows[rows.length - 1]!.seq;
  }
}

async function indexOf(database: Knex, search: string): Promise<Omit<Finding, 'what'>> {
  try {
    await database.raw(`insert into ${search}(${search}, rank) values ('integrity-check', 1)`);
    return { well: true, found: 'agrees with what is there' };
  } catch (error) {
    return { well: false, found: (error as Error).message.split(' - ').pop()! };
  }
}

const daysOld = (at: Date, now: Date) => (now.getTime() - at.getTime()) / 86_400_000;

function surroundings(databaseFile: string, now: Date): Finding[] {
  if (!existsSync(databaseFile)) return [];
  const [newest] = copiesIn(copiesFolder(databaseFile));
  const disk = statfsSync(path.dirname(databaseFile));
  const free = disk.bavail * disk.bsize;
  const { size } = statSync(databaseFile);
  const inMegabytes = (bytes: number) => `${Math.round(bytes / 1048576)} MB`;
  return [
    {
      what: 'newest copy',
      well: newest !== undefined && daysOld(newest.at, now) < 2,
      found: newest ? `${path.basename(newest.file)}, ${daysOld(newest.at, now).toFixed(1)} days old` : 'none',
    },
    {
      what: 'room on the disk',
      well: free > 3 * size + 100 * 1048576,
      found: `${inMegabytes(free)} beside a database of ${inMegabytes(size)}`,
    },
  ];
}

/** Builds the search anew and counts again what was moved. Nothing that was recorded is touched. */
export async function mend(database: Knex): Promise<void> {
  await database.transaction(async (work) => {
    for (const search of Object.keys(searches)) await work.raw(`insert into ${search}(${search}) values ('rebuild')`);
    for (const [table, { moves }] of Object.entries(summed))
      await work.raw(
        `update ${table} set count = (select coalesce(sum(delta), 0) from ${moves} where part = ${table}.id) where id in (select id from ${miscounted(table, moves)})`,
      );
  });
}
