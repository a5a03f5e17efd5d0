'use server';

import { revalidatePath } from 'next/cache';
import { Refusal } from '@/core/quantity';
import { adoptedId, adoptedText, type PointValues, sheetChangeSchema, withPoint } from '@/core/sheet';
import { database, findJob, moveToSheet, saveSheet } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { readLibrary, readText, sheetOf, titleOf } from './library';

/** The sheet and version that something learnt went into. */
export interface Refined {
  readonly sheet: string;
  readonly version: number;
}

/**
 * Writes what was learnt on a set into the shop's own sheet of it. A set on a shipped sheet is moved to
 * a sheet of the shop's own laid over it, made where there is none yet.
 */
export async function refineSheet(jobId: string, input: unknown): Promise<Answered<Refined>> {
  return answered(async () => {
    const db = await database();
    const job = await findJob(db, jobId);
    if (!job) throw new Refusal('there is no such job');
    if (job.closedAt !== null) throw new Refusal('the job is closed: take the set in again to go on');
    const library = await readLibrary();
    const id = library.own.has(job.sheet) ? job.sheet : adoptedId(job.sheet);
    const title = titleOf(library, job.sheet);
    const before = library.own.get(id);
    const { point, volts, net, where, source } = sheetChangeSchema.validateSync(input);
    const target = sheetOf(library, { sheet: before ? id : job.sheet, options: job.options, label: {} });
    const known = target?.points.has(point) ?? false;
    if (known && net !== undefined) throw new Refusal(`${title} has a point "${point}" of ours already`);
    if (!known && net === undefined) throw new Refusal(`${title} has no point "${point}"`);
    const values: PointValues = {
      ...(known ? {} : { measure: 'dc', net: net ?? '', where: where ?? '' }),
      ...(volts === undefined ? {} : { expect: `${volts} V`, source }),
    };
    const text = withPoint(before?.text ?? adoptedText(job.sheet, `${title}, ours`), point, values);
    readText(library, text, job.options);
    const version = await db.transaction(async (work) => {
      const saved = await saveSheet(work, { id, text, at: new Date().toISOString() }, before?.version ?? 0);
      if (id !== job.sheet) await moveToSheet(work, jobId, id);
      return saved;
    });
    revalidatePath('/', 'layout');
    return { version, sheet: id };
  });
}
