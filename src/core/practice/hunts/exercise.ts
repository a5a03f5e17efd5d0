import { type InferType, number, object, string } from 'yup';
import { type Minutes, Refusal } from '../../quantity';
import { isListed, type Sheet } from '../../sheet';
import { readDocument } from '../../supply';
import { drawHunt, huntFor, type PracticeHunt } from './drawHunt';
import { type Trouble, troubleNames } from './trouble';

const exerciseFormat = 'tovrik-exercise/1';

/** A hunt that is handed out: all who open it have the same set with the same fault. */
export interface Exercise {
  readonly title: string;
  /** Of the sheet, as `generic-crt-colour`. */
  readonly sheet: string;
  /** What is wrong; undefined where the seed draws it. */
  readonly fault: string | undefined;
  readonly seed: number;
  /** Whether one part is bad as the sheet has it, or otherwise. */
  readonly world: Trouble;
  /** The clock at which it ends; undefined where it runs on. */
  readonly minutes: Minutes | undefined;
  /** So many hints may be asked for; undefined where any number may. */
  readonly hints: number | undefined;
}

/** What an exercise has to be, wherever it comes from. */
export const exerciseSchema = object({
  title: string().min(1).max(120).required('title is missing: what the exercise is called'),
  sheet: string().max(80).required('sheet is missing: the id of a sheet, like generic-crt-colour'),
  fault: string().max(80),
  seed: number()
    .integer('seed is a whole number')
    .min(0, 'seed is a whole number from 0')
    .max(2 ** 31, 'seed is below 2147483649'),
  world: string().oneOf(troubleNames, `world is one of ${troubleNames.join(', ')}`),
  minutes: number().min(5, 'minutes are at least 5').max(600, 'minutes are at most 600'),
  hints: number().integer('hints is a whole number').min(0, 'hints is 0 or more').max(50, 'hints is at most 50'),
}).noUnknown('there is no ${unknown} in an exercise');

const fileSchema = exerciseSchema.shape({
  format: string()
    .oneOf([exerciseFormat], `format must be ${exerciseFormat}`)
    .required(`say what the file is: format: ${exerciseFormat}`),
});

/**
 * Reads an exercise.
 *
 * @param text YAML in the `tovrik-exercise/1` format
 * @throws Refusal with the line of the first thing that is wrong, and what would be right
 */
export function readExercise(text: string): Exercise {
  return exerciseFrom(readDocument(text, fileSchema));
}

/** An exercise from what its schema has let pass. */
export const exerciseFrom = ({
  title,
  sheet,
  fault,
  seed = 0,
  world = 'one',
  minutes,
  hints,
}: InferType<typeof exerciseSchema>): Exercise => ({ title, sheet, fault, seed, world, minutes, hints });

/** An exercise as its file says it. */
export function writeExercise({ title, sheet, fault, seed, world, minutes, hints }: Exercise): string {
  const lines = [
    ['format', exerciseFormat],
    ['title', JSON.stringify(title)],
    ['sheet', sheet],
    ['fault', fault],
    ['seed', seed],
    ['world', world],
    ['minutes', minutes],
    ['hints', hints],
  ];
  return `${lines
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `${name}: ${value}`)
    .join('\n')}\n`;
}

/**
 * The hunt of an exercise.
 *
 * @throws Refusal where there is no such sheet, or no such fault on it
 */
export function huntOf({ sheet: id, fault, seed, world, minutes }: Exercise, sheets: readonly Sheet[]): PracticeHunt {
  const sheet = sheets.find((one) => one.id === id);
  if (!sheet) throw new Refusal(`there is no sheet "${id}"; there are ${sheets.map((one) => one.id).join(', ')}`);
  const limit = minutes === undefined ? {} : { limit: minutes };
  if (fault === undefined) return { ...drawHunt([sheet], seed, world), ...limit };
  const named = sheet.faults.get(fault);
  if (!named || !isListed(named)) throw new Refusal(`${sheet.title} lists no fault "${fault}"`);
  return { ...huntFor(sheet, named, world, seed), ...limit };
}
