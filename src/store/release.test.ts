import { copyFileSync, mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Raw from 'better-sqlite3';
import { expect, it } from 'vitest';
import { predictionsOf } from '@/core/behaviour';
import { replay } from '@/core/log';
import { shippedSheets } from '@/sheets';
import { findJob, openDatabase, readLog, searchNotes } from '.';

interface StoredLine {
  readonly id: string;
  readonly supersedes: string | null;
  readonly body: string;
}

const stored = path.resolve('tests/fixtures/release-0.1.db');
/** As it is written in JSON, where infinity has no number. */
const asStored = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

it('a database of the first release opens with nothing lost', async () => {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'tovrik-release-')), 'tovrik.db');
  copyFileSync(stored, file);
  const raw = new Raw(stored, { readonly: true });
  const jobs = raw.prepare<[], { id: string; title: string; sheet: string }>('select * from job').all();
  const notes = raw.prepare<[], { title: string; cause: string }>('select * from fault_note').all();
  const linesOf = raw.prepare<[string], StoredLine>('select * from log_entry where job = ? order by seq');
  const kinds = new Set<string>();

  const db = await openDatabase(file);
  expect(jobs).toHaveLength(7);
  for (const { id, title, sheet } of jobs) {
    expect(await findJob(db, id)).toMatchObject({ title, sheet });
    const { entries } = await readLog(db, id);
    const lines = linesOf.all(id);
    expect(entries.map((entry) => [entry.id, entry.supersedes ?? null])).toEqual(
      lines.map((line) => [line.id, line.supersedes]),
    );
    lines.forEach((line, index) => {
      const was = JSON.parse(line.body) as { kind: string };
      kinds.add(was.kind);
      const kind = was.kind === 'proven' ? 'store' : was.kind;
      expect(asStored(entries[index]!.body)).toEqual(asStored({ ...was, kind }));
    });
    const { model, checks } = predictionsOf(shippedSheets().get(sheet)!);
    const bench = replay(entries, [...model.sheet.stores.keys()]);
    for (const { check } of bench.readings) expect(checks.has(check)).toBe(true);
  }
  expect([...kinds].sort()).toEqual(
    'connector inside isolation lamp note part photo plan power proven reading repair soak step unreachable warmth withdrawn worked'.split(
      ' ',
    ),
  );
  expect(notes).toHaveLength(6);
  for (const { title, cause } of notes)
    expect((await searchNotes(db, title)).notes.map((note) => note.cause)).toContain(cause);
  await db.destroy();
  raw.close();
});
