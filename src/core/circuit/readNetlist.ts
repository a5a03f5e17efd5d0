import { type Analysis, type Circuit, type Element, type Model, type Wave } from './circuit';
import { evaluate, ExpressionError, readNumber } from './expression';
import { NetlistError } from './netlistError';

/** The longest netlist that is read, in characters. */
export const longestNetlist = 512 * 1024;
/** The most elements a flat circuit may have. */
const mostElements = 2000;
const deepest = 12;

interface Line {
  readonly number: number;
  readonly text: string;
  /** The comment it stands under. */
  readonly section: string;
}

interface Subcircuit {
  readonly line: Line;
  readonly ports: readonly string[];
  readonly defaults: readonly (readonly [string, string])[];
  readonly body: Line[];
}

interface Scope {
  readonly path: string;
  /** The path as it was written. */
  readonly label: string;
  readonly nodes: ReadonlyMap<string, string>;
  readonly parameters: ReadonlyMap<string, number>;
  readonly depth: number;
}

/** Logical lines: comments taken off but remembered as headings, continuations joined; the first line is the title. */
function logicalLines(text: string): { title: string; lines: Line[] } {
  const rows = text.split(/\r?\n/);
  const title = (rows[0] ?? '').replace(/^\*\s*/, '').trim();
  const lines: Line[] = [];
  let section = '';
  rows.forEach((row, index) => {
    const bare = row
      .replace(/;.*$/, '')
      .replace(/\s\$.*$/, '')
      .trim();
    if (index === 0 || bare === '') return;
    if (bare.startsWith('*')) {
      section = bare.replace(/^\*+\s*/, '');
      return;
    }
    if (bare.startsWith('+')) {
      const last = lines.pop();
      if (!last) throw new NetlistError(index + 1, 'a line that goes on (+) needs one before it');
      lines.push({ ...last, text: `${last.text} ${bare.slice(1)}` });
    } else lines.push({ number: index + 1, text: bare, section });
  });
  return { title, lines };
}

