import { replay } from '@/core/log';
import { stepOf } from '@/core/job';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { compileSheet, Predictions } from '@/core/behaviour';
import { type Case, verificationOf, verified } from '@/core/diagnosis';
import { seeded } from '@/core/statistics';
import { complaintOf } from '@/core/practice';
import { shippedSheets } from '@/sheets';
import { closedCounts, findNote, openDatabase, openJobs, readLog, searchNotes } from '@/store';
import { playJob } from './play';
import { readScenario, type Stage } from './scenario';
import { seedDemo } from './seed';

const predictions = new Predictions(compileSheet(shippedSheets().get('pellisar-tc-14')!));
const fault = predictions.model.sheet.faults.get('R201.drifted')!;
const caseOf = (stage: Stage): Case => ({
  predictions,
  complaint: complaintOf(predictions, fault),
  bench: replay(playJob(predictions, fault, stage, 0, seeded(3)), [...predictions.model.sheet.stores.keys()]),
  closed: new Map(),
  hourlyRate: 18,
});

describe('a job that is played', () => {
  it.each(['taken in', 'measuring', 'repaired', 'verified'] as const)('to "%s" stands there', (stage) => {
    const job = caseOf(stage);
    const done = verified(verificationOf(job));
    const step = stepOf({ bench: job.bench, verified: done, soaking: false, closed: false });
    expect(stage === 'measuring' ? ['measuring', 'first look'] : [stage]).toContain(step);
  });

  it('is the same for the same seed, a line every two minutes', () => {
    const log = playJob(predictions, fault, 'verified', 0, seeded(3));
    expect(playJob(predictions, fault, 'verified', 0, seeded(3))).toEqual(log);
    expect(log[1]!.at).toBe('1970-01-01T00:02:00.000Z');
    expect(new Set(log.map(({ id }) => id)).size).toBe(log.length);
  });
});

describe('the scenario', () => {
  const { sets, closed } = readScenario();
  const now = Date.parse('2026-11-24T12:00:00Z');
  let file: string;

  beforeAll(async () => {
    file = path.join(mkdtempSync(path.join(os.tmpdir(), 'tovrik-demo-')), 'demo.db');
    await seedDemo(file, now);
  }, 300_000);

  it('names only sheets and faults there are, in plenty', () => {
    for (const { sheet, fault: id } of [...sets, ...closed])
      expect(shippedSheets().get(sheet)?.faults.has(id), id).toBe(true);
    expect(sets.length).toBeGreaterThanOrEqual(10);
    expect(closed.length).toBeGreaterThanOrEqual(30);
    expect(new Set(sets.map(({ stage }) => stage)).size).toBe(4);
  });

  it('fills the queue and a notebook to learn from', async () => {
    const db = await openDatabase(file);
    expect((await openJobs(db)).map(({ title }) => title).sort()).toEqual(sets.map(({ title }) => title).sort());
    expect((await searchNotes(db, '', 500)).notes).toHaveLength(closed.length);
    const counts = await closedCounts(db, ['halvane-hp-42']);
    expect(counts.get('C547.dry')).toBe(closed.filter(({ fault: id }) => id === 'C547.dry').length);
    const [note] = (await searchNotes(db, 'posistor')).notes;
    expect(note).toMatchObject({ chassis: 'Pellisar TC-14', fault: 'TH801.cracked' });
    await db.destroy();
  });

  it('keeps every closed job’s record beside its note, in the past', async () => {
    const db = await openDatabase(file);
    for (const { job, closedAt } of (await searchNotes(db, '', 500)).notes) {
      const { entries } = await readLog(db, job);
      expect(entries.some(({ body }) => body.kind === 'repair')).toBe(true);
      expect(Date.parse(closedAt)).toBeLessThan(now);
      expect((await findNote(db, job))!.minutes).toBeGreaterThan(0);
    }
    await db.destroy();
  });
});
