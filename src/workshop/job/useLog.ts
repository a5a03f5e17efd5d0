'use client';

import { type LogBody, type LogEntry, reviveBody, largestBatch } from '@/core/log';
import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { type JobFile } from './jobFile';
import { leftWaiting } from './keepForLog';
import { acknowledged, keepWaiting, stillWaiting } from './outbox';

/** A line to be recorded; a correction names the line it supersedes. */
export interface NewLine {
  readonly body: LogBody;
  readonly supersedes?: string;
}

/** The log of a job in the browser: what is stored, what waits, and the way to add to it. */
export interface JobLog {
  readonly entries: readonly LogEntry[];
  /** Ids of lines the server has not acknowledged. */
  readonly waiting: ReadonlySet<string>;
  /** When the server last acknowledged; undefined before the first time. */
  readonly savedAt: string | undefined;
  /** One clear message, with what to do, when the server refused or is away. */
  readonly trouble: { readonly message: string; readonly stale: boolean } | undefined;
  /** @returns the lines as they will stand in the log */
  record(lines: readonly NewLine[]): readonly LogEntry[];
  /** Takes lines back; they stay in the record as withdrawn. */
  takeBack(...ids: readonly string[]): void;
  /** Fetches what other pages recorded and sends what waits here after it. */
  catchUp(): Promise<void>;
}

const firstRetry = 1500;
/** How often a page that is looked at asks whether another device has recorded something, in milliseconds. */
const followEvery = 1500;
const longestRetry = 15_000;

/**
 * Keeps a job's log: shows a line at once, keeps it in the browser until the server has it, and
 * tries again while the server is away. Ids are made here, so a repeated try never doubles.
 */
