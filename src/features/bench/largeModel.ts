import { type SetStep } from '@/core/entry';
import { type Check, isMetered } from '@/core/behaviour';
import { type ProbeAdvice } from '@/core/diagnosis';
import { type Unit } from '@/core/quantity';

/** What stands in large figures. */
export interface Large {
  readonly title: string;
  readonly where: string;
  /** What is due: something to do, a figure, or an answer that is typed on the bench. */
  readonly wants: 'step' | 'value' | 'words';
  readonly unit: Unit;
}

/**
 * What the bench asks for, for the one who reads it from across the room.
 *
 * @param otherwise the title where nothing is to be measured
 */
export function largeOf(step: SetStep | undefined, check: Check | undefined, otherwise: string): Large {
  if (step?.kind === 'do') return { title: step.title, where: '', wants: 'step', unit: '' };
  if (step)
    return { title: `Discharge and measure ${step.store.id}`, where: step.store.place, wants: 'value', unit: 'V' };
  if (!check) return { title: otherwise, where: '', wants: 'words', unit: '' };
  return {
    title: check.title,
    where: check.point?.where ?? '',
    wants: isMetered(check) ? 'value' : 'words',
    unit: check.unit,
  };
}

/** The best probe but the one at hand that an instrument can read; undefined where there is none. */
export const nextMetered = (probes: readonly ProbeAdvice[], atHand: string | undefined): string | undefined =>
  probes.find(({ probe }) => probe.id !== atHand && isMetered(probe.check))?.probe.id;
