import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { addJob, closedCounts, closeJob, database, releaseDatabase } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { addOldNote, addOldNoteList } from './actions';
import { loadNote, loadNotes, loadOldNotes } from './load';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-notebook-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
});
afterAll(async () => {
  await releaseDatabase();
  rmSync(folder, { recursive: true });
});

const note = {
  date: '2012-03',
  set: 'Arrivals board',
  sheet: 'halvane-hp-42',
  symptom: 'upper half dark',
  cause: 'C547 dried out',
  cure: 'new one, 105 °C',
  parts: '100µF 35V',
  remember: '',
  minutes: 40,
  money: 1,
};

describe('a note from paper', () => {
  it('is in the notebook under its day, counted as the fault it names, once however often it is sent', async () => {
    expect(await addOldNote(note)).toEqual({ done: { added: 1, counted: 1 } });
    expect(await addOldNote(note)).toEqual({ done: { added: 0, counted: 1 } });
    expect((await loadNotes('100uF dark')).notes).toMatchObject([
      { cause: 'C547 dried out', chassis: 'Halvane HP-42', closedAt: '2012-03-01T12:00:00.000Z', fault: 'C547.dry' },
    ]);
    expect((await closedCounts(await database(), ['halvane-hp-42'])).get('C547.dry')).toBe(1);
  });

  it('may be of no sheet and no day, and then counts as nothing', async () => {
    expect(await addOldNote({ ...note, date: '', sheet: '', cause: 'a mouse in the tuner' })).toEqual({
      done: { added: 1, counted: 0 },
    });
    const { notes } = await loadNotes('mouse');
    expect(notes[0]!.closedAt.slice(0, 10)).toBe(new Date().toISOString().slice(0, 10));
  });

  it.each([
    [{ cause: ' ' }, 'say what it was'],
    [{ date: 'in spring' }, '"in spring" is no day: write 2019-05-03, 2019-05, 2019 or 3.5.2019'],
    [{ date: '2999' }, '2999-01-01 has not been yet'],
    [{ minutes: -4 }, 'the minutes cannot be below nothing'],
    [{ sheet: 'no-such' }, /note 1: there is no sheet "no-such"; leave it empty where there is none, or name one of/],
  ])('%j is refused, and nothing of it is kept', async (wrong, message) => {
    const before = (await loadNotes('')).notes.length;
    const answer = await addOldNote({ ...note, set: 'Refused', ...wrong } as typeof note);
    expect(answer).toEqual({
      refused: typeof message === 'string' ? message : (expect.stringMatching(message) as string),
    });
    expect((await loadNotes('')).notes).toHaveLength(before);
  });

  it('comes with others as a list: all of it, or none and the lines that are wrong', async () => {
    const list =
      'date;set;sheet;what it was\n2001;Tea-room set;Pellisar TC-14;C421 dry\n2002;Boat-house set;;lamp lead broken\n';
    const before = (await loadNotes('')).notes.length;
    const wrong = await addOldNoteList(`${list}someday;x;;y\n`);
    expect(wrong).toEqual({ refused: expect.stringMatching(/^line 4: "someday" is no day/) as string });
    expect((await loadNotes('')).notes).toHaveLength(before);
    expect(await addOldNoteList(list)).toEqual({ done: { added: 2, counted: 1 } });
    expect(await addOldNoteList(list)).toEqual({ done: { added: 0, counted: 1 } });
    expect(await addOldNoteList(7)).toHaveProperty('refused');
  });
});

describe('the pages of the notebook', () => {
  it('find what is misspelt by the nearest word there is, and say so', async () => {
    expect(await loadNotes('arivals brd')).toMatchObject({ notes: [] });
    expect(await loadNotes('uper half')).toMatchObject({
      instead: 'upper half',
      notes: expect.arrayContaining([expect.objectContaining({ fault: 'C547.dry' })]) as unknown,
    });
    expect(await loadNotes('zebra')).toMatchObject({ notes: [] });
  });

  it('know the job in which a set came back', async () => {
    const db = await database();
    await addJob(db, takenIn('one', { sheet: 'halvane-hp-42' }));
    const { date: _date, set: _set, minutes, money, ...told } = note;
    const closed = { misled: '', proof: '', accepted: 'one dim row', fault: null, outcome: 'returned' as const };
    await closeJob(db, {
      ...told,
      ...closed,
      minutes,
      money,
      job: 'one',
      title: 'One',
      chassis: '',
      closedAt: '2026-11-02T10:00:00Z',
    });
    expect(await loadNote('one')).toMatchObject({ later: undefined, note: { accepted: 'one dim row' }, photos: [] });
    await addJob(db, takenIn('two', { former: 'one' }));
    expect(await loadNote('one')).toMatchObject({ later: 'two' });
    expect(await loadNote('nobody')).toBeUndefined();
  });

  it('offer every sheet that can be read for an old note', async () => {
    const { sheets, currency } = await loadOldNotes();
    expect(sheets.map(({ id }) => id)).toContain('generic-plasma');
    expect(currency).toBe('£');
  });
});
