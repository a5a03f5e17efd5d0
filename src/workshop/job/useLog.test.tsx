// @vitest-environment happy-dom
import { type LogEntry } from '@/core/log';
import { act, useEffect } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { leftWaiting } from './keepForLog';
import { type JobLog, useLog } from './useLog';

/** The browser's store of unsent lines, kept in memory: what is tested is who puts what in it, and when. */
const outbox = new Map<string, LogEntry>();
vi.mock('./outbox', () => ({
  keepWaiting: (_: string, entries: readonly LogEntry[]) => {
    for (const entry of entries) outbox.set(entry.id, entry);
    return Promise.resolve();
  },
  stillWaiting: () => Promise.resolve([...outbox.values()]),
  acknowledged: (ids: readonly string[]) => {
    for (const id of ids) outbox.delete(id);
    return Promise.resolve();
  },
}));

interface Sent {
  readonly seen: number;
  readonly entries: readonly LogEntry[];
}

let answers: (() => Response)[];
/** What the server answers when asked for the stored log. */
let storedLog: { entries: readonly LogEntry[]; seq: number };
let sent: Sent[];
let log: JobLog;
let root: Root;

function Holder({ onLog }: { onLog: (log: JobLog) => void }) {
  const held = useLog({ id: 'job', entries: [], seq: 7 });
  useEffect(() => {
    onLog(held);
  });
  return null;
}

const settle = () => act(() => new Promise((resolve) => setTimeout(resolve, 20)));
const stored = (seq: number) => () => Response.json({ seq });
const refused =
  (status: number, message: string, stale = false) =>
  () =>
    Response.json({ message, stale }, { status });
const away = () => {
  throw new TypeError('failed to fetch');
};
const live = { body: { kind: 'power', power: 'live' } } as const;
const cold = { body: { kind: 'warmth', warm: false } } as const;

beforeEach(async () => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  outbox.clear();
  sent = [];
  answers = [];
  storedLog = { entries: [], seq: 7 };
  vi.stubGlobal('fetch', async (path: string, init?: { body?: string }) => {
    await Promise.resolve();
    const isKnown = path.endsWith(`?after=${storedLog.seq}`);
    if (init?.body === undefined) return isKnown ? new Response(null, { status: 204 }) : Response.json(storedLog);
    sent.push(JSON.parse(init.body) as Sent);
    return (answers.shift() ?? stored(8))();
  });
  root = createRoot(document.createElement('div'));
  await act(() => {
    root.render(<Holder onLog={(held) => (log = held)} />);
  });
  await settle();
});
afterEach(async () => {
  await act(() => {
    root.unmount();
  });
  vi.unstubAllGlobals();
});

