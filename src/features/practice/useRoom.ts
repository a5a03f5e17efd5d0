import { useCallback, useEffect, useState } from 'react';
import { type Exercise, exerciseFrom, type Grade } from '@/core/practice';
import { useDraft } from '@/ui';
import { closeRoom, openRoom, seeRoom, type Solution, solveExercise } from './roomActions';
import { type Standing } from './rooms';
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

  const look = useCallback(async ({ code, secret, exercise, grade }: OpenRoom) => {
    let answer = await seeRoom({ code, secret }).catch(() => away);
    // The server was started again: the same room is opened once more.
    if ('refused' in answer && answer.refused.startsWith('there is no room')) {
      const opened = await openRoom({ secret, wanted: code, exercise, grade }).catch(() => away);
      if ('refused' in opened) return setRefused(opened.refused);
      answer = await seeRoom({ code: opened.done, secret }).catch(() => away);
    }
    if ('refused' in answer) return setRefused(answer.refused);
    setRefused(undefined);
    setStandings(answer.done);
  }, []);
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
      const secret = crypto.randomUUID();
      const opened = await openRoom({ secret, ...drawn.done }).catch(() => away);
      setBusy(false);
      if ('refused' in opened) return setRefused(opened.refused);
      const next = { ...drawn.done, secret, code: opened.done };
      setRefused(undefined);
      setStandings([]);
      setSolution(undefined);
      setOwn(next);
      keep(JSON.stringify(next));
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
