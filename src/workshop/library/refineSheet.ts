'use server';

import { Refusal } from '@/core/quantity';
import {
  isAnyMake,
  adoptedId,
  adoptedText,
  editsOf,
  editsUnderChoices,
  openSheet,
  readSheetChange,
  type Sheet,
  type SheetChange,
  withEdits,
} from '@/core/sheet';
import { database, findJob, type Job, moveToSheet, saveSheet } from '@/store';
import { answered, type Answered } from '@/workshop/answer';
import { type Library, placeUnderChoices, readLibrary, sheetOf, titleOf } from './library';

/** The set’s sheet with something learnt in it, as the pages of a job have it, and which version of it that is. */
export interface Refined {
  readonly sheet: Sheet;
  readonly version: number;
}

/** The library as it is once a sheet of the shop’s own has a new text. */
const withText = (library: Library, id: string, text: string): Library => ({
  ...library,
  texts: new Map([...library.texts, [id, text]]),
});

/** What the shop’s own sheet of a set is called: its make and model where it was of any make. */
function ownTitle(library: Pick<Library, 'texts'>, { sheet, title }: Pick<Job, 'sheet' | 'title'>): string {
  return isAnyMake(sheet) && title !== '' ? title : `${titleOf(library, sheet)}, ours`;
}

/** @throws Refusal where what is to be put in is there already, or what it speaks of is not */
function refuseUnfit(change: SheetChange, { title, points, parts, nets, blocks, boards }: Sheet): void {
  const refuse = (what: string, name: string, has: boolean) => {
    throw new Refusal(`${title} has ${has ? `a ${what} "${name}" already` : `no ${what} "${name}"`}`);
  };
  if (change.kind === 'point') {
    const known = points.has(change.point);
    if (known === (change.net !== undefined)) refuse('point', change.point, known);
  } else if (change.kind === 'board') {
    if (!boards.has(change.board)) refuse('board', change.board, false);
  } else if (change.kind === 'block') {
    if (blocks.has(change.block)) refuse('block', change.block, true);
    if (nets.has(change.rail)) refuse('net', change.rail, true);
    if (!boards.has(change.board)) refuse('board', change.board, false);
    if (change.user !== undefined && !blocks.has(change.user)) refuse('block', change.user, false);
    for (const net of change.needs) if (!nets.has(net)) refuse('net', net, false);
  } else if (change.kind === 'stage') {
    if (!blocks.has(change.block)) refuse('block', change.block, false);
    for (const net of [...Object.values(change.given ?? {}), ...Object.values(change.nodes ?? {})])
      if (!nets.has(net)) refuse('net', net, false);
    for (const part of Object.values(change.parts ?? {})) if (!parts.has(part)) refuse('part', part, false);
  } else {
    if (change.kind === 'part' && parts.has(change.part)) refuse('part', change.part, true);
    if (change.kind === 'rail' && nets.has(change.rail)) refuse('net', change.rail, true);
    if (change.kind !== 'rail' && !nets.has(change.net)) refuse('net', change.net, false);
    if (change.kind === 'rail' && change.user !== undefined && !blocks.has(change.user))
      refuse('block', change.user, false);
    if (change.kind !== 'code' && !blocks.has(change.block)) refuse('block', change.block, false);
  }
}

/** Whether a sheet says already what is to be put in. */
function holds(change: SheetChange, { parts, nets, points, protections, blocks }: Sheet): boolean {
  if (change.kind === 'block') return blocks.get(change.block)?.makes.includes(change.rail) === true;
  if (change.kind === 'stage') return blocks.get(change.block)?.stage?.text === change.circuit.trim();
  if (change.kind === 'part') return parts.get(change.part)?.block === change.block;
  if (change.kind === 'rail') return nets.get(change.rail)?.volts === change.volts;
  if (change.kind === 'point') {
    const { net, expect } = points.get(change.point) ?? {};
    return net !== undefined && change.net === net && change.volts === expect;
  }
  return change.kind === 'code' && protections.some(({ blinks }) => blinks === change.blinks);
}

/** So many changes are made at once, at most. */
const mostAtOnce = 60;

/**
 * Writes what was learnt on a set into the shop's own sheet of it. A set on a shipped sheet is moved to
 * a sheet of the shop's own laid over it, made where there is none yet.
 *
 * @param input a change, or several that go in all or none
 */
export async function refineSheet(jobId: string, input: unknown): Promise<Answered<Refined>> {
  return answered(async () => {
    const db = await database();
    const job = await findJob(db, jobId);
    if (!job) throw new Refusal('there is no such job');
    if (job.closedAt !== null) throw new Refusal('the job is closed: take the set in again to go on');
    const library = await readLibrary();
    const own = library.own.has(job.sheet);
    const id = own ? job.sheet : adoptedId(job.sheet, job.title);
    const title = own ? titleOf(library, job.sheet) : ownTitle(library, job);
    const before = library.own.get(id);
    const inputs: readonly unknown[] = Array.isArray(input) ? input : [input];
    if (inputs.length === 0 || inputs.length > mostAtOnce)
      throw new Refusal(`a sheet takes 1 to ${mostAtOnce} changes at once`);
    const changes = inputs.map(readSheetChange);
    let target = sheetOf(library, { sheet: before ? id : job.sheet, options: job.options, label: {} });
    if (!target) throw new Refusal(`there is no sheet "${job.sheet}"`);
    const known = target;
    if (before && !own && changes.every((change) => holds(change, known))) {
      // Learnt on another set of this make and model: this one goes by it too.
      await moveToSheet(db, jobId, id);
      return { version: before.version, sheet: openSheet(sheetOf(library, { ...job, sheet: id })!) };
    }
    let text = before?.text ?? adoptedText(id, job.sheet, title);
    for (const change of changes) {
      // Of several, what is there already is no reason to leave out the rest.
      if (Array.isArray(input) && holds(change, target)) continue;
      refuseUnfit(change, target);
      const placed = placeUnderChoices(library, text, job.options);
      text = withEdits(text, editsUnderChoices(editsOf(change, target), placed));
      target = sheetOf(withText(library, id, text), { sheet: id, options: job.options, label: {} })!;
    }
    const version = await db.transaction(async (work) => {
      const saved = await saveSheet(work, { id, text, at: new Date().toISOString() }, before?.version ?? 0);
      if (id !== job.sheet) await moveToSheet(work, jobId, id);
      return saved;
    });
    return { version, sheet: openSheet(sheetOf(withText(library, id, text), { ...job, sheet: id })!) };
  });
}
