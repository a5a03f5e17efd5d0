import { useCallback, useEffect, useState } from 'react';
import { type Exercise, exerciseFrom, type Grade, type HuntAct, type Trouble } from '@/core/practice';
import { useDraft } from '@/ui';
import { joinRoom } from './roomActions';
import { drawFrom, hintFor, openExercise, viewHunt } from './huntActions';
import { readGiven, withHunt } from './practiceModel';
import { readSuspicions, withSuspicions } from './sureness';
import { type Aim, type HintLevel, type HuntView } from './huntView';

/** A hunt as this browser keeps it: which it is, and what was done. */
export interface KeptHunt {
  readonly exercise: Exercise;
  /** How hard it is, from 1 to 5. */
  readonly grade: Grade;
  readonly acts: readonly HuntAct[];
  readonly hints: readonly string[];
  /** Where it is hunted with a class. */
  readonly seat?: Seat;
}

/** A hunt as it was kept; undefined where there is none, or none that can be read. */
export function readHunt(text: string | null): KeptHunt | undefined {
  try {
    const kept = JSON.parse(text ?? 'null') as KeptHunt | null;
    return kept && typeof kept.exercise === 'object' && Array.isArray(kept.acts) && Array.isArray(kept.hints)
      ? { ...kept, exercise: exerciseFrom(kept.exercise) }
      : undefined;
  } catch {
    return undefined;
  }
}

/** What is asked for: a kind of set, what is wrong with it and how hard, or a file. */
export type Drawable =
  { readonly aim: Aim; readonly world: Trouble; readonly grade: Grade | undefined } | { readonly text: string };

/** A seat in a class: its room, who sits there, and what others call him. */
export interface Seat {
  readonly room: string;
  readonly pupil: string;
  readonly name: string;
}

/** The same, or what a class hunts. */
export type Wanted = Drawable | { readonly seat: Seat };

/** Seeds are drawn below this. */
const seeds = 2 ** 30;
const away = { refused: 'The server is away: nothing is lost, try again.' };

/** Draws what is wanted, or asks what the class hunts. */
export function drawnFor(wanted: Wanted) {
  if ('seat' in wanted) return joinRoom(wanted.seat.room);
  if ('text' in wanted) return openExercise(wanted.text);
  return drawFrom({ seed: Math.floor(Math.random() * seeds), ...wanted });
}

/** The hunt of this browser, as the server answers it. Nothing of it is stored there. */
export function useHunt() {
  const { draft, keep } = useDraft('hunt');
  const suspicions = useDraft('suspicions');
  const drills = useDraft('practice');
  const [own, setOwn] = useState<KeptHunt>();
  const kept = own ?? readHunt(draft);
  const [view, setView] = useState<HuntView>();
  const [refused, setRefused] = useState<string>();
  const [busy, setBusy] = useState(false);

  /** Shows a hunt, and keeps it once the server has taken it. */
  const show = useCallback(
    async (next: KeptHunt) => {
      setBusy(true);
      const { exercise, acts, seat } = next;
      const answer = await viewHunt({ exercise, acts, seat }).catch(() => away);
      setBusy(false);
      if ('refused' in answer) return setRefused(answer.refused);
      setRefused(undefined);
      setOwn(next);
      setView(answer.done);
      keep(JSON.stringify(next));
      const { debrief } = answer.done;
      if (debrief) {
        const told = withSuspicions(readSuspicions(suspicions.draft), JSON.stringify(exercise), debrief.statements);
        suspicions.keep(JSON.stringify(told));
        // What a hint told was not known.
        if (next.hints.length > 0) return;
        const now = withHunt(readGiven(drills.draft), JSON.stringify(exercise), debrief, next.grade, Date.now());
        drills.keep(JSON.stringify(now));
      }
    },
    [drills, keep, suspicions],
  );
  const left = kept !== undefined && view === undefined && refused === undefined;
  useEffect(() => {
    if (!left) return;
    const soon = setTimeout(() => void show(kept));
    return () => clearTimeout(soon);
    // A hunt that was left is taken up once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [left]);

  return {
    kept,
    view,
    refused,
    busy: busy || left,
    /** Puts a set on the bench: one of some kind and difficulty, or the one that a file of an exercise says. */
    begin: async (wanted: Wanted) => {
      setBusy(true);
      const drawn = await drawnFor(wanted).catch(() => away);
      setBusy(false);
      if ('refused' in drawn) return setRefused(drawn.refused);
      await show({ ...drawn.done, acts: [], hints: [], ...('seat' in wanted && { seat: wanted.seat }) });
    },
    refuse: setRefused,
    act: (act: HuntAct) => {
      if (kept && !busy && !view?.ended) void show({ ...kept, acts: [...kept.acts, act] });
    },
    hint: (level: HintLevel) => {
      if (!kept) return;
      const { exercise, acts } = kept;
      void hintFor({ exercise, acts }, level)
        .catch(() => away)
        .then((answer) => {
          if ('refused' in answer) return setRefused(answer.refused);
          const next = { ...kept, hints: [...kept.hints, answer.done] };
          setOwn(next);
          keep(JSON.stringify(next));
        });
    },
  };
}
