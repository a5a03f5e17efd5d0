import { Refusal } from '@/core/quantity';
export const usage = `tovrik sheet check FILE
tovrik simulate FILE --fault ID [--unplug CONNECTOR,...] [--state live|unplugged] [--warm]
tovrik suspects FILE --observe FILE
tovrik evaluate FILE [--policy tovrik|checklist|random] [--noise SHARE] [--misreads SHARE]
  all of these: [--extends FILE,...] [--options NAME=CHOICE,...]
tovrik policy PROBLEM.json
tovrik op NETLIST
tovrik tran NETLIST --nodes NODE,...
tovrik ac NETLIST --nodes NODE,...
tovrik faults NETLIST --read NODE=VOLTS ...
tovrik backup FOLDER`;

/** Options by name and the words between them. */
export interface Arguments {
  readonly words: readonly string[];
  readonly options: ReadonlyMap<string, string>;
}

const flags = new Set(['warm']);

/**
 * Splits a command line.
 *
 * @throws Refusal when an option has no value or is not known
 */
export function readArguments(argv: readonly string[], known: readonly string[]): Arguments {
  const words: string[] = [];
  const options = new Map<string, string>();
  for (let index = 0; index < argv.length; index += 1) {
    const word = argv[index]!;
    if (!word.startsWith('--')) {
      words.push(word);
      continue;
    }
    const name = word.slice(2);
    if (!known.includes(name))
      throw new Refusal(
        `there is no option --${name} here; there is ${known.map((one) => `--${one}`).join(', ') || 'none'}`,
      );
    if (flags.has(name)) {
      options.set(name, 'true');
      continue;
    }
    const value = argv[index + 1];
    if (value === undefined || value.startsWith('--')) throw new Refusal(`--${name} needs a value`);
    options.set(name, value);
    index += 1;
  }
  return { words, options };
}
