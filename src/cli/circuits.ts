import { type Analysis, rankFaults, smallSignal, Stage, transient } from '@/core/circuit';
import { attempt, parseQuantity, placed, Refusal } from '@/core/quantity';
import { command } from './command';
import { readText } from './files';

interface OpenFile {
  readonly file: string;
  readonly stage: Stage;
}

function stageFrom(file: string | undefined): OpenFile {
  if (file === undefined) throw new Refusal('name the file of the netlist');
  const text = readText(file);
  return { file, stage: placed(file, () => Stage.open(text)) };
}

function nodesFrom({ system, nodes }: Stage, list: string | undefined): string[] {
  const wanted = list?.toLowerCase().split(',').filter(Boolean) ?? [];
  if (wanted.length === 0) throw new Refusal(`name nodes with --nodes; there are ${nodes.join(', ')}`);
  for (const node of wanted)
    if (system.indexOf(node) === undefined)
      throw new Refusal(`there is no node "${node}"; there are ${nodes.join(', ')}`);
  return wanted;
}

function analysisOf<K extends Analysis['kind']>(
  { file, stage }: OpenFile,
  kind: K,
): Extract<Analysis, { readonly kind: K }> {
  const found = stage.circuit.analyses.find((one): one is Extract<Analysis, { readonly kind: K }> => one.kind === kind);
  if (!found) throw new Refusal(`${file} has no .${kind} line`);
  const passed = stage.circuit.notes.find(({ moving }) => moving);
  if (passed)
    throw new Refusal(`${file}: line ${passed.line}: ${passed.text}, but they would in .${kind}; take them out`);
  return found;
}

export const op = command({
  name: 'op',
  takes: 'NETLIST',
  about: 'Node voltages at the operating point.',
  answer({ words }) {
    const { stage } = stageFrom(words[0]);
    const volts = stage.system.voltsAt(stage.point);
    const nodes = Object.fromEntries(stage.nodes.map((node) => [node, volts.get(node)!]));
    const notes = stage.circuit.notes.map(({ line, text }) => `line ${line}: ${text}`);
    return notes.length > 0 ? { nodes, notes } : { nodes };
  },
});

const nodesOption = { nodes: { takes: 'NODE,...', about: 'the nodes to print' } };

export const tran = command({
  name: 'tran',
  takes: 'NETLIST --nodes NODE,...',
  about: 'The run of its .tran line as time,NODE,... in seconds and volts, on the solver’s own steps.',
  options: nodesOption,
  answer({ words, option }) {
    const open = stageFrom(words[0]);
    const nodes = nodesFrom(open.stage, option('nodes'));
    const { seconds, volts } = placed(open.file, () => transient(open.stage.system, analysisOf(open, 'tran'), nodes));
    const rows = seconds.map((time, index) => [time, ...nodes.map((node) => volts.get(node)![index]!)].join(','));
    return `${['time', ...nodes].join(',')}\n${rows.join('\n')}\n`;
  },
});

export const ac = command({
  name: 'ac',
  takes: 'NETLIST --nodes NODE,...',
  about: 'The response of its .ac line as freq,mag,phase in hertz, volts and degrees.',
  options: nodesOption,
  answer({ words, option }) {
    const open = stageFrom(words[0]);
    const { system, point } = open.stage;
    const nodes = nodesFrom(open.stage, option('nodes'));
    const { hertz, magnitude, phase } = placed(open.file, () =>
      smallSignal(system, point, analysisOf(open, 'ac'), nodes),
    );
    // With one node the columns are plain; with more each carries its node.
    const column = (name: string, node: string) => (nodes.length === 1 ? name : `${name}_${node}`);
    const head = ['freq', ...nodes.flatMap((node) => [column('mag', node), column('phase', node)])].join(',');
    const rows = [...hertz].map((frequency, index) =>
      [frequency, ...nodes.flatMap((node) => [magnitude.get(node)![index]!, phase.get(node)![index]!])].join(','),
    );
    return `${head}\n${rows.join('\n')}\n`;
  },
});

/** Faults of less than this probability are left out, but for the first. */
const told = 1e-4;

const isReading = (word: string) => word.includes('=');

export const faults = command({
  name: 'faults',
  takes: 'NETLIST --read NODE=VOLTS ...',
  about: 'The faults of one part that explain what was measured, likeliest first.',
  options: { read: { takes: 'NODE=VOLTS', about: 'what was measured; more of them may follow', multiple: true } },
  answer({ words, all }) {
    const readings = new Map([...all('read'), ...words.filter(isReading)].map(readingFrom));
    const { file, stage } = stageFrom(words.find((word) => !isReading(word)));
    if (readings.size === 0) throw new Refusal('name what was measured with --read node=volts');
    nodesFrom(stage, [...readings.keys()].join());
    return placed(file, () =>
      rankFaults(stage.dictionary(), { volts: readings })
        .faults.filter(({ probability }, index) => index === 0 || probability >= told)
        .map(({ fault, probability, group }) => ({ ...fault, probability, group })),
    );
  },
});

function readingFrom(text: string): [string, number] {
  const [node = '', written = ''] = text.split('=');
  const volts = attempt(() => parseQuantity(written));
  if (volts instanceof Refusal || (volts.unit !== undefined && volts.unit !== 'V'))
    throw new Refusal(`--read ${text}: a voltage is written like ${node}=12.4`);
  return [node.toLowerCase(), volts.value];
}
