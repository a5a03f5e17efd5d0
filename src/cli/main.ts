import { Refusal } from '@/core/quantity';
import { backup, doctor, exportTo, importFrom, restoreFrom } from './shop';
import { ac, faults, op, tran } from './circuits';
import { type Command, type Printed } from './command';
import { crosshatch } from './crosshatch';
import { evaluate, policy, soak } from './planning';
import { grey, rails } from './setup';
import { checkSheet, simulate, suspects } from './sheets';
import { basket, harvest, substitute } from './supply';
import { burnIn, tube } from './tube';

const commands: readonly Command[] = [
  checkSheet,
  simulate,
  suspects,
  evaluate,
  policy,
  soak,
  op,
  tran,
  ac,
  faults,
  substitute,
  basket,
  harvest,
  rails,
  crosshatch,
  grey,
  tube,
  burnIn,
  backup,
  restoreFrom,
  exportTo,
  importFrom,
  doctor,
];

const overview = () =>
  [
    ...commands.map(({ name, takes, about }) => `${`tovrik ${name} ${takes}`.trimEnd()}\n  ${about}`),
    'tovrik COMMAND --help says more of each.',
  ].join('\n');

const wantsHelp = (word: string | undefined) => word === '--help' || word === '-h';

function answer(argv: readonly string[]): Printed | Promise<Printed> {
  if (argv.length === 0 || wantsHelp(argv[0])) return `${overview()}\n`;
  const chosen = commands.find(({ name }) => name.split(' ').every((word, index) => argv[index] === word));
  if (!chosen)
    throw new Refusal(
      `there is no command "${argv.join(' ')}"; there are ${commands.map(({ name }) => name).join(', ')}`,
    );
  const rest = argv.slice(chosen.name.split(' ').length);
  return rest.some(wantsHelp) ? `${chosen.help}\n` : chosen.run(rest);
}

// Whoever reads may stop early, as head does.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
});

try {
  const result = await answer(process.argv.slice(2));
  process.stdout.write(
    typeof result === 'string'
      ? result
      : `${JSON.stringify(result, (_, value: unknown) => (value === Infinity ? 'OL' : value), 2)}\n`,
  );
} catch (error) {
  if (!(error instanceof Refusal)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
