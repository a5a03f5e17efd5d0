'use server';

import { revalidatePath } from 'next/cache';
import * as yup from 'yup';
import { adoptedId, adoptedText, type PointValues, readSheet, SheetError, withPoint } from '@/core/sheet';
import { layoutLine } from '@/features/bench/line/layout';
import { type Line } from '@/features/bench/line/line';
import { database, findJob, moveToSheet, saveSheet, StaleSheet } from '@/store';
import { readLibrary, sheetOf } from './library';

/** What came of saving a sheet. */
export type Saved = { readonly version: number } | { readonly refused: string };

/**
 * Stores a sheet's text as a new version. A sheet with problems, or one that would break a sheet laid
 * over it, is refused and nothing is stored.
 *
 * @param seen the version the text was made from; 0 for a new sheet
 */
export async function storeSheet(text: unknown, seen: unknown): Promise<Saved> {
  if (typeof text !== 'string' || typeof seen !== 'number') return { refused: 'a sheet is a text' };
  const library = await readLibrary();
  try {
    const { id } = readSheet(text, { textOf: (parent) => library.texts.get(parent) });
    if (!/^[a-z0-9][a-z0-9-]{1,60}$/.test(id))
      return { refused: `"${id}" cannot be an id: small letters, digits and dashes, like "halvane-hp-42"` };
    const after = new Map(library.texts).set(id, text);
    for (const [other, otherText] of library.texts) {
      if (other === id || !library.own.has(other)) continue;
      try {
        readSheet(otherText, { textOf: (parent) => after.get(parent) });
      } catch (error) {
        if (error instanceof SheetError)
          return { refused: `"${other}" is laid over it and would break: ${error.message}` };
        throw error;
      }
    }
    const version = await saveSheet(await database(), { id, text, at: new Date().toISOString() }, seen);
    revalidatePath('/sheets');
    return { version };
  } catch (error) {
    if (error instanceof SheetError) return { refused: error.message };
    if (error instanceof StaleSheet) return { refused: `${error.message}: open it again; your text is kept here` };
    throw error;
  }
}

/**
 * The line from plug to picture that a text would draw.
 *
 * @returns undefined where the text is no sheet
 */
export async function drawLine(text: unknown): Promise<Line | undefined> {
  if (typeof text !== 'string') return undefined;
  const library = await readLibrary();
  try {
    return await layoutLine(readSheet(text, { textOf: (id) => library.texts.get(id) }));
  } catch (error) {
    if (error instanceof SheetError) return undefined;
    throw error;
  }
}

const changeSchema = yup.object({
  point: yup
    .string()
    .matches(/^[A-Za-z][\w-]{0,30}$/, 'a short name, like tp4')
    .required(),
  net: yup.string().max(60),
  where: yup.string().max(200, 'a place of at most 200 letters'),
  volts: yup.number().min(-60_000).max(60_000),
  source: yup
    .string()
    .oneOf(['manual', 'good set'] as const)
    .required(),
});

/** What is learnt of a sheet at the bench: a point it lacks, or what a good set reads. */
export type SheetChange = yup.InferType<typeof changeSchema>;

/**
 * Writes what was learnt on a set into the shop's own sheet of it. A set on a shipped sheet is moved to
 * a sheet of the shop's own laid over it, made where there is none yet.
 *
 * @returns the sheet and version it went into, or why it could not be
 */
export async function refineSheet(jobId: string, input: unknown): Promise<Saved & { readonly sheet?: string }> {
  const db = await database();
  const job = await findJob(db, jobId);
  if (!job) return { refused: 'there is no such job' };
  if (job.closedAt !== null) return { refused: 'the job is closed: take the set in again to go on' };
  const library = await readLibrary();
  const id = library.own.has(job.sheet) ? job.sheet : adoptedId(job.sheet);
  const title = /^title: *(.+)$/m.exec(library.texts.get(job.sheet) ?? '')?.[1] ?? job.sheet;
  const before = library.own.get(id);
  try {
    const { point, volts, ...rest } = changeSchema.validateSync(input);
    const { source } = rest;
    const target = sheetOf(library, { sheet: before ? id : job.sheet, options: job.options, label: {} });
    const known = target?.points.has(point) ?? false;
    if (known && rest.net !== undefined) return { refused: `${title} has a point "${point}" of ours already` };
    if (!known && rest.net === undefined) return { refused: `${title} has no point "${point}"` };
    const values: PointValues = {
      ...(known ? {} : { measure: 'dc', net: rest.net ?? '', where: rest.where ?? '' }),
      ...(volts === undefined ? {} : { expect: `${volts} V`, source }),
    };
    const text = withPoint(before?.text ?? adoptedText(job.sheet, `${title}, ours`), point, values);
    readSheet(text, { textOf: (parent) => library.texts.get(parent), choices: job.options });
    const version = await db.transaction(async (work) => {
      const saved = await saveSheet(work, { id, text, at: new Date().toISOString() }, before?.version ?? 0);
      if (id !== job.sheet) await moveToSheet(work, jobId, id);
      return saved;
    });
    revalidatePath('/', 'layout');
    return { version, sheet: id };
  } catch (error) {
    if (error instanceof yup.ValidationError) return { refused: error.errors[0] ?? error.message };
    if (error instanceof SheetError) return { refused: error.message };
    if (error instanceof StaleSheet) return { refused: `${error.message}: try once more` };
    throw error;
  }
}
