import { type WorkedBy, type LogEntry, standing } from '../log';
import { attempt, Refusal } from '../quantity';
import { type SoakRun, soakWorth } from './soakRun';
import { readFailures } from '../soak';

/** Something a set is put through, so that what comes and goes has its chance to come. */
export interface StressStep {
  readonly id: 'starts' | 'cycles' | 'warm' | 'knock' | 'inputs' | 'night';
  readonly title: string;
  readonly how: string;
  /** From what that follows. */
  readonly why: string;
  readonly minutes: number;
  /** Was it done on this soak? */
  readonly done: boolean;
}

/** A run longer than this is a night’s, in hours. */
const nightFrom = 5;
/** Warm-ups that are worth trying one after another, and minutes off between. */
const cycles = { count: 3, rest: 45 } as const;

const answered = (log: readonly LogEntry[], ...ways: readonly WorkedBy[]) =>
  standing(log, 'worked').findLast(({ body }) => ways.includes(body.by) && body.answer > 0)?.body;

/**
 * What to put a set through on a soak, by how it failed and by what it answered to on its boards.
 *
 * @param run the soak that runs, or the last one
 * @param inputs may it have more than one way in for its signal?
 */
export function stressPlan(run: SoakRun | undefined, log: readonly LogEntry[], inputs: boolean): StressStep[] {
  const said = run?.begun ?? '';
  const record = attempt(() => readFailures(said));
  const afterHours = /^\s*(?:failed\s+)?after\b/i.test(said) && !(record instanceof Refusal) ? record.hours : undefined;
  const knocked = answered(log, 'press', 'tap');
  const warmed = answered(log, 'heat', 'chill');
  const left = (run && soakWorth(run)?.left) ?? 0;
  const steps: (Omit<StressStep, 'done'> | undefined)[] = [
    afterHours === undefined
      ? {
          id: 'starts',
          title: 'Three cold starts',
          how: 'off until cold, on, five minutes of picture each',
          why: 'what fails cold shows at a start and at no other time',
          minutes: 15,
        }
      : {
          id: 'cycles',
          title: `${cycles.count} warm-ups`,
          how: `${Math.round(90 * afterHours)} min on each, ${cycles.rest} min off between`,
          why: `it failed ${said.trim()}: each warm-up is a trial, one long run is one`,
          minutes: Math.round(cycles.count * 90 * afterHours + (cycles.count - 1) * cycles.rest),
        },
    afterHours !== undefined || warmed
      ? {
          id: 'warm',
          title: 'Half an hour with its vents half covered',
          how: 'cloth over half of them, somebody beside it, hand on the switch; uncover at the first smell',
          why: warmed ? `it answered to ${warmed.by}` : `it failed ${said.trim()}`,
          minutes: 30,
        }
      : undefined,
    knocked
      ? {
          id: 'knock',
          title: 'Knock where it answered',
          how: `insulated stick on the ${knocked.board} board, live and warm, as the map has it`,
          why: `it answered to ${knocked.by}, ${knocked.answer} of 3`,
          minutes: 3,
        }
      : undefined,
    inputs
      ? {
          id: 'inputs',
          title: 'Ten minutes on each input',
          how: 'a moving picture, sound up',
          why: 'a fault of one way in is not seen on another',
          minutes: 20,
        }
      : undefined,
    left > nightFrom * 3600
      ? {
          id: 'night',
          title: 'A night’s run',
          how: 'vents free, nothing on it, a smoke alarm in the room, the meter watching; only where house rules and local code allow a set to run alone',
          why: `${Math.ceil(left / 3600)} clean hours are wanting until it may be believed`,
          minutes: 60 * Math.min(10, Math.ceil(left / 3600)),
        }
      : undefined,
  ];
  const done = new Set(run?.stressed ?? []);
  return steps.flatMap((step) => (step ? [{ ...step, done: done.has(step.title) }] : []));
}
