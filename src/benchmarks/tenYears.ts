import { type Knex } from 'knex';
import { seeded } from '@/core/statistics';
import { addJob, addOldNotes, closeJob, type FaultNote, type Job } from '@/store';

const random = seeded(10);
const oneOf = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
const causes = [
  'C547 dried out',
  'Q511 shorted',
  'R421 open',
  'joint at IC501',
  'posistor cracked',
  'lamp worn',
  '4k7 drifted',
];
const signs = ['upper half dark', 'starts, then off', 'line across', 'green flooded', 'no picture', 'hum bars'];

/** A set as it was taken in at some time. */
export const someSet = (index: number, at: string) => ({
  id: `job-${index}`,
  title: `Set ${index % 700}`,
  place: '',
  sheet: oneOf(['halvane-hp-42', 'pellisar-tc-14', 'corrowby-sm-9']),
  label: {},
  options: {},
  complaint: { symptoms: [], signs: {} },
  words: oneOf(signs),
  owner: '',
  value: 80,
  limit: 30,
  waiting: null,
  createdAt: at,
  closedAt: null,
  due: '',
  pinned: false,
  former: null,
});

/** The note that a set is closed with. */
export function someNote({ id, sheet, words }: Pick<Job, 'id' | 'sheet' | 'words'>, at: string): FaultNote {
  const cause = oneOf(causes);
  const index = Math.floor(random() * 1000);
  return {
    job: id,
    sheet,
    title: `${sheet}: ${words}`,
    chassis: sheet,
    symptom: words,
    cause,
    proof: `${10 + (index % 90)}.${index % 10} V before`,
    cure: `replaced ${cause.split(' ')[0]}`,
    misled: '',
    parts: `${1 + (index % 999)}u 50V`,
    remember: '',
    accepted: '',
    fault: null,
    money: 1,
    minutes: 40,
    outcome: 'returned',
    closedAt: at,
  };
}

/** So many sets are open at once. */
export const openSets = 60;

/**
 * Ten years: 5,000 sets, their lines and pictures, a shelf, and notes from paper.
 *
 * @param open so many of the sets are not closed
 */
export async function fillTenYears(db: Knex, open: number): Promise<void> {
  const ids = { jobs: 5000, lines: 67, photos: 6, parts: 20_000, notes: 2000 };
  await db.transaction(async (work) => {
    for (let index = 0; index < ids.jobs; index += 1) {
      const at = new Date(Date.UTC(2016, 0, 1) + index * 17.5 * 3_600_000).toISOString();
      const set = someSet(index, at);
      await addJob(work, set);
      await work.batchInsert(
        'log_entry',
        Array.from({ length: ids.lines }, (_, line) => ({
          id: `line-${index}-${line}`,
          job: set.id,
          at,
          body: JSON.stringify({ kind: 'note', text: `${oneOf(causes)}, reading ${line} of ${oneOf(signs)}` }),
        })),
        100,
      );
      await work.batchInsert(
        'photo',
        Array.from({ length: ids.photos }, (_, photo) => ({
          id: `photo-${index}-${photo}`,
          job: set.id,
          at,
          type: 'image/jpeg',
          bytes: Buffer.alloc(600, index),
        })),
        50,
      );
      if (index >= ids.jobs - open) continue;
      await closeJob(work, someNote(set, at));
    }
    await work.batchInsert(
      'stock_part',
      Array.from({ length: ids.parts }, (_, index) => ({
        id: `stock-${index}`,
        typed: `C ${1 + (index % 999)}µF ${oneOf([16, 25, 50, 100])}V`,
        kind: 'C',
        drawer: `D${index}`,
        origin: 'new',
      })),
      100,
    );
    await work.batchInsert(
      'stock_move',
      Array.from({ length: ids.parts }, (_, index) => ({
        id: `move-${index}`,
        part: `stock-${index}`,
        delta: 5,
        why: 'put',
        at: '2020-01-01T00:00:00Z',
      })),
      100,
    );
  });
  await addOldNotes(
    db,
    Array.from({ length: ids.notes }, (_, index) => ({
      note: {
        date: `20${String(index % 16).padStart(2, '0')}-05-01`,
        set: `Old set ${index}`,
        sheet: '',
        symptom: oneOf(signs),
        cause: oneOf(causes),
        cure: '',
        parts: '',
        remember: '',
        minutes: 0,
        money: 0,
      },
      sheet: { id: 'halvane-hp-42', title: 'Halvane HP-42' },
      fault: null,
    })),
  );
}
