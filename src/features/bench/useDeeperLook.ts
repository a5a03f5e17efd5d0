'use client';

import { useEffect, useState } from 'react';
import { type Briefed, type DeeperLook } from '@/core/diagnosis';
import { type LiveBriefing } from '@/workshop/advice';

/** How far ahead the advice looks: `briefing` while the log has grown since it was given, `looking` on from it. */
export type AheadState = 'at once' | 'briefing' | 'looking' | 'done';

/** A deeper look changes the order only where it saves at least so many minutes. */
const worthChanging = 1.5;
/** A look begins when nobody has recorded anything for so long, in milliseconds. */
const quiet = 250;

/**
 * What a look further ahead makes of a briefing. The briefing stands at once; the worker's answer may prefer another
 * probe.
 *
 * @param held somebody is typing: the machine is left to what is typed
 */
export function useDeeperLook(
  { briefed, fresh, lookAhead }: LiveBriefing,
  held: boolean,
): { readonly look: DeeperLook | undefined; readonly state: AheadState } {
  const [seen, setSeen] = useState<{ readonly of: Briefed; readonly look: DeeperLook | undefined }>();
  const mine = seen?.of === briefed ? seen : undefined;
  const due = fresh && !held && !mine;
  useEffect(() => {
    if (!due) return;
    const timer = setTimeout(() => lookAhead((look) => setSeen({ of: briefed, look })), quiet);
    return () => clearTimeout(timer);
  }, [briefed, due, lookAhead]);

  if (!fresh) return { look: undefined, state: 'briefing' };
  if (briefed.next === 'verify') return { look: undefined, state: 'at once' };
  return { look: mine?.look, state: mine ? 'done' : 'looking' };
}

/** The briefing with the probe or the repair that a deeper look prefers in front. */
export function reordered(briefed: Briefed, look: DeeperLook | undefined): Briefed {
  const [best] = look?.moves ?? [];
  const [first] = briefed.probes;
  if (!best || briefed.next === 'verify' || first?.doubt !== undefined) return briefed;
  const now = look!.moves.find(({ kind, id }) =>
    briefed.next === 'probe' ? kind === 'probe' && id === first?.probe.id : kind === 'repair',
  );
  if (now && now.minutes - best.minutes < worthChanging) return briefed;
  if (best.kind === 'repair') {
    const repair = briefed.repairs.find(({ action }) => action.id === best.id);
    return repair
      ? { ...briefed, next: 'act', repairs: [repair, ...briefed.repairs.filter((one) => one !== repair)] }
      : briefed;
  }
  const probe = briefed.probes.find((one) => one.probe.id === best.id);
  return probe
    ? { ...briefed, next: 'probe', probes: [probe, ...briefed.probes.filter((one) => one !== probe)] }
    : briefed;
}

/**
 * What a deeper look prefers, without moving the probe in front: where somebody may have read it and holds the probe to
 * it, the next value typed is its own. Another probe that is worth more comes second.
 */
export function keepingFront(shown: Briefed, preferred: Briefed): Briefed {
  const [front] = shown.probes;
  if (shown.next !== 'probe' || !front) return preferred;
  const others = preferred.probes.filter(({ probe }) => probe.id !== front.probe.id);
  return { ...preferred, next: 'probe', probes: [front, ...others] };
}
