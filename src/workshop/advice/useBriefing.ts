import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type Predictions } from '@/core/behaviour';
import { type Briefed, type Briefing, type DeeperLook, followed } from '@/core/diagnosis';
import { type LogEntry } from '@/core/log';
import { type Sheet } from '@/core/sheet';
import { Advisor, requestOf } from '@/workers/advisor';
import { type JobFile } from '@/workshop/job';
import { afterPaint } from './afterPaint';
import { judgeWhenIdle, rehearsalsOf } from './rehearse';

/** By then the worker is started though the page was never idle, in milliseconds. */
const longestIdle = 2000;

/** What is advised on a job, and whether it is of its log as it stands. */
export interface LiveBriefing {
  readonly briefed: Briefed;
  readonly fresh: boolean;
  /** Looks further ahead from the log as it stands; tells what came of it unless the log has grown since. */
  readonly lookAhead: (onLook: (look: DeeperLook | undefined) => void) => void;
}

/** A briefing, and of which log and by which sheet. */
interface Told {
  readonly of: readonly LogEntry[];
  readonly by: Sheet;
  readonly briefing: Briefing;
}

/**
 * What is advised on a job as its log grows, worked out in a worker so that what was typed is painted at once.
 *
 * @param first the briefing on the log as the page was sent
 */
export function useBriefing(
  file: JobFile,
  entries: readonly LogEntry[],
  predictions: Predictions,
  first: Briefing,
): LiveBriefing {
  const advisor = useRef<Advisor>(undefined);
  const [now, setNow] = useState<Told>({ of: file.entries, by: file.sheet, briefing: first });
  /** The sheet that the first briefing was made by; it may be refined while the page is open. */
  const [sheetSent] = useState(file.sheet);
  useEffect(() => {
    if (entries === file.entries && file.sheet === sheetSent) return;
    // The verdict on what was typed comes first.
    return afterPaint(() => {
      advisor.current ??= new Advisor(file.sheet);
      advisor.current.brief(requestOf(file, entries), (briefing) => setNow({ of: entries, by: file.sheet, briefing }));
    });
  }, [file, entries, sheetSent]);
  // The worker is there before it is needed, but not before the page; it is gone with it.
  useEffect(() => {
    let stopJudging = () => {};
    const start = () => {
      advisor.current ??= new Advisor(file.sheet);
      const logs = rehearsalsOf(file, predictions);
      // What it has worked out once it has at hand when the first line is typed.
      void advisor.current.rehearse([file.entries, ...logs].map((log) => requestOf(file, log)));
      stopJudging = judgeWhenIdle(file, logs);
    };
    const idle = requestIdleCallback(start, { timeout: longestIdle });
    return () => {
      cancelIdleCallback(idle);
      stopJudging();
      advisor.current?.close();
      advisor.current = undefined;
    };
  }, [file, predictions]);
  const lookAhead = useCallback<LiveBriefing['lookAhead']>(
    (onLook) => {
      advisor.current ??= new Advisor(file.sheet);
      advisor.current.lookAhead(requestOf(file, entries), onLook);
    },
    [file, entries],
  );
  const briefed = useMemo(() => followed(now.briefing, predictions), [now.briefing, predictions]);
  return { briefed, fresh: now.of === entries && now.by === file.sheet, lookAhead };
}
