import { type LogEntry } from '@/core/log';
import { useEffect, useRef, useState } from 'react';
import { type Advice, type DeeperLook } from '@/core/diagnosis';
import { type JobFile } from '@/workshop/job';
import { Planner } from '@/workers/planner';

/** Advice and how far ahead it looks. */
export interface SeenAhead {
  readonly advice: Advice;
  /** `looking` until the worker has answered. */
  readonly state: 'at once' | 'looking' | 'done';
  readonly look: DeeperLook | undefined;
}

/** A deeper look changes the order only where it saves at least so many minutes. */
const worthChanging = 1.5;

/**
 * The advice with what a look further ahead makes of it. The one-step advice stands at once; the
 * worker's answer may put another probe first as long as nothing has been typed or chosen.
 */
export function useDeeperLook(
  file: JobFile,
  entries: readonly LogEntry[],
  advice: Advice,
  untouched: boolean,
): SeenAhead {
  const planner = useRef<Planner>(undefined);
  const [seen, setSeen] = useState<{
    readonly advice: Advice;
    readonly look: DeeperLook | undefined;
    readonly finished: boolean;
  }>();
  useEffect(() => {
    planner.current ??= new Planner(file.sheet);
    const { complaint, closed, hourlyRate } = file;
    planner.current.look(
      { complaint, closed, hourlyRate, entries },
      // A look travels by a road of its own, and may come in after the word that the last one is done.
      (look) => setSeen((now) => ({ advice, look, finished: now?.advice === advice && now.finished })),
      () => setSeen((now) => ({ advice, look: now?.advice === advice ? now.look : undefined, finished: true })),
    );
  }, [file, entries, advice]);
  useEffect(() => () => planner.current?.close(), []);

  const mine = seen?.advice === advice ? seen : undefined;
  const look = mine?.look;
  if (advice.next === 'verify') return { advice, state: 'at once', look: undefined };
  const state = mine?.finished ? 'done' : 'looking';
  return { advice: untouched ? reordered(advice, look) : advice, state, look };
}

/** The advice with the probe or the repair that a deeper look prefers in front. */
export function reordered(advice: Advice, look: DeeperLook | undefined): Advice {
  const [best] = look?.moves ?? [];
  const [first] = advice.probes;
  if (!best || first?.doubt !== undefined) return advice;
  const now = look!.moves.find(({ kind, id }) =>
    advice.next === 'probe' ? kind === 'probe' && id === first?.probe.id : kind === 'repair',
  );
  if (now && now.minutes - best.minutes < worthChanging) return advice;
  if (best.kind === 'repair') {
    const repair = advice.repairs.find(({ action }) => action.id === best.id);
    return repair
      ? { ...advice, next: 'act', repairs: [repair, ...advice.repairs.filter((one) => one !== repair)] }
      : advice;
  }
  const probe = advice.probes.find((one) => one.probe.id === best.id);
  return probe
    ? { ...advice, next: 'probe', probes: [probe, ...advice.probes.filter((one) => one !== probe)] }
    : advice;
}
