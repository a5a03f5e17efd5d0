import { netlistRefusal } from './netlistRefusal';
import { type Element, type Model, type Wave } from './circuit';
import { assignments, type Line, listed, nodeIn, type Scope, valueOf, writtenName } from './netlistText';

/** Reads the line of an element, whose words are given. @throws Refusal */
export function readElement(
  line: Line,
  words: readonly string[],
  scope: Scope,
  models: ReadonlyMap<string, Model>,
): Element {
  const own = words[0]!;
  const name = `${scope.path}${own}`;
  const common = { name, label: `${scope.label}${writtenName(line)}`, line: line.number, section: line.section };
  const node = (index: number): string => {
    const word = words[index];
    if (word === undefined) throw netlistRefusal(line.number, `${own} needs more nodes`);
    return nodeIn(scope, word);
  };
  const pair = (from: number) => [node(from), node(from + 1)] as const;
  const value = (index: number) => valueOf(words[index], line, scope.parameters);
  const named = new Map(assignments(words));
  const modelAt = (index: number, types: readonly string[]): Model => {
    const word = words[index];
    const model = models.get(word ?? '');
    if (!model)
      throw netlistRefusal(
        line.number,
        `${own} names model "${word ?? ''}", which is missing${listed([...models.keys()])}`,
      );
    if (!types.includes(model.type))
      throw netlistRefusal(line.number, `${own} needs a model ${types.join(' or ')}; "${model.name}" is ${model.type}`);
    return model;
  };
  switch (own[0]) {
    case 'r':
    case 'c':
    case 'l': {
      const kind = own[0];
      const size = value(3);
      if (!(kind === 'r' ? size !== 0 : size > 0))
        throw netlistRefusal(
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
        throw netlistRefusal(line.number, `${own} couples by ${factor}: it lies between 0 and 1`);
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
      throw netlistRefusal(line.number, `"${own}" is no element: they begin with R C L V I D Q M E G F H K X`);
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
        throw netlistRefusal(line.number, 'PWL needs pairs of time and value');
      wave = {
        kind: 'pwl',
        points: values.flatMap((time, index) => (index % 2 === 0 ? [[time, values[index + 1]!] as const] : [])),
      };
    } else if (at === 3) {
      dc = valueOf(word, line, parameters);
      continue;
    } else
      throw netlistRefusal(line.number, `"${word}" does not belong in a source; there are DC, AC, PULSE, SIN, PWL`);
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