describe('the log in the browser', () => {
  it('takes several lines back at once, each by a line of its own, and nothing for none', async () => {
    await act(() => log.takeBack());
    expect(log.entries).toEqual([]);
    await act(() => log.takeBack('first', 'second'));
    await settle();
    expect(sent[0]!.entries).toMatchObject([
      { supersedes: 'first', body: { kind: 'withdrawn' } },
      { supersedes: 'second', body: { kind: 'withdrawn' } },
    ]);
  });

  it('shows a line at once, sends it with what the page has seen, and lets go of it when it is stored', async () => {
    await act(() => log.record([live]));
    expect(log.entries).toHaveLength(1);
    await settle();
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ seen: 7, entries: [live] });
    expect(log.waiting.size).toBe(0);
    expect(outbox.size).toBe(0);
    expect(log.savedAt).toBeDefined();
    await act(() => log.record([cold]));
    await settle();
    expect(sent[1]!.seen).toBe(8);
  });

  it('keeps a line while the server is away and sends the same line again', async () => {
    answers = [away, stored(8)];
    await act(() => log.record([live]));
    await settle();
    expect(log.waiting.size).toBe(1);
    expect(outbox.size).toBe(1);
    expect(log.trouble?.message).toMatch(/server is away/);
    await act(() => {
      window.dispatchEvent(new Event('online'));
    });
    await settle();
    expect(sent.map(({ entries }) => entries[0]!.id)).toEqual([log.entries[0]!.id, log.entries[0]!.id]);
    expect(log.waiting.size).toBe(0);
    expect(log.trouble).toBeUndefined();
  });

  it('takes a line out again when the server says it is wrong, and says so', async () => {
    answers = [refused(400, 'Halvane HP-42 has no point "x"')];
    await act(() => log.record([live]));
    await settle();
    expect(log.entries).toEqual([]);
    expect(outbox.size).toBe(0);
    expect(log.trouble?.message).toMatch(/Not recorded: Halvane HP-42 has no point/);
  });

  it('keeps a line of an old page and puts it after what it had missed', async () => {
    const missed: LogEntry = { id: 'elsewhere', at: '2026-11-24T10:00:00Z', body: { kind: 'lamp', fitted: true } };
    answers = [refused(409, 'One line was recorded in another window', true), stored(10)];
    storedLog = { entries: [missed], seq: 9 };
    await act(() => log.record([live]));
    await settle();
    expect(log.trouble).toMatchObject({ stale: true });
    expect(log.waiting.size).toBe(1);
    await act(() => log.catchUp());
    await settle();
    expect(log.entries.map(({ id }) => id)[0]).toBe('elsewhere');
    expect(log.entries).toHaveLength(2);
    expect(sent[sent.length - 1]!.seen).toBe(9);
    expect(log.waiting.size).toBe(0);
  });

  it('takes over what something else on the page left for it, with nothing new on the server', async () => {
    outbox.set('note', { id: 'note', at: '2026-11-24T10:00:00Z', body: { kind: 'note', text: 'reckoned' } });
    await act(() => window.dispatchEvent(new CustomEvent(leftWaiting, { detail: 'job' })));
    await settle();
    expect(log.entries.map(({ id }) => id)).toEqual(['note']);
    expect(sent).toMatchObject([{ seen: 7, entries: [{ id: 'note' }] }]);
    expect(log.waiting.size).toBe(0);
  });

  it('takes up what another device recorded, without being asked', async () => {
    const other: LogEntry = { id: 'elsewhere', at: '2026-11-24T10:00:00Z', body: { kind: 'lamp', fitted: true } };
    storedLog = { entries: [other], seq: 8 };
    await vi.waitFor(() => expect(log.entries.map(({ id }) => id)).toEqual(['elsewhere']), { timeout: 4000 });
    expect(log.trouble).toBeUndefined();
    await act(() => log.record([live]));
    await settle();
    expect(sent[sent.length - 1]!.seen).toBe(8);
  });

  it('sends what was typed while a batch was under way in the next one', async () => {
    await act(() => {
      log.record([live]);
      log.record([cold]);
    });
    await settle();
    expect(sent.flatMap(({ entries }) => entries)).toHaveLength(2);
    expect(log.waiting.size).toBe(0);
  });

  it('takes over what a page before it left waiting, and what that one had stored in the meantime', async () => {
    await act(() => {
      root.unmount();
    });
    const line = (id: string): LogEntry => ({ id, at: '2026-11-24T10:00:00Z', body: { kind: 'warmth', warm: true } });
    storedLog = { entries: [line('stored')], seq: 8 };
    for (const id of ['stored', 'unsent']) outbox.set(id, line(id));
    answers = [stored(9)];
    root = createRoot(document.createElement('div'));
    await act(() => {
      root.render(<Holder onLog={(held) => (log = held)} />);
    });
    await settle();
    expect(log.entries.map(({ id }) => id)).toEqual(['stored', 'unsent']);
    expect(sent).toMatchObject([{ seen: 8, entries: [{ id: 'unsent' }] }]);
    expect(outbox.size).toBe(0);
    expect(log.waiting.size).toBe(0);
  });
});