export function useLog(file: Pick<JobFile, 'id' | 'entries' | 'seq'>): JobLog {
  const { id } = file;
  const [entries, setEntries] = useState(file.entries);
  const [waiting, setWaiting] = useState<ReadonlySet<string>>(new Set());
  const [savedAt, setSavedAt] = useState<string>();
  const [trouble, setTrouble] = useState<JobLog['trouble']>();
  const seen = useRef(file.seq);
  const queue = useRef<LogEntry[]>([]);
  const sending = useRef(false);
  const retry = useRef(firstRetry);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  /** The newest `flush`, for timers and events that outlive a render. */
  const again = useRef<() => Promise<void>>(() => Promise.resolve());

  const settle = useCallback(async (done: readonly string[]) => {
    queue.current = queue.current.filter((entry) => !done.includes(entry.id));
    // That something is saved is shown when there is nothing more pressing to show.
    startTransition(() => setWaiting(new Set(queue.current.map((entry) => entry.id))));
    await acknowledged(done);
  }, []);

  const flush = useCallback(async () => {
    if (sending.current || queue.current.length === 0) return;
    sending.current = true;
    let sent = false;
    clearTimeout(timer.current);
    const batch = queue.current.slice(0, largestBatch);
    const later = () => {
      timer.current = setTimeout(() => void again.current(), retry.current);
      retry.current = Math.min(longestRetry, retry.current * 1.6);
    };
    try {
      const response = await fetch(`/api/jobs/${id}/log`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ seen: seen.current, entries: batch }),
      });
      const answer = (await response.json()) as { seq?: number; message?: string; stale?: boolean };
      if (response.ok && answer.seq !== undefined) {
        seen.current = answer.seq;
        retry.current = firstRetry;
        startTransition(() => setSavedAt(new Date().toISOString()));
        setTrouble(undefined);
        sent = true;
        await settle(batch.map((entry) => entry.id));
      } else if (response.status === 400) {
        const refused = new Set(batch.map((entry) => entry.id));
        setEntries((current) => current.filter((entry) => !refused.has(entry.id)));
        setTrouble({
          message: `Not recorded: ${answer.message ?? 'the server refused it'}. Type it again, corrected.`,
          stale: false,
        });
        await settle([...refused]);
      } else if (response.status === 409) {
        setTrouble({ message: answer.message ?? 'this page is out of date', stale: answer.stale === true });
      } else {
        setTrouble({
          message:
            response.status === 507
              ? 'The server’s disk is full or fails. What you typed is kept here, and sent again by itself once it can be written.'
              : `The server answered ${response.status}. What you typed is kept here and sent again.`,
          stale: false,
        });
        later();
      }
    } catch {
      setTrouble({
        message: 'The server is away. What you typed is kept here and sent when it is back.',
        stale: false,
      });
      later();
    } finally {
      sending.current = false;
    }
    // Lines typed while this batch was under way.
    if (sent && queue.current.length > 0) void again.current();
  }, [id, settle]);

  useEffect(() => {
    again.current = flush;
  }, [flush]);

  const record = useCallback(
    (lines: readonly NewLine[]) => {
      const at = new Date().toISOString();
      const made = lines.map(({ body, supersedes }): LogEntry => ({
        id: crypto.randomUUID(),
        at,
        body,
        ...(supersedes === undefined ? {} : { supersedes }),
      }));
      queue.current = [...queue.current, ...made];
      setEntries((current) => [...current, ...made]);
      setWaiting(new Set(queue.current.map((entry) => entry.id)));
      void keepWaiting(id, made).finally(() => void again.current());
      return made;
    },
    [id],
  );

  const takeBack = useCallback(
    (...ids: readonly string[]) => {
      if (ids.length > 0) record(ids.map((supersedes) => ({ body: { kind: 'withdrawn' }, supersedes })));
    },
    [record],
  );

  /** Fetches the stored log; true when it could be had. What it adds is shown, what waits comes after it. */
  const refresh = useCallback(
    async (asked: 'whole' | 'if new'): Promise<boolean> => {
      try {
        const response = await fetch(`/api/jobs/${id}/log${asked === 'whole' ? '' : `?after=${seen.current}`}`);
        if (response.status === 204) return true;
        const { entries: stored, seq } = (await response.json()) as { entries: LogEntry[]; seq: number };
        // An answer from before the last acknowledgement would take lines away again.
        if (seq < seen.current) return true;
        const ids = new Set(stored.map((entry) => entry.id));
        const sent = queue.current.filter((entry) => ids.has(entry.id)).map((entry) => entry.id);
        const unsent = queue.current.filter((entry) => !ids.has(entry.id));
        if (seq !== seen.current || unsent.length > 0 || sent.length > 0) {
          setEntries([...stored.map((entry) => ({ ...entry, body: reviveBody(entry.body) })), ...unsent]);
        }
        seen.current = seq;
        await settle(sent);
        return true;
      } catch {
        return false;
      }
    },
    [id, settle],
  );

  const catchUp = useCallback(async () => {
    if (await refresh('whole')) setTrouble(undefined);
    void again.current();
  }, [refresh]);

  // The page may be older than the log: kept by the browser on the way back, or drawn while its
  // forerunner's last lines were still under way. Lines left waiting by that one are taken over.
  useEffect(() => {
    let left = false;
    const takeOver = async () => {
      const found = await stillWaiting(id);
      if (left) return;
      const ids = new Set(found.map((entry) => entry.id));
      queue.current = [...found, ...queue.current.filter((entry) => !ids.has(entry.id))];
      setWaiting(new Set(queue.current.map((entry) => entry.id)));
      if (!(await refresh('whole')))
        setEntries((current) => [...current.filter((entry) => !ids.has(entry.id)), ...found]);
      void again.current();
    };
    void takeOver();
    const online = () => void again.current();
    const others = (event: Event) => {
      if ((event as CustomEvent<string>).detail !== id) return;
      event.preventDefault();
      void takeOver();
    };
    window.addEventListener('online', online);
    window.addEventListener(leftWaiting, others);
    return () => {
      left = true;
      window.removeEventListener('online', online);
      window.removeEventListener(leftWaiting, others);
      clearTimeout(timer.current);
    };
  }, [id, refresh]);

  // What other devices record is taken up while nothing of one's own is under way.
  useEffect(() => {
    let asking = false;
    const follow = async () => {
      if (asking || document.visibilityState !== 'visible' || queue.current.length > 0) return;
      asking = true;
      await refresh('if new');
      asking = false;
    };
    const turns = setInterval(() => void follow(), followEvery);
    return () => clearInterval(turns);
  }, [refresh]);

  return { entries, waiting, savedAt, trouble, record, takeBack, catchUp };
}
