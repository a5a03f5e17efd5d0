import { useCallback, useEffect, useState } from 'react';
import { type Exercise, exerciseFrom, type Grade } from '@/core/practice';
import { useDraft } from '@/ui';
import { type Standing } from '@/workshop/classroom';
import { closeRoom, seeRoom, type Solution, solveExercise } from './roomActions';
import { type Drawable, drawnFor } from './useHunt';

/** A room as its teacher’s browser keeps it. */
export interface OpenRoom {
  readonly code: string;
  readonly secret: string;
  readonly exercise: Exercise;
  readonly grade: Grade;
}

const away = { refused: 'The server is away: nothing is lost, try again.' };
/** The room is looked at so often, in milliseconds. */
const every = 1500;

function readRoom(text: string | null): OpenRoom | undefined {
  try {
    const kept = JSON.parse(text ?? 'null') as OpenRoom | null;
    return kept && typeof kept.code === 'string' && typeof kept.exercise === 'object'
      ? { ...kept, exercise: exerciseFrom(kept.exercise) }
      : undefined;
  } catch {
    return undefined;
  }
}

/** The room that this browser opened, who sits in it and how far they are. */
export function useRoom() {
  const { draft, keep } = useDraft('class-room');
  const [own, setOwn] = useState<OpenRoom | null>();
  const room = own === undefined ? readRoom(draft) : (own ?? undefined);
  const [standings, setStandings] = useState<readonly Standing[]>([]);
  const [solution, setSolution] = useState<Solution>();
  const [refused, setRefused] = useState<string>();
  const [busy, setBusy] = useState(false);

  /** Looks at a room, which opens it where it is not; keeps it under the code it has. */
  const look = useCallback(
    async (at: Omit<OpenRoom, 'code'> & { readonly code?: string }) => {
      const { code: wanted, secret, exercise, grade } = at;
      const answer = await seeRoom({ secret, wanted, exercise, grade }).catch(() => away);
      if ('refused' in answer) return setRefused(answer.refused);
      const { code, standings: seen } = answer.done;
      setRefused(undefined);
      setStandings(seen);
      if (code === wanted) return;
      const next = { secret, exercise, grade, code };
      setOwn(next);
      keep(JSON.stringify(next));
    },
    [keep],
  );
  useEffect(() => {
    if (!room) return;
    const soon = setTimeout(() => void look(room));
    const timer = setInterval(() => document.hidden || void look(room), every);
    return () => {
      clearTimeout(soon);
      clearInterval(timer);
    };
    // The room is another one only under another code.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [room?.code, look]);

  return {
    room,
    standings,
    solution,
    refused,
    busy,
    /** Opens a room for what a class is to hunt. */
    begin: async (wanted: Drawable) => {
      setBusy(true);
      const drawn = await drawnFor(wanted).catch(() => away);
      if ('refused' in drawn) {
        setBusy(false);
        return setRefused(drawn.refused);
      }
      setSolution(undefined);
      await look({ ...drawn.done, secret: crypto.randomUUID() });
      setBusy(false);
    },
    close: async () => {
      if (!room) return;
      await closeRoom({ code: room.code, secret: room.secret }).catch(() => away);
      setOwn(null);
      keep(undefined);
    },
    refuse: setRefused,
    /** Asks what is wrong with the set, to be told to all. */
    tell: async () => {
      if (!room) return;
      const answer = await solveExercise(room.exercise).catch(() => away);
      if ('refused' in answer) return setRefused(answer.refused);
      setSolution(answer.done);
    },
  };
}
