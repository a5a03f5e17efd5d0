import { setUpRows } from '@/core/job';
import { readLibrary, sheetOf } from '@/workshop/library/server';
import { predictionsOf } from '@/core/behaviour';
import { type LogEntry, replay } from '@/core/log';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { shippedSheets } from '@/sheets';
import { addJob, appendLog, closeJob, database, findJob, type JobDetails } from '@/store';
import { takenIn } from '../../../tests/fixtures/takenIn';
import { reviseSet } from './actions';

vi.mock('server-only', () => ({}));
vi.mock('next/cache', () => ({ revalidatePath: vi.fn() }));

let folder: string;
let id: string;
const details: JobDetails = {
  title: 'Waiting-room display',
  place: 'Waiting room',
  owner: 'museum',
  words: '',
  due: '2026-12-04',
  value: 120,
  limit: 40,
  label: { vs: 187 },
  options: {},
};
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'tovrik-details-'));
  process.env.TOVRIK_DB = path.join(folder, 'tovrik.db');
});
afterAll(async () => {
  await (await database()).destroy();
  rmSync(folder, { recursive: true });
});
beforeEach(async () => {
  id = crypto.randomUUID();
  await addJob(await database(), takenIn(id, details));
});
const refusal = (answer: object) => ('refused' in answer ? answer.refused : 'taken');
const stored = async () => (await findJob(await database(), id))!;
const reading = (check: string): LogEntry => ({
  id: crypto.randomUUID(),
  at: '2026-03-01T10:05:00Z',
  body: { kind: 'reading', check, answer: { kind: 'number', value: 5, shape: 'settled' }, text: '5' },
});

describe('what is put right of a set', () => {
  it('is kept, and every verdict goes by it from then on', async () => {
    expect(await reviseSet(id, { ...details, title: ' Pavilion display ', label: { vs: 192 } })).toEqual({
      done: undefined,
    });
    const now = await stored();
    expect(now).toMatchObject({ title: 'Pavilion display', label: { vs: 192 }, sheet: 'generic-plasma' });
    expect(sheetOf(await readLibrary(), now)!.nets.get('vs')!.volts).toBe(192);
  });

  it.each([
    [{ title: '  ' }, /give the set a name/],
    [{ value: -3 }, /the value cannot be below nothing/],
    [{ label: { vs: 0 } }, /label values are volts/],
    [{ options: { buffers: 'seven' } }, /seven/],
  ])('is refused where it is %o, and nothing changes', async (wrong, message) => {
    expect(refusal(await reviseSet(id, { ...details, ...wrong }))).toMatch(message);
    expect(await stored()).toMatchObject(details);
  });

  it('keeps the place of what was recorded: an option that has none for it is refused', async () => {
    const library = await readLibrary();
    const one = sheetOf(library, { ...(await stored()), options: { buffers: 'one' } })!;
    const gone = [...sheetOf(library, await stored())!.points.keys()].find((point) => !one.points.has(point))!;
    await appendLog(await database(), id, [reading(gone)], 0);
    const refused = refusal(await reviseSet(id, { ...details, options: { buffers: 'one' } }));
    expect(refused).toContain(`has no point "${gone}"`);
    expect(refused).toContain('readings of it');
    expect((await stored()).options).toEqual({});
  });

  it('is refused on a job that is closed, and on none', async () => {
    await closeJob(await database(), {
      job: id,
      sheet: 'generic-plasma',
      title: details.title,
      chassis: '',
      symptom: '',
      cause: '',
      proof: '',
      cure: '',
      misled: '',
      parts: '',
      fault: null,
      money: 0,
      minutes: 20,
      remember: '',
      accepted: '',
      outcome: 'returned',
      closedAt: '2026-03-02T10:00:00Z',
    });
    expect(refusal(await reviseSet(id, { ...details, title: 'Other' }))).toMatch(/closed/);
    expect(refusal(await reviseSet('nobody', details))).toMatch(/no such set/);
  });
});

describe('setting up', () => {
  const sheet = shippedSheets().get('halvane-hp-42')!;
  const rows = (...log: readonly LogEntry[]) =>
    setUpRows({ predictions: predictionsOf(sheet), bench: replay(log, []) } as never);
  const live: LogEntry = { id: 'live', at: '2026-03-01T10:00:00Z', body: { kind: 'power', power: 'live' } };
  const vs = (value: number): LogEntry => {
    const made = reading('vs-dc');
    return { ...made, body: { ...made.body, answer: { kind: 'number', value, shape: 'settled' } } as LogEntry['body'] };
  };

  it('goes in the sheet’s order, each rail with its latest reading and its verdict', () => {
    const found = rows(live, vs(170), vs(187.4));
    expect(found.map(({ step }) => step.title)).toEqual(['Vs', 'Va', 'Ve', 'Vset', 'Vscan']);
    expect(found[0]).toMatchObject({ expected: '187 V ±1 %', read: { said: '187.4 V', verdict: { mark: 'within' } } });
    expect(found[1]!.read).toBeUndefined();
    expect(rows(live, vs(170))[0]!.read!.verdict.mark).toBe('low');
  });

  it('asks anew after a repair', () => {
    const repair: LogEntry = {
      id: 'repair',
      at: '2026-03-01T11:00:00Z',
      body: { kind: 'repair', action: 'replace:C841', title: '', cures: [], money: 0, minutes: 0, note: '' },
    };
    expect(rows(live, vs(187), repair)[0]!.read).toBeUndefined();
  });
});
