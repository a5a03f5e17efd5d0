import { attempt, parseQuantity, Refusal } from '@/core/quantity';
import { readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { pathUnderChoices, readSheet, type Sheet, withLabel } from '@/core/sheet';
import { keptTrees, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { type Given } from './command';

/** A path as the user gave it, from the folder the user stands in. */
export function fromHere(file: string): string {
  return path.resolve(process.env.TOVRIK_CWD ?? process.cwd(), file);
}

/** Nothing longer is read: no sheet, decision problem or list of observations comes near it. */
const longestFile = 8 * 1024 * 1024;

/**
 * @throws Refusal when there is no such file or it is far too long
 */
export function readText(file: string): string {
  const place = fromHere(file);
  try {
    if (statSync(place).size > longestFile)
      throw new Refusal(`${file}: longer than ${longestFile / 1048576} MB, which is more than any file Tovrik reads`);
    return readFileSync(place, 'utf8');
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}

/** Options of every command that takes a sheet. */
export const sheetOptions = {
  extends: { takes: 'FILE,...', about: 'sheets it is laid over, beside the shipped ones' },
  options: { takes: 'NAME=CHOICE,...', about: 'the variants chosen' },
  label: {
    takes: 'FIELD=VOLTS,...',
    about:
      'what the set’s own label gives; what it leaves out is a guess on a sheet of any make. Without it all is taken as read',
  },
} as const;

/** A sheet from a file, and how others are read that are laid over it. */
export interface SheetSource {
  readonly sheet: Sheet;
  /** @throws Refusal when the text has problems */
  read(text: string): Sheet;
  /** Where something must be written in a text so that it stands with the variants chosen. */
  under(text: string): ReturnType<typeof pathUnderChoices>;
}

/** The sheet in the file that is the first word: see `sourceFrom`. */
export const sheetFrom = (given: Given): Sheet => sourceFrom(given).sheet;

/**
 * The sheet in the file that is the first word, over those it extends: shipped ones by their ids, others by
 * `--extends FILE,...`. `--options NAME=CHOICE,...` chooses between its variants.
 *
 * @throws Refusal when there is no such file or the sheet has problems
 */
export function sourceFrom({ words: [file], option }: Given): SheetSource {
  if (file === undefined) throw new Refusal('name the sheet’s file');
  const given = list(option('extends')).map((one) => readText(one));
  const parents = new Map([...shippedTexts(), ...given.map((text) => [idOf(text), text] as const)]);
  const text = readText(file);
  const [first] = given;
  // A sheet that does not say what it extends is laid over the one given for it.
  const full = first !== undefined && !/^extends:/m.test(text) ? `${text}\nextends: ${idOf(first)}\n` : text;
  const choices = choicesFrom(option('options'));
  const textOf = (id: string) => (id === idOf(full) ? full : parents.get(id));
  const label = option('label');
  const read = (one: string) => {
    const sheet = readSheet(one, { textOf, choices, netlistOf, keptTrees });
    return label === undefined ? sheet : withLabel(sheet, labelFrom(label, sheet));
  };
  return { sheet: read(full), read, under: (one) => pathUnderChoices(one, { textOf, choices, keptTrees }) };
}

const list = (text: string | undefined): string[] => (text ?? '').split(',').filter(Boolean);

const idOf = (text: string): string => /^id: *(\S+)/m.exec(text)?.[1] ?? '';

/** What stands on both sides of the `=` of each. */
function pairsIn(text: string | undefined, option: string, takes: string): [string, string][] {
  return list(text).map((one) => {
    const [name = '', value = ''] = one.split('=');
    if (name === '' || value === '') throw new Refusal(`--${option} takes ${takes},..., not "${one}"`);
    return [name, value];
  });
}

const choicesFrom = (text: string | undefined): Record<string, string> =>
  Object.fromEntries(pairsIn(text, 'options', 'NAME=CHOICE'));

function labelFrom(text: string, { title, label }: Sheet): Record<string, number> {
  return Object.fromEntries(
    pairsIn(text, 'label', 'FIELD=VOLTS').map(([field, typed]) => {
      const volts = attempt(() => parseQuantity(typed));
      if (volts instanceof Refusal || !Number.isFinite(volts.value) || (volts.unit ?? 'V') !== 'V')
        throw new Refusal(`--label ${field} is in volts, like ${field}=187, not "${typed}"`);
      if (!label.has(field))
        throw new Refusal(
          `${title} has no field "${field}" on its label; it has ${[...label.keys()].join(', ') || 'none'}`,
        );
      return [field, volts.value];
    }),
  );
}
