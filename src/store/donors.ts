import { type Knex } from 'knex';
import { Refusal } from '@/core/quantity';
import { type CountedPart, type DonorCondition, readPart, writePart } from '@/core/supply';
import { putOnShelf } from './shelf';

/** A set or a board that parts are taken from. */
export interface Donor {
  readonly id: string;
  readonly title: string;
  readonly place: string;
  readonly note: string;
  readonly at: string;
}

/** Something that can be had of a donor, with how many there still are. */
export interface DonorPart {
  readonly id: string;
  readonly donor: string;
  /** What the donor is called. */
  readonly title: string;
  /** The board it sits on; empty where it is one itself, or sits on none. */
  readonly board: string;
  readonly typed: string;
  readonly condition: DonorCondition;
  /** Minutes that taking one out takes. */
  readonly minutes: number;
  readonly count: number;
}

interface Move {
  readonly id: string;
  readonly at: string;
  readonly why: 'there' | 'taken' | 'harvested' | 'spoiled' | 'taken back';
  readonly need?: string;
}

/** All donors, the newest first. */
export async function donors(database: Knex): Promise<Donor[]> {
  return (await database<Donor>('donor').orderBy('at', 'desc')) as unknown as Donor[];
}

/** Writes a donor down, or what it is called, where it lies and what is known of it. The same id is the same donor. */
export async function saveDonor(database: Knex, donor: Donor): Promise<void> {
  await database('donor').insert(donor).onConflict('id').merge(['title', 'place', 'note']);
}

const partRows = (database: Knex) =>
  database('donor_part')
    .join('donor', 'donor.id', 'donor_part.donor')
    .select<DonorPart[]>(
      'donor_part.id',
      'donor_part.donor',
      'donor.title',
      'board',
      'typed',
      'condition',
      'minutes',
      'count',
    );

/** What there is in the donors, by donor and board. */
export async function donorParts(database: Knex): Promise<DonorPart[]> {
  return partRows(database).orderBy(['donor.at', 'board', 'typed']);
}

export const donorPart = (database: Knex, id: string): Promise<DonorPart | undefined> =>
  partRows(database).where('donor_part.id', id).first() as unknown as Promise<DonorPart | undefined>;

/** What a donor has: put beside what is there of the same, or as something of its own. */
export async function addDonorPart(
  database: Knex,
  donor: string,
  { part, count }: CountedPart,
  of: Pick<DonorPart, 'board' | 'condition' | 'minutes'>,
  move: Omit<Move, 'why'>,
): Promise<void> {
  await database.transaction(async (work) => {
    if (!(await work('donor').where({ id: donor }).first('id'))) throw new Refusal('there is no such donor');
    const typed = writePart(part);
    const { board, condition, minutes } = of;
    const known = await work<DonorPart>('donor_part').where({ donor, board, typed, condition }).first('id');
    const id = known?.id ?? move.id;
    if (!known) await work('donor_part').insert({ id, donor, board, typed, kind: part.kind, condition, minutes });
    await work('donor_move')
      .insert({ ...move, part: id, delta: count, why: 'there' })
      .onConflict('id')
      .ignore();
  });
}

/**
 * Takes so many of a part out of its donor.
 *
 * @throws Refusal where there are not so many
 */
export async function moveDonorPart(database: Knex, part: string, delta: number, move: Move): Promise<void> {
  await database.transaction(async (work) => {
    const there = await donorPart(work, part);
    if (!there) throw new Refusal('there is no such part in a donor');
    // A movement that is sent once more has been made.
    if (await work('donor_move').where('id', move.id).first('id')) return;
    if (there.count + delta < 0)
      throw new Refusal(`${there.title} has only ${there.count} of ${there.typed} left, and ${-delta} are wanted`);
    await work('donor_move').insert({ ...move, part, delta });
  });
}

/** Takes a movement back by its opposite; both stay on record. Twice does nothing more. */
export async function takeDonorMoveBack(database: Knex, move: string, id: string, at: string): Promise<void> {
  const row = await database<{ id: string; part: string; delta: number }>('donor_move').where({ id: move }).first();
  if (!row) throw new Refusal('there is no such movement');
  await database('donor_move')
    .insert({ id, part: row.part, delta: -row.delta, why: 'taken back' satisfies Move['why'], undoes: move, at })
    .onConflict('undoes')
    .ignore();
}

/**
 * Takes pieces out of a donor and puts them on the shelf: it has fewer and the shelf has more, both or neither.
 *
 * @throws Refusal where there are not so many
 */
export async function harvestPart(database: Knex, part: string, count: number, id: string, at: string): Promise<void> {
  await database.transaction(async (work) => {
    const there = await donorPart(work, part);
    if (!there) throw new Refusal('there is no such part in a donor');
    if (await work('donor_move').where({ id }).first('id')) return;
    await moveDonorPart(work, part, -count, { id, at, why: 'harvested' });
    const counted = { part: readPart(there.typed), count, drawer: '' };
    await putOnShelf(work, counted, there.title, { id, at, why: 'harvested' });
  });
}

/** How many pieces the shop has taken out of donors, and how many of them were spoiled on the way. */
export async function piecesTakenOut(database: Knex): Promise<{ done: number; spoiled: number }> {
  const sums = await database('donor_move')
    .whereIn('why', ['harvested', 'spoiled'])
    .whereNotIn('id', database('donor_move').whereNotNull('undoes').select('undoes'))
    .groupBy('why')
    .select<{ why: Move['why']; count: number }[]>('why', database.raw('-sum(delta) as count'));
  const spoiled = sums.find(({ why }) => why === 'spoiled')?.count ?? 0;
  return { done: spoiled + (sums.find(({ why }) => why === 'harvested')?.count ?? 0), spoiled };
}
