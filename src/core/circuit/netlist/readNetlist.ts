import {
  assignments,
  type Element,
  type Line,
  listed,
  logicalLines,
  type Model,
  modelKinds,
  netlistRefusal,
  nodeIn,
  probesOf,
  type NetlistNote,
  readModel,
  type Scope,
  valueOf,
  wordsOf,
  writtenName,
} from '../elements';
import { type Analysis, type Circuit } from './circuit';
import { readCommand } from './readCommand';
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
 * Reads a circuit in the common text form: R C L V I D Q M J E G F H B K S W X, `.model`, `.subckt`,
 * `.param`, `.ic`, `.nodeset`, `.global`, `.op`, `.tran`, `.ac`. The first line is the title. What is
 * not reckoned with is refused, or noted where it changes nothing.
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
  const notes: NetlistNote[] = [];
  let commands = false;
  let open: { name: string; sub: Subcircuit } | undefined;
  for (const line of lines) {
    const words = wordsOf(line);
    const first = words[0]!;
    if (first === '.end') break;
    if (first === '.control' || (commands && first !== '.endc')) {
      if (!commands) notes.push({ line: line.number, text: 'the commands of .control are passed over', moving: false });
      commands = true;
      continue;
    }
    if (first === '.endc') {
      commands = false;
      continue;
    }
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
  const analyses: Analysis[] = [];
  const [initial, guessed] = [new Map<string, number>(), new Map<string, number>()];
  const named: { readonly node: string; readonly line: number }[] = [];
  const globals = new Set<string>();
  const modelsOf = (body: readonly Line[], known: ReadonlyMap<string, number>, outer: ReadonlyMap<string, Model>) => {
    const models = new Map(outer);
    for (const line of body.filter(isLine('.model'))) {
      const model = readModel(line, wordsOf(line), known, modelKinds, (note) => notes.push(note));
      models.set(model.name, model);
    }
    return models;
  };
  for (const line of top.filter(isLine('.global'))) for (const node of wordsOf(line).slice(1)) globals.add(node);
  for (const line of top.filter(isLine('.param'))) readParameters(line, parameters, given);
  const elements: Element[] = [];
  const names = new Set<string>();
  const expand = (body: readonly Line[], scope: Scope, models: ReadonlyMap<string, Model>): void => {
    for (const line of body) {
      const words = wordsOf(line);
      if (words[0]!.startsWith('.')) {
        readCommand(line, words, scope, { analyses, initial, guessed, named, note: (note) => notes.push(note) });
        continue;
      }
      if (words[0]!.startsWith('x')) {
        openUp(line, words, scope, models);
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
  const openUp = (line: Line, words: readonly string[], scope: Scope, models: ReadonlyMap<string, Model>): void => {
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
    for (const own of sub.body.filter(isLine('.param'))) readParameters(own, inner, new Map());
    const within: Scope = {
      path: `${scope.path}${words[0]}.`,
      label: `${scope.label}${writtenName(line)}.`,
      nodes: new Map([
        ...[...globals].map((node) => [node, node] as const),
        ...sub.ports.map((port, index) => [port, nodeIn(scope, outer[index]!)] as const),
      ]),
      parameters: inner,
      depth: scope.depth + 1,
    };
    expand(sub.body, within, modelsOf(sub.body, inner, models));
  };
  expand(top, { path: '', label: '', nodes: new Map(), parameters, depth: 0 }, modelsOf(top, parameters, new Map()));
  if (elements.length === 0) throw netlistRefusal(1, 'there is no element: write one a line, like "R1 a 0 4.7k"');
  checkNames(elements);
  const nodes = new Set(elements.flatMap((element): readonly string[] => element.nodes));
  for (const { node, line } of named)
    if (!nodes.has(node)) throw netlistRefusal(line, `there is no node "${node}"${listed([...nodes])}`);
  return { title, elements, analyses, initial, guessed, parameters, notes: once(notes) };
}

function readParameters(line: Line, parameters: Map<string, number>, given: ReadonlyMap<string, number>): void {
  const found = assignments(wordsOf(line));
  if (found.length === 0) throw netlistRefusal(line.number, '.param needs name=value');
  for (const [name, value] of found) parameters.set(name, given.get(name) ?? valueOf(value, line, parameters));
}

const isLine = (directive: string) => (line: Line) =>
  line.text.toLowerCase().startsWith(directive) && !/^\w/.test(line.text.slice(directive.length));

/** A model within a subcircuit is read at every use of it. */
const once = (notes: readonly NetlistNote[]): NetlistNote[] => [
  ...new Map(notes.map((note) => [`${note.line} ${note.text}`, note])).values(),
];

/** Elements that name others must find them. */
function checkNames(elements: readonly Element[]): void {
  const kinds = new Map(elements.map(({ name, kind }) => [name, kind]));
  for (const element of elements) {
    if (element.kind === 'k') {
      const missing = element.coils.find((coil) => kinds.get(coil) !== 'l');
      if (missing !== undefined)
        throw netlistRefusal(element.line, `${element.name} couples "${missing}", which is no inductor here`);
    }
    for (const through of followed(element))
      if (kinds.get(through) !== 'v')
        throw netlistRefusal(
          element.line,
          `${element.name} follows the current of "${through}", which is no voltage source here`,
        );
  }
}

/** The elements whose currents an element follows. */
function followed(element: Element): readonly string[] {
  if (element.kind === 'f' || element.kind === 'h') return [element.through];
  if (element.kind === 'w' && 'through' in element.control) return [element.control.through];
  if (element.kind !== 'b') return [];
  return probesOf(element.law).flatMap((probe) => (probe.kind === 'amperes' ? [probe.through] : []));
}
