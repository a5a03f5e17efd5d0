import { randomUUID } from 'node:crypto';
import { type Knex } from 'knex';
import * as yup from 'yup';
import { Refusal } from '@/core/quantity';

/** The kind of file, and its version. */
const causesFormat = 'tovrik-causes/1';

/** How often each cause was found on each kind of chassis, without a word of whose sets they were. */
export interface Causes {
  readonly format: string;
  /** Tells one shop from another, and nothing else of it. */
  readonly source: string;
  /** ISO instant. */
  readonly made: string;
  readonly counts: readonly { readonly sheet: string; readonly fault: string; readonly count: number }[];
}

/** What a cause that another shop found weighs beside one of one’s own. */
export const lentWeight = 0.25;

const name = yup.string().min(1).max(200).required();
const causesSchema = yup.object({
  format: yup.string().oneOf([causesFormat], `format should be ${causesFormat}`).required(),
  source: yup.string().min(8).max(64).required(),
  made: yup.string().required(),
  counts: yup
    .array(
      yup.object({
        sheet: name,
        fault: name,
        count: yup.number().integer().min(1, 'a count is a whole number from 1 on').max(1e6).required(),
      }),
    )
    .max(100_000)
    .required(),
});

/** @throws Refusal that says where the file is wrong */
export function readCauses(text: string): Causes {
  try {
    return causesSchema.validateSync(JSON.parse(text), { strict: true }) as Causes;
  } catch (error) {
    throw new Refusal(`not the causes of a shop: ${(error as Error).message}`);
  }
}

/** What this shop found, with what other shops lent it left out. */
export async function causesOf(database: Knex, now: Date): Promise<Causes> {
  const rows = (await database('fault_note')
    .whereNotNull('fault')
    .groupBy('sheet', 'fault')
    .orderBy(['sheet', 'fault'])
    .select('sheet', 'fault')
    .count({ count: '*' })) as unknown as Causes['counts'];
  return { format: causesFormat, source: await sourceOf(database), made: now.toISOString(), counts: rows };
}

/** The shop’s own mark, made when it is first asked for. */
async function sourceOf(database: Knex): Promise<string> {
  await database('setting')
    .insert({ name: 'source', value: JSON.stringify(randomUUID()) })
    .onConflict('name')
    .ignore();
  const row = await database<{ name: string; value: string }>('setting').where({ name: 'source' }).first();
  return JSON.parse(row!.value) as string;
}

/**
 * Takes in what another shop found, in the place of what it lent before.
 *
 * @throws Refusal when they are this shop’s own
 */
export async function takeCauses(database: Knex, { source, made, counts }: Causes): Promise<void> {
  if (source === (await sourceOf(database)))
    throw new Refusal('these are this shop’s own causes; they are counted already');
  await database.transaction(async (work) => {
    await work('lent_count').where({ source }).delete();
    await work.batchInsert(
      'lent_count',
      counts.map((one) => ({ ...one, source, at: made })),
      100,
    );
  });
}
