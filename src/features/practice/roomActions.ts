'use server';

import { number, object, string } from 'yup';
import { type Exercise, exerciseFrom, exerciseSchema, type Grade, grades, huntOf, readingsOf } from '@/core/practice';
import { shippedSheets } from '@/sheets';
import { type Check } from '@/core/behaviour';
import { answerText } from '@/core/reading';
import { answered, type Answered } from '@/workshop/answer';
import { type Standing } from '@/workshop/classroom';
import { rooms } from '@/workshop/classroom/server';
import { type HuntView, huntViewOf } from './huntView';

const code = string().max(12).required('write the code of the room');
const secret = string().min(8).max(64).required();
const opening = object({
  secret,
  wanted: string().max(12).optional(),
  exercise: exerciseSchema.required(),
  grade: number().oneOf(grades, 'a grade is one of ${values}').required(),
});
const keyed = object({ code, secret });

/** A room as its teacher sees it. */
export interface SeenRoom {
  readonly code: string;
  readonly standings: readonly Standing[];
}

/**
 * A room with where every pupil stands; for the teacher, who names it by his secret. One that is not open, at the
 * beginning or after a start of the server, is opened under its code, or another where that is taken.
 */
export async function seeRoom(request: unknown): Promise<Answered<SeenRoom>> {
  return answered(async () => {
    const { secret: key, wanted, exercise, grade } = await opening.validate(request, { strict: true });
    const open = rooms().codeOf(key) ?? opened(key, exerciseFrom(exercise), grade as Grade, wanted);
    return { code: open, standings: rooms().see(open, key) };
  });
}

/** An exercise that nobody could play is refused before it is handed out. */
function opened(key: string, exercise: Exercise, grade: Grade, wanted: string | undefined): string {
  huntOf(exercise, [...shippedSheets().values()]);
  return rooms().open(key, exercise, grade, wanted);
}

/** What is hunted in a room. */
export async function joinRoom(
  wanted: unknown,
): Promise<Answered<{ readonly exercise: Exercise; readonly grade: Grade }>> {
  return answered(async () => rooms().exerciseIn(await code.validate(wanted, { strict: true })));
}

/** Closes a room; pupils go on alone. */
export async function closeRoom(request: unknown): Promise<Answered<true>> {
  return answered(async () => {
    const { code: room, secret: key } = await keyed.validate(request, { strict: true });
    rooms().close(room, key);
    return true as const;
  });
}

/** What is wrong with the set of an exercise, and the planner’s way; for the wall and the answer sheet. */
export async function solveExercise(request: unknown): Promise<Answered<Solution>> {
  return answered(async () => {
    const exercise = exerciseFrom(await exerciseSchema.required().validate(request, { strict: true }));
    const hunt = huntOf(exercise, [...shippedSheets().values()]);
    const view = huntViewOf(hunt, [{ kind: 'give up' }]);
    const readings = readingsOf(hunt).map(({ check, answer }) => ({
      title: check.title,
      state: check.state,
      value: answerText(check, answer),
    }));
    const { culprit, planner } = view.debrief!;
    const { set, family, symptoms, complaint } = view;
    return { set, family, symptoms, complaint, culprit, readings, steps: planner.steps, minutes: planner.minutes };
  });
}

/** What was wrong, and how the planner finds it. */
export interface Solution {
  readonly set: string;
  readonly family: HuntView['family'];
  readonly symptoms: HuntView['symptoms'];
  readonly complaint: string;
  readonly culprit: string;
  /** What every point reads, for whoever asks the teacher. */
  readonly readings: readonly { readonly title: string; readonly state: Check['state']; readonly value: string }[];
  readonly steps: readonly { readonly title: string; readonly minutes: number }[];
  readonly minutes: number;
}
