import { Refusal } from '@/core/quantity';
import { command, type Given } from './command';
import { fromHere } from './files';

// The other commands need no database: it is fetched by those that do.
const store = () => import('@/store');

function firstWord({ words: [word] }: Given, wanted: string): string {
  if (word === undefined) throw new Refusal(`name ${wanted}`);
  return fromHere(word);
}

/** What `go` gives with the user’s own database open. */
async function withDatabase<T>(go: (db: Awaited<ReturnType<Store['database']>>, at: Store) => Promise<T>): Promise<T> {
  const at = await store();
  const db = await at.database();
  try {
    return await go(db, at);
  } finally {
    await db.destroy();
  }
}

type Store = Awaited<ReturnType<typeof store>>;

export const backup = command({
  name: 'backup',
  takes: 'FOLDER',
  about: 'A consistent copy of the user’s data, also while the server runs.',
  async answer(given) {
    const folder = firstWord(given, 'the folder for the copy');
    return withDatabase(async (db, { backupInto }) => ({ copy: await backupInto(db, folder, new Date()) }));
  },
});

export const restoreFrom = command({
  name: 'restore',
  takes: 'COPY.db',
  about: 'Puts a copy in the place of the user’s data, once it has been read from end to end; what was there is kept.',
  async answer(given) {
    const { databaseFile, restore } = await store();
    const before = restore(firstWord(given, 'the copy'), databaseFile(), new Date());
    return { restored: databaseFile(), before: before ?? null };
  },
});

export const exportTo = command({
  name: 'export',
  takes: 'FILE.zip',
  about:
    'Everything in one zip: rows as JSON lines and CSV, sheets as YAML, pictures; or one set, or counts of causes.',
  options: {
    job: { takes: 'ID', about: 'one set with its record, note, pictures and sheet' },
    causes: { about: 'how often each cause was found, without a word of whose sets they were; FILE.json' },
  },
  async answer(given) {
    const file = firstWord(given, 'the file to write');
    const { causesOf, database, databaseFile, exportShop, sheetsOfJob } = await store();
    if (given.has('causes')) return withDatabase(async (db) => writeCauses(file, await causesOf(db, new Date())));
    const job = given.option('job');
    if (job === undefined) return exportShop(databaseFile(), file, { all: true }, new Date());
    const db = await database();
    try {
      return await exportShop(databaseFile(), file, { job, sheets: await sheetsOfJob(db, job) }, new Date());
    } finally {
      await db.destroy();
    }
  },
});

async function writeCauses<T>(file: string, causes: T): Promise<T> {
  const { writeFile } = await import('node:fs/promises');
  await writeFile(file, `${JSON.stringify(causes, null, 2)}\n`);
  return causes;
}

export const importFrom = command({
  name: 'import',
  takes: 'FILE',
  about: 'Takes in what export wrote, all of it or nothing: into an empty shop, or into one that is running.',
  options: {
    prefer: { takes: 'here|there', about: 'which of two rows of one id stays; here unless told otherwise' },
    dry: { about: 'says what would come of it, and changes nothing' },
  },
  async answer(given) {
    const file = firstWord(given, 'the file to take in');
    const prefer = given.option('prefer') ?? 'here';
    if (prefer !== 'here' && prefer !== 'there') throw new Refusal(`--prefer is here or there, not "${prefer}"`);
    const { databaseFile, importShop, readCauses, takeCauses } = await store();
    if (!/\.json$/i.test(file)) return importShop(databaseFile(), file, { prefer, dry: given.has('dry') });
    const { readText } = await import('./files');
    const causes = readCauses(readText(file));
    if (!given.has('dry')) await withDatabase((db) => takeCauses(db, causes));
    return { source: causes.source, causes: causes.counts.length };
  },
});

export const doctor = command({
  name: 'doctor',
  takes: '',
  about: 'Looks the user’s data over: pages, references, search, counts, copies, room on the disk.',
  options: { mend: { about: 'builds the search anew and counts again what was moved' } },
  async answer(given) {
    return withDatabase(async (db, { databaseFile, examine, mend }) => {
      if (given.has('mend')) await mend(db);
      const findings = await examine(db, databaseFile(), new Date());
      return { database: databaseFile(), well: findings.every(({ well }) => well), findings };
    });
  },
});