/** Words of a line: parentheses, commas and equal signs part them; braces and quotes hold together. */
function wordsOf({ number, text }: Line): string[] {
  const words = text.replace(/\s*=\s*/g, '=').match(/(?:[^\s(),={}']|=|\{[^}]*\}|'[^']*')+/g);
  if (!words) throw new NetlistError(number, `"${text}" has no word: a line begins with an element or a directive`);
  return words.map((word) => word.toLowerCase());
}

/**
 * Reads a circuit in the common text form: R C L V I D Q M E G F H K X, `.model`, `.subckt`, `.param`,
 * `.ic`, `.op`, `.tran`, `.ac`. The first line is the title.
 *
 * @param given values of top-level parameters in place of those of the text
 * @throws NetlistError with the line and what would be right
 */
export function readNetlist(text: string, given: ReadonlyMap<string, number> = new Map()): Circuit {
  if (text.length > longestNetlist) {
    throw new NetlistError(
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
        throw new NetlistError(line.number, `.subckt inside .subckt ${open.name}: close that one with .ends first`);
      const [, name, ...rest] = words;
      if (name === undefined) throw new NetlistError(line.number, '.subckt needs a name and its nodes');
      const ports = rest.filter((word) => !word.includes('=') && word !== 'params:');
      open = { name, sub: { line, ports, defaults: assignments(rest), body: [] } };
    } else if (first === '.ends') {
      if (!open) throw new NetlistError(line.number, '.ends without a .subckt before it');
      subcircuits.set(open.name, open.sub);
      open = undefined;
    } else (open?.sub.body ?? top).push(line);
  }
  if (open) throw new NetlistError(open.sub.line.number, `.subckt ${open.name} is not closed: end it with .ends`);

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
      if (names.has(element.name)) throw new NetlistError(line.number, `there are two elements "${element.name}"`);
      names.add(element.name);
      elements.push(element);
      if (elements.length > mostElements)
        throw new NetlistError(line.number, `more than ${mostElements} elements: a stage has tens`);
    }
  };
  const openUp = (line: Line, words: readonly string[], scope: Scope): void => {
    const plain = words.slice(1).filter((word) => !word.includes('=') && word !== 'params:');
    const name = plain[plain.length - 1] ?? '';
    const sub = subcircuits.get(name);
    if (!sub) throw new NetlistError(line.number, `there is no .subckt "${name}"${listed([...subcircuits.keys()])}`);
    if (scope.depth >= deepest) throw new NetlistError(line.number, `.subckt ${name} contains itself`);
    const outer = plain.slice(0, -1);
    if (outer.length !== sub.ports.length) {
      throw new NetlistError(
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
  if (elements.length === 0) throw new NetlistError(1, 'there is no element: write one a line, like "R1 a 0 4.7k"');
  checkNames(elements);
  return { title, elements, analyses, initial, parameters };
}

const writtenName = (line: Line): string => line.text.split(/\s+/)[0]!;

const listed = (names: readonly string[]): string => (names.length > 0 ? `; there are ${names.join(', ')}` : '');

const assignments = (words: readonly string[]): [string, string][] =>
  words.flatMap((word): [string, string][] => {
    const at = word.indexOf('=');
    return at > 0 ? [[word.slice(0, at), word.slice(at + 1)]] : [];
  });

function nodeIn({ path, nodes }: Scope, node: string): string {
  if (node === '0' || node === 'gnd') return '0';
  return nodes.get(node) ?? `${path}${node}`;
}

function valueOf(word: string | undefined, line: Line, parameters: ReadonlyMap<string, number>): number {
  if (word === undefined || word === '') throw new NetlistError(line.number, 'a value is missing, like 4.7k');
  const inner = /^\{(.*)\}$|^'(.*)'$/.exec(word);
  const plain = readNumber(word);
  if (plain !== undefined) return plain;
  try {
    return evaluate(inner ? (inner[1] ?? inner[2] ?? '') : word, parameters);
  } catch (error) {
    if (error instanceof ExpressionError) throw new NetlistError(line.number, error.message);
    throw error;
  }
}

function readParameters(line: Line, parameters: Map<string, number>, given: ReadonlyMap<string, number>): void {
  const found = assignments(wordsOf(line));
  if (found.length === 0) throw new NetlistError(line.number, '.param needs name=value');
  for (const [name, value] of found) parameters.set(name, given.get(name) ?? valueOf(value, line, parameters));
}

const modelTypes = ['d', 'npn', 'pnp', 'nmos', 'pmos'] as const;

function readModel(line: Line, parameters: ReadonlyMap<string, number>): Model {
  const [, name, kind, ...rest] = wordsOf(line);
  const type = modelTypes.find((one) => one === kind);
  if (name === undefined || !type)
    throw new NetlistError(line.number, `.model needs a name and one of ${modelTypes.join(', ')}`);
  const values = new Map(assignments(rest).map(([key, value]) => [key, valueOf(value, line, parameters)] as const));
  if ((values.get('level') ?? 1) !== 1)
    throw new NetlistError(line.number, `.model ${name}: only level 1 is known here`);
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
      if (!(stop > start)) throw new NetlistError(line.number, '.tran ends before it starts');
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
      if (!scale) throw new NetlistError(line.number, '.ac is written like ".ac dec 20 10 100k"');
      into.analyses.push({ kind: 'ac', scale, points: Math.max(1, value(2)), from: value(3), to: value(4) });
      return;
    }
    case '.ic': {
      const found = [...line.text.matchAll(/v\(\s*([^\s)]+)\s*\)\s*=\s*(\S+)/gi)];
      if (found.length === 0) throw new NetlistError(line.number, '.ic is written like ".ic v(out)=12"');
      for (const [, node, volts] of found)
        into.initial.set(nodeIn(scope, node!.toLowerCase()), valueOf(volts!.toLowerCase(), line, scope.parameters));
      return;
    }
    case '.param':
    case '.model':
      return;
    default:
      throw new NetlistError(
        line.number,
        `"${words[0]}" is not known here; there are .op, .tran, .ac, .ic, .param, .model, .subckt`,
      );
  }
}

