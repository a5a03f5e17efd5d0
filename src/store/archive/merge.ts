import { type Knex } from 'knex';
import { Refusal } from '@/core/quantity';
import { type Archive } from './open';
import { rowsName } from './manifest';
import { keyOf, unwritten } from './rows';
import { requireLines, requireRow, type Columns } from './row';
import { type ArchivedRow, archivedTables, type ArchivedTable, fileName } from './tables';

/** One row that is here and in the archive, and not the same. */
export interface Clash {
  readonly table: string;
  readonly key: string;
  readonly columns: readonly { readonly column: string; readonly here: unknown; readonly there: unknown }[];
}

/** What an archive adds to the shop. */
export interface Merged {
  /** Rows that were not here, by table. */
  readonly fresh: Readonly<Record<string, number>>;
  /** Rows that are here as they are in the archive. */
  readonly same: number;
  /** Rows that differ, the first hundred of them. */
  readonly clashes: readonly Clash[];
  readonly clashed: number;
}

/** How an archive is taken in. */
export interface Merging {
  /** Which of two rows of one key stays where rows may change; what is only added to keeps what is here. */
  readonly prefer: 'here' | 'there';
  /** Says what would come of it and leaves everything as it is. */
  readonly dry?: boolean;
  /** Told now and then how many rows of how many have been looked at. */
  readonly onProgress?: (done: number, of: number) => void;
  readonly signal?: AbortSignal;
}

const rowsAtATime = 200;
const mostClashes = 100;

/** Ends a dry run: its transaction is taken back. */
class TakenBack extends Error {
  constructor(readonly merged: Merged) {
    super('a dry run');
  }
}

/**
 * Takes an archive into the shop, all of it or nothing.
 *
 * @param database a connection of its own: it is held in one transaction throughout
 * @throws Refusal that names file and line where the archive is wrong, or that it was called off
 */
export async function mergeArchive(database: Knex, archive: Archive, merging: Merging): Promise<Merged> {
  const known = new Set((await database('knex_migrations').select('name')).map(({ name }: { name: string }) => name));
  if (!known.has(archive.manifest.release))
    throw new Refusal(
      `the archive was written by a newer Tovrik (${archive.manifest.release}); bring this one up to date first`,
    );
  try {
    return await database.transaction(async (work) => {
      // What is referred to may come later in the file.
      await work.raw('pragma defer_foreign_keys = on');
      const merge = new Merge(work, archive, merging);
      for (const table of archivedTables) await merge.take(table);
      await work.raw(
        'update job set waiting = null, closed_at = (select closed_at from fault_note where job = job.id) where closed_at is null and id in (select job from fault_note)',
      );
      const lost = (await work.raw('pragma foreign_key_check')) as { table: string; parent: string }[];
      if (lost[0]) throw new Refusal(`${rowsName(lost[0].table)} refers to rows of ${lost[0].parent} that are nowhere`);
      const merged = merge.done();
      if (merging.dry) throw new TakenBack(merged);
      return merged;
    });
  } catch (error) {
    if (error instanceof TakenBack) return error.merged;
    throw error;
  }
}

interface Arriving {
  readonly line: number;
  readonly row: ArchivedRow;
}

class Merge {
  private readonly fresh: Record<string, number> = {};
  private readonly clashes: Clash[] = [];
  private same = 0;
  private clashed = 0;
  private seen = 0;
  private readonly all: number;
  /** By table: the key here of a row that comes under another. */
  private readonly standIns = new Map<string, Map<unknown, unknown>>();

  constructor(
    private readonly work: Knex,
    private readonly archive: Archive,
    private readonly merging: Merging,
  ) {
    this.all = Object.values(archive.manifest.rows).reduce((sum, rows) => sum + rows, 0);
  }

  done = (): Merged => ({ fresh: this.fresh, same: this.same, clashes: this.clashes, clashed: this.clashed });

  async take(table: ArchivedTable): Promise<void> {
    const columns = (await this.work(table.name).columnInfo()) as unknown as Columns;
    const empty = (await this.work(table.name).first(this.work.raw('1'))) === undefined;
    let some: Arriving[] = [];
    const put = async () => {
      await this.put(table, some, empty);
      this.seen += some.length;
      some = [];
      this.merging.onProgress?.(this.seen, this.all);
      if (this.merging.signal?.aborted) throw new Refusal('called off; nothing was changed');
    };
    for await (const { line, row } of this.archive.rows(table)) {
      requireRow(table, row, columns, `${rowsName(table.name)}, line ${line}`);
      some.push({ line, row: this.referring(table, row) });
      if (some.length === rowsAtATime) await put();
    }
    if (some.length > 0) await put();
  }

