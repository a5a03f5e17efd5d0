import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type SheetChange } from '@/core/sheet';
import { type JobFile } from '@/workshop/job';
import { type Refined, refineSheet } from '@/workshop/library';

/** A line that waits; two of the same words are two. */
export interface WaitingLine {
  readonly text: string;
  /** It was on its way to the sheet when its page was left: it may be in already. */
  readonly sent?: boolean;
}

/** A line that changes the sheet. */
export interface ChangingLine {
  readonly line: WaitingLine;
  readonly change: SheetChange;
  /** Typed on once the sheet is there. */
  readonly then?: string | undefined;
  readonly onRefused: (message: string) => void;
}

/** Changes of the set's sheet, one after the other, and the lines that were typed while one was under way. */
export interface Refining {
  /** Puts a change into the sheet. */
  readonly start: (line: ChangingLine) => void;
  /** Keeps a line until the sheet is there; false where none is under way. */
  readonly wait: (line: string) => boolean;
  /** A change is on its way. */
  readonly busy: boolean;
  /** The lines that wait for it, oldest first. */
  readonly waiting: readonly WaitingLine[];
  /** The line that has waited longest, once the sheet is there. */
  readonly due: WaitingLine | undefined;
  /** Takes the line that is due; false where it was taken already, by an effect of a page that was drawn before. */
  readonly take: (line: WaitingLine) => boolean;
}

/** Lines that wait outlive their page: whoever leaves the bench, or loads it anew, finds them there. */
const heldUnder = (job: string) => `tovrik-held-${job}`;

const heldOf = (job: string) => JSON.parse(sessionStorage.getItem(heldUnder(job)) ?? '[]') as readonly WaitingLine[];

/**
 * @param onRefined takes up the sheet as it is then, before the page comes anew
 */
export function useRefining({ id, sheetVersion }: JobFile, onRefined: (refined: Refined) => void): Refining {
  const router = useRouter();
  /** What is waited for while a change is under way: the answer, then the version of the sheet that has it in. */
  const [awaited, setAwaited] = useState<'answer' | number>();
  /** As they stand, whatever was drawn; the page shows them a moment later. */
  const queue = useRef<readonly WaitingLine[]>([]);
  const [waiting, setWaiting] = useState<readonly WaitingLine[]>([]);
  const busy = awaited === 'answer' || (awaited !== undefined && sheetVersion < awaited);
  /** The line whose change is under way. */
  const sent = useRef<WaitingLine>(undefined);
  const keep = useCallback(
    (lines: readonly WaitingLine[]) => {
      queue.current = lines;
      const first = sent.current ? [{ ...sent.current, sent: true }] : [];
      sessionStorage.setItem(heldUnder(id), JSON.stringify([...first, ...lines]));
      setWaiting(lines);
    },
    [id],
  );
  /** Whoever leaves the page breaks the request off: what was sent then is for the next page to follow. */
  const leaving = useRef(false);
  useEffect(() => {
    const leave = () => {
      leaving.current = true;
    };
    leaving.current = false;
    window.addEventListener('beforeunload', leave);
    return () => {
      leave();
      window.removeEventListener('beforeunload', leave);
    };
  }, []);
  useEffect(() => {
    const left = heldOf(id);
    if (left.length === 0) return;
    const soon = setTimeout(() => keep([...left, ...queue.current]));
    return () => clearTimeout(soon);
  }, [id, keep]);
  const start = useCallback(
    ({ line, change, then, onRefused }: ChangingLine) => {
      // What was sent before has its next line among those that wait already.
      const next: readonly WaitingLine[] = then === undefined || line.sent === true ? [] : [{ text: then }];
      const refused = (message: string) => {
        if (leaving.current) return;
        setAwaited(undefined);
        sent.current = undefined;
        keep(queue.current.filter((one) => !next.includes(one)));
        onRefused(message);
      };
      setAwaited('answer');
      sent.current = line;
      keep([...next, ...queue.current]);
      // Among several, a change that is in already is no reason to refuse.
      void refineSheet(id, line.sent === true ? [change] : change)
        .then((answer) => {
          if ('refused' in answer) {
            refused(answer.refused);
            return;
          }
          if (leaving.current) return;
          sent.current = undefined;
          keep(queue.current);
          setAwaited(answer.done.version);
          onRefined(answer.done);
          router.refresh();
        })
        .catch(() => refused('the server does not answer: the sheet is as it was; press Enter to try again'));
    },
    [id, keep, onRefined, router],
  );
  return {
    start,
    busy,
    waiting,
    wait(line) {
      // Nothing overtakes what has waited longer.
      const behind = busy || queue.current.length > 0;
      if (behind) keep([...queue.current, { text: line }]);
      return behind;
    },
    due: busy ? undefined : waiting[0],
    take: useCallback(
      (line) => {
        const [first, ...rest] = queue.current;
        if (first !== line) return false;
        keep(rest);
        return true;
      },
      [keep],
    ),
  };
}
