import { netlistRefusal } from './netlistRefusal';
import { type Analysis, type Circuit, type Element, type Model } from './circuit';
import {
  assignments,
  type Line,
  listed,
  logicalLines,
  nodeIn,
  type Scope,
  valueOf,
  wordsOf,
  writtenName,
} from './netlistText';
import { readElement } from './readElement';

/** The longest netlist that is read, in characters. */
export const longestNetlist = 512 * 1024;
/** The most elements a flat circuit may have. */
const mostElements = 2000;
const deepest = 12;

interface Subcircuit {
  readonly line: Line;
  readonly ports: readonly string[];
  readonly defaults: readonly (readonly [string, string])[];
  readonly body: Line[];
}

/**
 * Reads a circuit in the common text form: R C L V I D Q M E G F H K X, `.model`, `.subckt`, `.param`,
 * `.ic`, `.op`, `.tran`, `.ac`. The first line is the title.
 *
 * @param given values of top-level parameters in place of those of the text
 * @throws Refusal with the line and what would be right
 */
export function readNetlist(text: string, given: ReadonlyMap<string, number> = new Map()): Circuit {
  if (text.length > longestNetlist) {
    throw netlistRefusal(
      1,
      `the netlist is ${Math.ceil(text.length / 1024)} KB long; it may have ${longestNetlist / 1024} KB`,
    );
  }
  const { title, lines } = logicalLines(text);
  const top: Line[] = [];
  const subcircuits = new Map<string, Subcircuit>();
  let open: { name: string; sub: Subcircuit } | undefined;
  for (const line of lines) {
    const words = wordsOf(line);
    const first = words[0]!;
    if (first === '.end') break;
    if (first === '.subckt') {
      if (open)
        throw netlistRefusal(line.number, `.subckt inside .subckt ${open.name}: close that one with .ends first`);
      const [, name, ...rest] = words;
      if (name === undefined) throw netlistRefusal(line.number, '.subckt needs a name and its nodes');
      const ports = rest.filter((word) => !word.includes('=') && word !== 'params:');
      open = { name, sub: { line, ports, defaults: assignments(rest), body: [] } };
    } else if (first === '.ends') {
      if (!open) throw netlistRefusal(line.number, '.ends without a .subckt before it');
      subcircuits.set(open.name, open.sub);
      open = undefined;
    } else (open?.sub.body ?? top).push(line);
  }
  if (open) throw netlistRefusal(open.sub.line.number, `.subckt ${open.name} is not closed: end it with .ends`);

  const parameters = new Map<string, number>();
  const models = new Map<string, Model>();
  const analyses: Analysis[] = [];
  const initial = new Map<string, number>();
  const bodies = [top, ...[...subcircuits.values()].map(({ body }) => body)];
  for (const line of top) if (/^\.param\b/i.test(line.text)) readParameters(line, parameters, given);
  for (const line of bodies.flat()) {
    if (!/^\.model\b/i.test(line.text)) continue;
    const model = readModel(line, parameters);
    models.set(model.name, model);
  }
  const elements: Element[] = [];
  const names = new Set<string>();
  const expand = (body: readonly Line[], scope: Scope): void => {
    for (const line of body) {
      const words = wordsOf(line);
      if (words[0]!.startsWith('.')) {
        if (scope.depth === 0) readCommand(line, words, scope, { analyses, initial });
        continue;
      }
      if (words[0]!.startsWith('x')) {
        openUp(line, words, scope);
        continue;
      }
      const element = readElement(line, words, scope, models);
      if (names.has(element.name)) throw netlistRefusal(line.number, `there are two elements "${element.name}"`);
      names.add(element.name);
      elements.push(element);
      if (elements.length > mostElements)
        throw netlistRefusal(line.number, `more than ${mostElements} elements: a stage has tens`);
    }
  };
  const openUp = (line: Line, words: readonly string[], scope: Scope): void => {
    const plain = words.slice(1).filter((word) => !word.includes('=') && word !== 'params:');
    const name = plain[plain.length - 1] ?? '';
    const sub = subcircuits.get(name);
    if (!sub) throw netlistRefusal(line.number, `there is no .subckt "${name}"${listed([...subcircuits.keys()])}`);
    if (scope.depth >= deepest) throw netlistRefusal(line.number, `.subckt ${name} contains itself`);
    const outer = plain.slice(0, -1);
    if (outer.length !== sub.ports.length) {
      throw netlistRefusal(
        line.number,
        `${words[0]} gives ${outer.length} nodes; .subckt ${name} has ${sub.ports.length}: ${sub.ports.join(' ')}`,
      );
    }
    const inner = new Map(scope.parameters);
    for (const [key, value] of [...sub.defaults, ...assignments(words)])
      inner.set(key, valueOf(value, line, scope.parameters));
    expand(sub.body, {
      path: `${scope.path}${words[0]}.`,
      label: `${scope.label}${writtenName(line)}.`,
      nodes: new Map(sub.ports.map((port, index) => [port, nodeIn(scope, outer[index]!)])),
      parameters: inner,
      depth: scope.depth + 1,
    });
  };
  expand(top, { path: '', label: '', nodes: new Map(), parameters, depth: 0 });
  if (elements.length === 0) throw netlistRefusal(1, 'there is no element: write one a line, like "R1 a 0 4.7k"');
  checkNames(elements);
  return { title, elements, analyses, initial, parameters };
}

