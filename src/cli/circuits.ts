import { Refusal, parseQuantity } from '@/core/quantity';
import {
  type Analysis,
  checkCircuit,
  dictionaryOf,
  NoConvergence,
  operatingPoint,
  rankFaults,
  readNetlist,
  smallSignal,
  System,
  transient,
} from '@/core/circuit';
import { readText } from './files';
import { readArguments } from './usage';

/** Says where in the file a netlist cannot be taken, or that nothing settles. */
function withFile<T>(file: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof Refusal || error instanceof NoConvergence) throw new Refusal(`${file}, ${error.message}`);
    throw error;
  }
}

function systemFrom(file: string | undefined): { file: string; system: System } {
  if (file === undefined) throw new Refusal('name the file of the netlist');
  const text = readText(file);
  return {
    file,
    system: withFile(file, () => {
      const circuit = readNetlist(text);
      checkCircuit(circuit);
      return new System(circuit);
    }),
  };
}

/** Nodes of the netlist itself, without those within parts. */
const ownNodes = ({ nodes }: System) => nodes.filter((node) => !node.includes(':'));

function nodesFrom(system: System, list: string | undefined): string[] {
  const wanted = list?.toLowerCase().split(',').filter(Boolean) ?? [];
  if (wanted.length === 0) throw new Refusal(`name nodes with --nodes; there are ${ownNodes(system).join(', ')}`);
  for (const node of wanted)
    if (system.indexOf(node) === undefined)
      throw new Refusal(`there is no node "${node}"; there are ${ownNodes(system).join(', ')}`);
  return wanted;
}

function analysisOf<K extends Analysis['kind']>(system: System, file: string, kind: K): Extract<Analysis, { kind: K }> {
  const found = system.circuit.analyses.find((one): one is Extract<Analysis, { kind: K }> => one.kind === kind);
  if (!found) throw new Refusal(`${file} has no .${kind} line`);
  return found;
}

/** `op FILE`: node voltages at the operating point. */
export function op(argv: readonly string[]): object {
  const { words } = readArguments(argv, []);
  const { file, system } = systemFrom(words[0]);
  const point = withFile(file, () => operatingPoint(system));
  return { nodes: Object.fromEntries(ownNodes(system).map((node) => [node, point[system.indexOf(node)!]!])) };
}

/** `tran FILE --nodes a,b`: `time,a,b` on the solver's own steps. */
export function tran(argv: readonly string[]): string {
  const { words, options } = readArguments(argv, ['nodes']);
  const { file, system } = systemFrom(words[0]);
  const nodes = nodesFrom(system, options.get('nodes'));
  const { seconds, volts } = withFile(file, () => transient(system, analysisOf(system, file, 'tran'), nodes));
  const rows = seconds.map((time, index) => [time, ...nodes.map((node) => volts.get(node)![index]!)].join(','));
  return `${['time', ...nodes].join(',')}\n${rows.join('\n')}\n`;
}

/** `ac FILE --nodes a`: `freq,mag,phase` of the node, in hertz, volts and degrees. */
export function ac(argv: readonly string[]): string {
  const { words, options } = readArguments(argv, ['nodes']);
  const { file, system } = systemFrom(words[0]);
  const nodes = nodesFrom(system, options.get('nodes'));
  const { hertz, magnitude, phase } = withFile(file, () =>
    smallSignal(system, operatingPoint(system), analysisOf(system, file, 'ac'), nodes),
  );
  // With one node the columns are plain; with more each carries its node.
  const column = (name: string, node: string) => (nodes.length === 1 ? name : `${name}_${node}`);
  const head = ['freq', ...nodes.flatMap((node) => [column('mag', node), column('phase', node)])].join(',');
  const rows = [...hertz].map((frequency, index) =>
    [frequency, ...nodes.flatMap((node) => [magnitude.get(node)![index]!, phase.get(node)![index]!])].join(','),
  );
  return `${head}\n${rows.join('\n')}\n`;
}

/** Faults of less than this probability are left out, but for the first. */
const told = 1e-4;

/** `faults FILE --read node=volts …`: the faults that explain the readings, likeliest first. */
export function faults(argv: readonly string[]): object {
  const readings = new Map<string, number>();
  const rest: string[] = [];
  for (let at = 0; at < argv.length; at += 1) {
    if (argv[at] !== '--read') {
      rest.push(argv[at]!);
      continue;
    }
    while (argv[at + 1] !== undefined && /^[^-][^=]*=/.test(argv[at + 1]!)) {
      at += 1;
      const [node = '', volts = ''] = argv[at]!.split('=');
      readings.set(node.toLowerCase(), voltsOf(node, volts));
    }
  }
  const { words } = readArguments(rest, []);
  const { file, system } = systemFrom(words[0]);
  if (readings.size === 0) throw new Refusal('name what was measured with --read node=volts');
  nodesFrom(system, [...readings.keys()].join());
  return withFile(file, () =>
    rankFaults(dictionaryOf(system, operatingPoint(system)), { volts: readings })
      .faults.filter(({ probability }, index) => index === 0 || probability >= told)
      .map(({ fault, probability, group }) => ({ ...fault, probability, group })),
  );
}

function voltsOf(node: string, text: string): number {
  try {
    const { value, unit } = parseQuantity(text);
    if (unit === undefined || unit === 'V') return value;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
  }
  throw new Refusal(`--read ${node}=${text}: a voltage is written like ${node}=12.4`);
}
