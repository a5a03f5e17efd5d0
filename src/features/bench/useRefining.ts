import { useRouter } from 'next/navigation';
import { useCallback, useRef, useState } from 'react';
import { type Sheet, type SheetChange } from '@/core/sheet';
import { type JobFile } from '@/workshop/job';
import { type Refined, refineSheet } from '@/workshop/library';

/** A line that waits; two of the same words are two. */
export interface WaitingLine {
  readonly text: string;
}

/** Changes of the set's sheet, one after the other, and the lines that were typed while one was under way. */
export interface Refining {
  /** Puts a change into the sheet; `then` is typed on once the sheet is there. */
  readonly start: (change: SheetChange, onRefused: (message: string) => void, then?: string) => void;
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

/**
 * @param onRefined takes up the sheet as it is then, before the page comes anew
 */
export function useRefining({ id, sheet }: JobFile, onRefined: (refined: Refined) => void): Refining {
  const router = useRouter();
  /** The sheet as it was when a change of it was sent; another one has come when the change is in. */
  const [before, setBefore] = useState<Sheet>();
  /** As they stand, whatever was drawn; the page shows them a moment later. */
  const queue = useRef<readonly WaitingLine[]>([]);
  const [waiting, setWaiting] = useState<readonly WaitingLine[]>([]);
  const busy = before === sheet;
  const start = useCallback(
    (change: SheetChange, onRefused: (message: string) => void, then?: string) => {
      const next: readonly WaitingLine[] = then === undefined ? [] : [{ text: then }];
      const refused = (message: string) => {
        setBefore(undefined);
        setWaiting((queue.current = queue.current.filter((line) => !next.includes(line))));
        onRefused(message);
      };
      setBefore(sheet);
      setWaiting((queue.current = [...next, ...queue.current]));
      void refineSheet(id, change)
        .then((answer) => {
          if ('refused' in answer) {
            refused(answer.refused);
            return;
          }
          onRefined(answer.done);
          router.refresh();
        })
        .catch(() => refused('the server does not answer: the sheet is as it was; press Enter to try again'));
    },
    [id, sheet, onRefined, router],
  );
  return {
    start,
    busy,
    waiting,
    wait(line) {
      // Nothing overtakes what has waited longer.
      const behind = busy || queue.current.length > 0;
      if (behind) setWaiting((queue.current = [...queue.current, { text: line }]));
      return behind;
    },
    due: busy ? undefined : waiting[0],
    take: useCallback((line) => {
      const [first, ...rest] = queue.current;
      if (first !== line) return false;
      setWaiting((queue.current = rest));
      return true;
    }, []),
  };
}