function readParameters(line: Line, parameters: Map<string, number>, given: ReadonlyMap<string, number>): void {
  const found = assignments(wordsOf(line));
  if (found.length === 0) throw netlistRefusal(line.number, '.param needs name=value');
  for (const [name, value] of found) parameters.set(name, given.get(name) ?? valueOf(value, line, parameters));
}

const modelTypes = ['d', 'npn', 'pnp', 'nmos', 'pmos'] as const;

function readModel(line: Line, parameters: ReadonlyMap<string, number>): Model {
  const [, name, kind, ...rest] = wordsOf(line);
  const type = modelTypes.find((one) => one === kind);
  if (name === undefined || !type)
    throw netlistRefusal(line.number, `.model needs a name and one of ${modelTypes.join(', ')}`);
  const values = new Map(assignments(rest).map(([key, value]) => [key, valueOf(value, line, parameters)] as const));
  if ((values.get('level') ?? 1) !== 1) throw netlistRefusal(line.number, `.model ${name}: only level 1 is known here`);
  return { name, type, values };
}

function readCommand(
  line: Line,
  words: readonly string[],
  scope: Scope,
  into: { analyses: Analysis[]; initial: Map<string, number> },
): void {
  const value = (index: number) => valueOf(words[index], line, scope.parameters);
  const optional = (index: number) => (words[index] === undefined || words[index] === 'uic' ? undefined : value(index));
  switch (words[0]) {
    case '.op':
      into.analyses.push({ kind: 'op' });
      return;
    case '.tran': {
      const [start, most] = [optional(3) ?? 0, optional(4)];
      const stop = value(2);
      if (!(stop > start)) throw netlistRefusal(line.number, '.tran ends before it starts');
      into.analyses.push({
        kind: 'tran',
        step: value(1),
        stop,
        start,
        given: words.includes('uic'),
        ...(most === undefined ? {} : { most }),
      });
      return;
    }
    case '.ac': {
      const scale = (['lin', 'dec', 'oct'] as const).find((one) => one === words[1]);
      if (!scale) throw netlistRefusal(line.number, '.ac is written like ".ac dec 20 10 100k"');
      into.analyses.push({ kind: 'ac', scale, points: Math.max(1, value(2)), from: value(3), to: value(4) });
      return;
    }
    case '.ic': {
      const found = [...line.text.matchAll(/v\(\s*([^\s)]+)\s*\)\s*=\s*(\S+)/gi)];
      if (found.length === 0) throw netlistRefusal(line.number, '.ic is written like ".ic v(out)=12"');
      for (const [, node, volts] of found)
        into.initial.set(nodeIn(scope, node!.toLowerCase()), valueOf(volts!.toLowerCase(), line, scope.parameters));
      return;
    }
    case '.param':
    case '.model':
      return;
    default:
      throw netlistRefusal(
        line.number,
        `"${words[0]}" is not known here; there are .op, .tran, .ac, .ic, .param, .model, .subckt`,
      );
  }
}

/** Elements that name others must find them. */
function checkNames(elements: readonly Element[]): void {
  const kinds = new Map(elements.map(({ name, kind }) => [name, kind]));
  for (const element of elements) {
    if (element.kind === 'k') {
      const missing = element.coils.find((coil) => kinds.get(coil) !== 'l');
      if (missing !== undefined)
        throw netlistRefusal(element.line, `${element.name} couples "${missing}", which is no inductor here`);
    }
    if ((element.kind === 'f' || element.kind === 'h') && kinds.get(element.through) !== 'v')
      throw netlistRefusal(
        element.line,
        `${element.name} follows the current of "${element.through}", which is no voltage source here`,
      );
  }
}
