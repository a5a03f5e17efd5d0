import { useCallback, useEffect, useRef, useState } from 'react';
import { attempt, Refusal } from '@/core/quantity';
import { readShelfLine } from '@/core/supply';
import { type Answered } from '@/workshop/answer';
import { askShelf, type Found, type ShelfRow } from '@/workshop/parts';
import { movePieces, putTyped, undoMove } from './actions';

/** Something done at the shelf that can still be taken back. */
export interface Done {
  readonly move: string;
  readonly said: string;
}

/** So long after the last key the shelf is asked. */
const pause = 60;

/** The shelf as one types at it: what is found, what is chosen, what was done. */
export function useShelf(initial: { readonly typed: string; readonly found: Found }) {
  const [typed, setTyped] = useState(initial.typed);
  const [found, setFound] = useState(initial.found);
  const [chosen, choose] = useState(0);
  const [message, setMessage] = useState<string>();
  const [done, setDone] = useState<readonly Done[]>([]);
  const asked = useRef(0);
  /** What can be taken back, also where the page has not been drawn anew since; and what is under way. */
  const latest = useRef<readonly Done[]>([]);
  const underWay = useRef<Promise<void>>(Promise.resolve());
  const keep = (now: readonly Done[]) => {
    latest.current = now;
    setDone(now);
  };

  const look = useCallback(async (text: string) => {
    const mine = (asked.current += 1);
    const rows = await askShelf(text);
    if (mine === asked.current) setFound(rows);
  }, []);

  useEffect(() => {
    if (typed === initial.typed) return undefined;
    const timer = setTimeout(() => void look(typed), pause);
    return () => clearTimeout(timer);
  }, [typed, initial.typed, look]);

  const type = (text: string) => {
    setTyped(text);
    setMessage(undefined);
    choose(0);
  };

  /** Shows a refusal, or keeps what was done and looks again. */
  const settle = async <T>(answer: Answered<T>, move: string, said: (value: T) => string, next = typed) => {
    if ('refused' in answer) {
      setMessage(answer.refused);
      return;
    }
    keep([{ move, said: said(answer.done) }, ...latest.current].slice(0, 12));
    setTyped(next);
    await look(next);
  };

  const moved = async (row: ShelfRow, delta: number, next = typed) => {
    const id = crypto.randomUUID();
    const answer = await movePieces({ id, part: row.id, delta });
    await settle(
      answer,
      id,
      (left) => `${delta < 0 ? 'took' : 'put'} ${Math.abs(delta)} × ${row.typed}: ${left} left`,
      next,
    );
  };

  /** Sets right how many there are, and goes on to the next row: a drawer is counted from top to bottom. */
  const count = async (row: ShelfRow, counted: number, next: string) => {
    const id = crypto.randomUUID();
    const delta = counted - row.count;
    if (delta !== 0) {
      const answer = await movePieces({ id, part: row.id, delta, counted: true });
      await settle(answer, id, () => `counted ${counted} × ${row.typed}: ${row.count} before`, next);
      if ('refused' in answer) return;
    } else setTyped(next);
    choose(Math.min(chosen + 1, found.rows.length - 1));
  };

  const entered = async () => {
    const line = attempt(() => readShelfLine(typed));
    if (line instanceof Refusal) setMessage(line.message);
    else if (line.do === 'put') {
      const id = crypto.randomUUID();
      const answer = await putTyped({ id, typed: typed.trim().slice(4), origin: 'new' });
      await settle(
        answer,
        id,
        ({ typed: part, count, drawer }) => `put ${part}: ${count} ${drawer === '' ? 'there' : `in ${drawer}`}`,
        '',
      );
    } else if (line.do === 'search' && (line.delta !== 0 || line.counted !== undefined)) {
      const row = found.rows[chosen];
      if (!row) setMessage('nothing here is called that: choose a row first');
      else if (line.counted === undefined) await moved(row, line.delta, line.typed);
      else await count(row, line.counted, line.typed);
    }
  };

  const undo = async () => {
    // A move that is shown may still wait for its answer.
    await underWay.current;
    const [last, ...before] = latest.current;
    if (!last) return;
    const answer = await undoMove({ id: crypto.randomUUID(), move: last.move });
    if ('refused' in answer) setMessage(answer.refused);
    else {
      keep(before);
      await look(typed);
    }
  };

  const again = () => look(typed);

  // What is under way is known, so that what is taken back is what was done last.
  const move = (row: ShelfRow, delta: number) => {
    const moving = moved(row, delta);
    underWay.current = moving;
    return moving;
  };
  const enter = () => {
    const entering = entered();
    underWay.current = entering;
    return entering;
  };

  return { again, typed, type, found, chosen, choose, message, done, move, enter, undo };
}
