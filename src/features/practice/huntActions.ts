'use server';

import { array, boolean, lazy, number, object, type Schema, string } from 'yup';
import {
  difficultyOf,
  drawHunt,
  type Exercise,
  exerciseFrom,
  exerciseSchema,
  type Grade,
  grades,
  type HuntAct,
  huntOf,
  readExercise,
  troubleNames,
} from '@/core/practice';
import { shippedSheets } from '@/sheets';
import { answered, type Answered } from '@/workshop/answer';
import { layoutLine } from '@/workshop/line/server';
import { rooms } from '@/workshop/classroom/server';
import { standingOf } from './roomModel';
import { type Aim, aims, type HintLevel, hintLevels, hintOf, huntViewOf, type HuntView, setsFor } from './huntView';

/** A hunt is over by then. */
const mostActs = 300;

const ways: Readonly<Record<HuntAct['kind'], Schema>> = {
  power: object({
    to: string()
      .oneOf(['live', 'unplugged', 'proven'] as const)
      .required(),
  }),
  lamp: object({ fitted: boolean().required() }),
  isolation: object({ fitted: boolean().required() }),
  connector: object({ connector: string().max(80).required(), pulled: boolean().required() }),
  leg: object({ part: string().max(80).required(), lifted: boolean().required() }),
  warm: object({}),
  probe: object({ check: string().max(80).required() }),
  repair: object({ action: string().max(120).required() }),
  suspect: object({
    part: string().max(80).required(),
    sure: number().moreThan(0, 'sureness is more than 0 %').lessThan(1, 'sureness is less than 100 %').required(),
  }),
  'give up': object({}),
};

const act = lazy((value: { kind?: unknown } | undefined) => {
  const kind = typeof value?.kind === 'string' && Object.hasOwn(ways, value.kind) ? value.kind : '';
  const named = object({ kind: string().oneOf(Object.keys(ways), 'an act is one of ${values}').required() });
  return kind === '' ? named.required() : named.concat(ways[kind as HuntAct['kind']] as typeof named).required();
});

const aim = string()
  .oneOf(Object.keys(aims) as Aim[], 'an aim is one of ${values}')
  .required();
const asked = object({
  exercise: exerciseSchema.required(),
  acts: array(act).max(mostActs, `a hunt has up to ${mostActs} acts`).required(),
});
const seated = object({
  seat: object({
    room: string().max(12).required(),
    pupil: string().min(8).max(64).required(),
    name: string().trim().min(1, 'say your name').max(40, 'a name has up to 40 letters').required(),
  })
    .optional()
    .default(undefined),
});
const wanted = object({
  seed: number()
    .integer('a seed is a whole number')
    .min(0)
    .max(2 ** 31)
    .required(),
  aim,
  world: string().oneOf(troubleNames, 'a world is one of ${values}').required(),
  grade: number()
    .oneOf([...grades, undefined], 'a grade is one of ${values}')
    .optional(),
});

/** So many sets are drawn to meet a grade, then the nearest to it is taken. */
const mostDrawn = 40;

/** A hunt that was drawn, and how hard it is. */
interface Drawn {
  readonly exercise: Exercise;
  readonly grade: Grade;
}

/** The first hunt of a kind and a grade that seeds from a given one on draw; that of any grade where none is wanted. */
export async function drawFrom(request: unknown): Promise<Answered<Drawn>> {
  return answered(async () => {
    const { seed: first, aim: kind, world, grade } = await wanted.validate(request, { strict: true });
    const sheets = setsFor(shippedSheets().values(), kind);
    let nearest: Drawn | undefined;
    for (let seed = first; seed < first + mostDrawn; seed += 1) {
      const hunt = drawHunt(sheets, seed, world);
      const { id: sheet, title } = hunt.predictions.model.sheet;
      const exercise = { title, sheet, fault: undefined, seed, world, minutes: undefined, hints: undefined };
      const drawn = { exercise, grade: difficultyOf(hunt).grade };
      if (grade === undefined || drawn.grade === grade) return drawn;
      if (!nearest || Math.abs(drawn.grade - grade) < Math.abs(nearest.grade - grade)) nearest = drawn;
    }
    return nearest!;
  });
}

/** An exercise from its file. */
export async function openExercise(text: unknown): Promise<Answered<Drawn>> {
  return answered(async () => {
    const exercise = readExercise(await string().defined().max(longestFile).validate(text, { strict: true }));
    return { exercise, grade: difficultyOf(huntOf(exercise, [...shippedSheets().values()])).grade };
  });
}

/** Longest file of an exercise that is read, in characters. */
const longestFile = 20_000;

async function read(request: unknown) {
  const { exercise, acts } = await asked.validate(request, { strict: true });
  return [huntOf(exerciseFrom(exercise), [...shippedSheets().values()]), acts as readonly HuntAct[]] as const;
}

/** What a hunt looks like after some acts. Nothing of it is kept but where a pupil of a class stands. */
export async function viewHunt(request: unknown): Promise<Answered<HuntView>> {
  return answered(async () => {
    const [hunt, acts] = await read(request);
    const view = huntViewOf(hunt, acts, await layoutLine(hunt.predictions.model.sheet));
    const { seat: taken } = await seated.validate(request, { strict: true });
    if (taken) rooms().hear(taken.room, taken.pupil, standingOf(taken.name, view));
    return view;
  });
}

/** A hint for a hunt. */
export async function hintFor(request: unknown, level: HintLevel): Promise<Answered<string>> {
  return answered(async () => {
    const known = await string().oneOf(hintLevels).required().validate(level, { strict: true });
    return hintOf(...(await read(request)), known);
  });
}
