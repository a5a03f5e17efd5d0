import { Refusal } from '@/core/quantity';
import { SheetError } from '@/core/sheet';
import { ac, faults, op, tran } from './circuits';
import { backup, checkSheet, simulate, suspects } from './commands';
import { evaluate, policy } from './planning';
import { usage } from './usage';

async function answer(argv: readonly string[]): Promise<object | string> {
  const [command, ...rest] = argv;
  switch (command) {
    case 'sheet':
      if (rest[0] === 'check') return checkSheet(rest.slice(1));
      throw new Refusal('sheet knows: check FILE');
    case 'simulate':
      return simulate(rest);
    case 'suspects':
      return suspects(rest);
    case 'policy':
      return policy(rest);
    case 'evaluate':
      return evaluate(rest);
    case 'op':
      return op(rest);
    case 'tran':
      return tran(rest);
    case 'ac':
      return ac(rest);
    case 'faults':
      return faults(rest);
    case 'backup':
      return backup(rest);
    default:
      throw new Refusal(
        command === undefined
          ? usage
          : `there is no command "${command}"; there are sheet check, simulate, suspects, evaluate, policy, op, tran, ac, faults, backup`,
      );
  }
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
  if (!(error instanceof Refusal || error instanceof SheetError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
