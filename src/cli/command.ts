import { parseArgs, type ParseArgsConfig } from 'node:util';
import { Refusal } from '@/core/quantity';

type Options = NonNullable<ParseArgsConfig['options']>;

/** What was given to a command: the words, and the options by name. */
export interface Given {
  readonly words: readonly string[];
  /** The value of an option that is given at most once. */
  option(name: string): string | undefined;
  /** All values of an option that may be given several times. */
  all(name: string): readonly string[];
  has(name: string): boolean;
}

export type Printed = object | string;

/** A command of the command line. */
export interface Command<Answer extends Printed | Promise<Printed> = Printed | Promise<Printed>> {
  readonly name: string;
  /** What it takes, as its help shows it. */
  readonly takes: string;
  readonly about: string;
  /** What it says of itself. */
  readonly help: string;
  /** @throws Refusal when something in the arguments is missing, unknown or wrong */
  run(argv: readonly string[]): Answer;
}

interface Told<Answer> {
  readonly name: string;
  readonly takes: string;
  readonly about: string;
  /** Options by name, each with what its help says. */
  readonly options?: Readonly<Record<string, OptionTold>>;
  answer(given: Given): Answer;
}

interface OptionTold {
  /** What follows it, as `FILE`; a flag takes nothing. */
  readonly takes?: string;
  readonly about: string;
  readonly multiple?: true;
}

/** A command, with its arguments read and its help written from what is told of it. */
export function command<Answer extends Printed | Promise<Printed>>(told: Told<Answer>): Command<Answer> {
  const options = Object.entries(told.options ?? {});
  const config: Options = Object.fromEntries(
    options.map(([name, { takes, multiple = false }]) => [name, { type: takes ? 'string' : 'boolean', multiple }]),
  );
  const spelt = options.map(([name, { takes }]) => (takes ? `--${name} ${takes}` : `--${name}`));
  const widest = Math.max(0, ...spelt.map(({ length }) => length));
  const help = [
    `tovrik ${told.name} ${told.takes}`.trimEnd(),
    `  ${told.about}`,
    ...options.map(([, { about }], index) => `  ${spelt[index]!.padEnd(widest)}  ${about}`),
  ].join('\n');
  return { ...told, help, run: (argv) => told.answer(given(argv, config)) };
}

function given(argv: readonly string[], options: Options): Given {
  const { values, positionals } = parsed(argv, options);
  const all = (name: string) => [values[name] ?? []].flat().filter((value) => typeof value === 'string');
  return { words: positionals, all, option: (name) => all(name)[0], has: (name) => name in values };
}

function parsed(argv: readonly string[], options: Options) {
  try {
    return parseArgs({ args: [...argv], options, allowPositionals: true });
  } catch (error) {
    const { code = '', message } = error as NodeJS.ErrnoException;
    const [name] = /--[\w-]+/.exec(message) ?? ['that option'];
    if (code === 'ERR_PARSE_ARGS_INVALID_OPTION_VALUE') throw new Refusal(`${name} needs a value`);
    if (code !== 'ERR_PARSE_ARGS_UNKNOWN_OPTION') throw error;
    const known = Object.keys(options).map((one) => `--${one}`);
    throw new Refusal(`there is no option ${name} here${known.length > 0 ? `; there is ${known.join(', ')}` : ''}`);
  }
}

/** A figure with so many decimals, as it is printed. */
export const rounded = (value: number, digits = 3): number => Number(value.toFixed(digits));