function readElement(line: Line, words: readonly string[], scope: Scope, models: ReadonlyMap<string, Model>): Element {
  const own = words[0]!;
  const name = `${scope.path}${own}`;
  const common = { name, label: `${scope.label}${writtenName(line)}`, line: line.number, section: line.section };
  const node = (index: number): string => {
    const word = words[index];
    if (word === undefined) throw new NetlistError(line.number, `${own} needs more nodes`);
    return nodeIn(scope, word);
  };
  const pair = (from: number) => [node(from), node(from + 1)] as const;
  const value = (index: number) => valueOf(words[index], line, scope.parameters);
  const named = new Map(assignments(words));
  const modelAt = (index: number, types: readonly string[]): Model => {
    const word = words[index];
    const model = models.get(word ?? '');
    if (!model)
      throw new NetlistError(
        line.number,
        `${own} names model "${word ?? ''}", which is missing${listed([...models.keys()])}`,
      );
    if (!types.includes(model.type))
      throw new NetlistError(
        line.number,
        `${own} needs a model ${types.join(' or ')}; "${model.name}" is ${model.type}`,
      );
    return model;
  };
  switch (own[0]) {
    case 'r':
    case 'c':
    case 'l': {
      const kind = own[0];
      const size = value(3);
      if (!(kind === 'r' ? size !== 0 : size > 0))
        throw new NetlistError(
          line.number,
          `${own} has the value ${size}: ${kind === 'r' ? 'a resistor of 0 Ω is a wire, join its nodes' : 'it must be above 0'}`,
        );
      const initial = named.get('ic');
      return {
        ...common,
        kind,
        nodes: pair(1),
        value: size,
        ...(initial === undefined ? {} : { initial: valueOf(initial, line, scope.parameters) }),
      };
    }
    case 'v':
    case 'i':
      return { ...common, kind: own[0], nodes: pair(1), ...readSource(words, line, scope.parameters) };
    case 'e':
    case 'g':
      return { ...common, kind: own[0], nodes: pair(1), control: pair(3), gain: value(5) };
    case 'f':
    case 'h':
      return { ...common, kind: own[0], nodes: pair(1), through: `${scope.path}${words[3] ?? ''}`, gain: value(4) };
    case 'k': {
      const factor = value(3);
      if (!(Math.abs(factor) <= 1))
        throw new NetlistError(line.number, `${own} couples by ${factor}: it lies between 0 and 1`);
      return { ...common, kind: 'k', coils: [`${scope.path}${words[1]!}`, `${scope.path}${words[2]!}`], factor };
    }
    case 'd':
      return { ...common, kind: 'd', nodes: pair(1), model: modelAt(3, ['d']), area: areaOf(words[4], line, scope) };
    case 'q': {
      // A fourth node, the substrate, is passed over.
      const at = models.has(words[4] ?? '') || !models.has(words[5] ?? '') ? 4 : 5;
      const model = modelAt(at, ['npn', 'pnp']);
      return {
        ...common,
        kind: 'q',
        nodes: [node(1), node(2), node(3)],
        model,
        area: areaOf(words[at + 1], line, scope),
      };
    }
    case 'm': {
      const size = (key: string) => valueOf(named.get(key) ?? '1', line, scope.parameters);
      return {
        ...common,
        kind: 'm',
        nodes: [node(1), node(2), node(3), node(4)],
        model: modelAt(5, ['nmos', 'pmos']),
        ratio: named.has('w') && named.has('l') ? size('w') / size('l') : 1,
      };
    }
    default:
      throw new NetlistError(line.number, `"${own}" is no element: they begin with R C L V I D Q M E G F H K X`);
  }
}

function areaOf(word: string | undefined, line: Line, { parameters }: Scope): number {
  return word === undefined || word.includes('=') ? 1 : valueOf(word, line, parameters);
}

function readSource(words: readonly string[], line: Line, parameters: ReadonlyMap<string, number>) {
  let dc: number | undefined;
  let ac = { magnitude: 0, degrees: 0 };
  let wave: Wave = { kind: 'dc' };
  const numbersFrom = (from: number): number[] => {
    const values: number[] = [];
    for (let at = from; at < words.length && /^[-+.\d{']/.test(words[at]!); at += 1)
      values.push(valueOf(words[at], line, parameters));
    return values;
  };
  for (let at = 3; at < words.length; at += 1) {
    const word = words[at]!;
    const values = numbersFrom(at + 1);
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = Infinity, g = Infinity] = values;
    if (word === 'dc') dc = a;
    else if (word === 'ac') ac = { magnitude: values[0] ?? 1, degrees: b };
    else if (word === 'pulse')
      wave = { kind: 'pulse', low: a, high: b, delay: c, rise: d, fall: e, width: f, period: g };
    else if (word === 'sin') wave = { kind: 'sin', offset: a, amplitude: b, hertz: c, delay: d, damping: e };
    else if (word === 'pwl') {
      if (values.length === 0 || values.length % 2 === 1)
        throw new NetlistError(line.number, 'PWL needs pairs of time and value');
      wave = {
        kind: 'pwl',
        points: values.flatMap((time, index) => (index % 2 === 0 ? [[time, values[index + 1]!] as const] : [])),
      };
    } else if (at === 3) {
      dc = valueOf(word, line, parameters);
      continue;
    } else
      throw new NetlistError(line.number, `"${word}" does not belong in a source; there are DC, AC, PULSE, SIN, PWL`);
    at += values.length;
  }
  return { dc: dc ?? startOf(wave), ac, wave };
}

function startOf(wave: Wave): number {
  switch (wave.kind) {
    case 'pulse':
      return wave.low;
    case 'sin':
      return wave.offset;
    case 'pwl':
      return wave.points[0]![1];
    case 'dc':
      return 0;
  }
}

/** Elements that name others must find them. */
function checkNames(elements: readonly Element[]): void {
  const kinds = new Map(elements.map(({ name, kind }) => [name, kind]));
  for (const element of elements) {
    if (element.kind === 'k') {
      const missing = element.coils.find((coil) => kinds.get(coil) !== 'l');
      if (missing !== undefined)
        throw new NetlistError(element.line, `${element.name} couples "${missing}", which is no inductor here`);
    }
    if ((element.kind === 'f' || element.kind === 'h') && kinds.get(element.through) !== 'v')
      throw new NetlistError(
        element.line,
        `${element.name} follows the current of "${element.through}", which is no voltage source here`,
      );
  }
}