  /** The row with the keys under which what it refers to stands here. */
  private referring(table: ArchivedTable, row: ArchivedRow): ArchivedRow {
    const refers = Object.entries(table.refers ?? {}).filter(([, to]) => this.standIns.has(to));
    if (refers.length === 0) return row;
    const here = Object.fromEntries(
      refers.map(([column, to]) => [column, this.standIns.get(to)!.get(row[column]) ?? row[column]]),
    );
    return { ...row, ...here };
  }

  private async put(table: ArchivedTable, some: readonly Arriving[], empty: boolean): Promise<void> {
    const here = empty ? new Map<string, ArchivedRow>() : await this.here(table, some);
    const fresh: Arriving[] = [];
    for (const one of some) {
      const there = unwritten(table, one.row);
      const found = here.get(keyText(table, there)) ?? (empty ? undefined : await this.alike(table, there));
      if (found) await this.meet(table, found, there);
      else fresh.push({ ...one, row: there });
    }
    if (fresh.length === 0) return;
    if (table.name === 'log_entry') requireLines(fresh);
    const where = `${rowsName(table.name)}, lines ${fresh[0]!.line} to ${fresh[fresh.length - 1]!.line}`;
    const whole = await Promise.all(fresh.map(async ({ row }) => ({ ...row, ...(await this.fileOf(table, row)) })));
    await this.work
      .batchInsert(table.name, whole, 40)
      .catch((error: Error) => Promise.reject(new Refusal(`${where}: ${error.message.split(' - ').pop()!}`)));
    this.fresh[table.name] = (this.fresh[table.name] ?? 0) + fresh.length;
  }

  /** Rows that are here under the keys of those that come. */
  private async here(table: ArchivedTable, some: readonly Arriving[]): Promise<Map<string, ArchivedRow>> {
    const [first] = table.key;
    const values = [...new Set(some.map(({ row }) => row[first!]))];
    const wanted = this.work(table.name).whereIn(first!, values as string[]);
    // Pictures are what they are; of their rows only the rest is compared.
    if (table.file && table.version === undefined)
      void wanted.select(
        Object.keys(await this.work(table.name).columnInfo()).filter((one) => one !== table.file!.column),
      );
    // Where the key has more columns, more rows than those that come are found; they do no harm.
    const rows = (await wanted) as ArchivedRow[];
    return new Map(rows.map((row) => [keyText(table, row), row]));
  }

  /** The row that is here under another key and may not be doubled. */
  private async alike(table: ArchivedTable, there: ArchivedRow): Promise<ArchivedRow | undefined> {
    if (!table.alike) return undefined;
    const same = Object.fromEntries(table.alike.map((column) => [column, there[column]]));
    const found = (await this.work(table.name).where(same).first()) as ArchivedRow | undefined;
    const [key] = table.key;
    if (!found) return undefined;
    const standIns = this.standIns.get(table.name) ?? new Map<unknown, unknown>();
    this.standIns.set(table.name, standIns.set(there[key!], found[key!]));
    return { ...found, [key!]: there[key!] };
  }

  private async meet(table: ArchivedTable, here: ArchivedRow, there: ArchivedRow): Promise<void> {
    const worked = new Set([table.counted, table.file?.column, ...Object.keys(table.derived ?? {})]);
    const file = table.version === undefined ? {} : await this.fileOf(table, there);
    const differ = [
      ...Object.keys(there).filter((column) => !worked.has(column) && there[column] !== here[column]),
      ...Object.keys(file).filter((column) => file[column] !== here[column]),
    ];
    if (differ.length === 0) {
      this.same += 1;
      return;
    }
    this.clashed += 1;
    if (this.clashes.length < mostClashes)
      this.clashes.push({
        table: table.name,
        key: table.key.map((column) => String(there[column])).join(' '),
        columns: differ.map((column) => ({ column, here: here[column], there: { ...there, ...file }[column] })),
      });
    if (this.merging.prefer === 'here' || table.grows) return;
    if (table.version === undefined) {
      await this.work(table.name).where(keyOf(table, there)).update(there);
      return;
    }
    const [key] = table.key;
    const latest = (await this.work(table.name)
      .where({ [key!]: there[key!] })
      .max({ latest: table.version })
      .first()) as { latest: number };
    await this.work(table.name).insert({ ...there, ...file, [table.version]: latest.latest + 1 });
  }

  /** The column that stands in a file of its own. */
  private async fileOf(table: ArchivedTable, row: ArchivedRow): Promise<ArchivedRow> {
    if (!table.file) return {};
    const contents = await this.archive.file(fileName(table.file, row));
    return { [table.file.column]: table.name === 'photo' ? contents : contents.toString('utf8') };
  }
}

const keyText = (table: ArchivedTable, row: ArchivedRow): string =>
  JSON.stringify(table.key.map((column) => row[column]));
