import { Refusal } from '@/core/quantity';
import { type Command, type Printed } from './command';

type Commands = () => Promise<Readonly<Record<string, Command>>>;

const sheets: Commands = () => import('./sheets');
const planning: Commands = () => import('./planning');
const circuits: Commands = () => import('./circuits');
const supply: Commands = () => import('./supply');
const setup: Commands = () => import('./setup');
const pictures: Commands = () => import('./crosshatch');
const tubes: Commands = () => import('./tube');
const shop: Commands = () => import('./shop');

/** Where the commands that begin with a word are: what the others need is not loaded. */
const commandsAt: Readonly<Record<string, Commands>> = {
  sheet: sheets,
  simulate: sheets,
  suspects: sheets,
  evaluate: planning,
  policy: planning,
  soak: planning,
  op: circuits,
  tran: circuits,
  ac: circuits,
  faults: circuits,
  substitute: supply,
  basket: supply,
  harvest: supply,
  rails: setup,
  crosshatch: pictures,
  grey: setup,
  tube: tubes,
  'burn-in': tubes,
  backup: shop,
  restore: shop,
  export: shop,
  import: shop,
  doctor: shop,
};

/** The commands that begin with a word. */
async function beginningWith(word: string): Promise<Command[]> {
  const found = Object.values((await commandsAt[word]?.()) ?? {});
  return found.filter(({ name }) => name.split(' ')[0] === word);
}

const everyCommand = async () => (await Promise.all(Object.keys(commandsAt).map(beginningWith))).flat();

const overview = async () =>
  [
    ...(await everyCommand()).map(({ name, takes, about }) => `${`tovrik ${name} ${takes}`.trimEnd()}\n  ${about}`),
    'tovrik COMMAND --help says more of each.',
  ].join('\n');

const wantsHelp = (word: string | undefined) => word === '--help' || word === '-h';

async function answer(argv: readonly string[]): Promise<Printed> {
  const [first] = argv;
  if (first === undefined || wantsHelp(first)) return `${await overview()}\n`;
  const chosen = (await beginningWith(first)).find(({ name }) =>
    name.split(' ').every((word, index) => argv[index] === word),
  );
  if (!chosen) {
    const names = (await everyCommand()).map(({ name }) => name);
    throw new Refusal(`there is no command "${argv.join(' ')}"; there are ${names.join(', ')}`);
  }
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
