import { Refusal } from '../../quantity';
/** Powers of ten behind a number; what follows them is a unit and is passed over. */
const suffixes: readonly (readonly [string, number])[] = [
  ['meg', 1e6],
  ['mil', 25.4e-6],
  ['t', 1e12],
  ['g', 1e9],
  ['k', 1e3],
  ['m', 1e-3],
  ['u', 1e-6],
  ['µ', 1e-6],
  ['n', 1e-9],
  ['p', 1e-12],
  ['f', 1e-15],
];

const numberPattern = /^(\d+\.?\d*|\.\d+)(e[-+]?\d+)?([a-zµ]*)/;

/** Reads a plain number with its power of ten, like `4.7k`, `10uF` or `-1e-14`; undefined for anything else. */
export function readNumber(text: string): number | undefined {
  const lower = text.toLowerCase();
  const sign = lower.startsWith('-') ? -1 : 1;
  const rest = lower.replace(/^[-+]/, '');
  const found = numberPattern.exec(rest);
  if (found?.[0] !== rest) return undefined;
  return sign * scaled(found);
}

function scaled(found: RegExpExecArray): number {
  const [, digits = '', exponent = '', letters = ''] = found;
  const [, factor] = suffixes.find(([suffix]) => letters.startsWith(suffix)) ?? ['', 1];
  return Number(digits + exponent) * factor;
}

/** A function of numbers with its slope by each of them. */
interface Rule {
  readonly value: (...x: readonly number[]) => number;
  readonly slopes: (...x: readonly number[]) => readonly number[];
  /** How many numbers it takes; any number where absent. */
  readonly takes?: number;
}

const one = (value: (x: number) => number, slope: (x: number) => number): Rule => ({
  value: (x = 0) => value(x),
  slopes: (x = 0) => [slope(x)],
  takes: 1,
});
const two = (
  value: (x: number, y: number) => number,
  slopes: (x: number, y: number) => readonly [number, number],
): Rule => ({ value: (x = 0, y = 0) => value(x, y), slopes: (x = 0, y = 0) => slopes(x, y), takes: 2 });
const truth = (test: (x: number, y: number) => boolean): Rule =>
  two(
    (x, y) => Number(test(x, y)),
    () => [0, 0],
  );
const log10 = one(Math.log10, (x) => 1 / (x * Math.LN10));
const natural = one(Math.log, (x) => 1 / x);
const power = two(
  (x, y) => x ** y,
  (x, y) => [y === 0 ? 0 : y * x ** (y - 1), x > 0 ? x ** y * Math.log(x) : 0],
);
const extreme = (pick: (...x: readonly number[]) => number): Rule => ({
  value: pick,
  slopes: (...x) => {
    const at = x.indexOf(pick(...x));
    return x.map((_, index) => Number(index === at));
  },
});

const rules: Readonly<Record<string, Rule>> = {
  '+': two(
    (x, y) => x + y,
    () => [1, 1],
  ),
  '-': two(
    (x, y) => x - y,
    () => [1, -1],
  ),
  '*': two(
    (x, y) => x * y,
    (x, y) => [y, x],
  ),
  '/': two(
    (x, y) => x / y,
    (x, y) => [1 / y, -x / (y * y)],
  ),
  '^': power,
  '<': truth((x, y) => x < y),
  '>': truth((x, y) => x > y),
  '<=': truth((x, y) => x <= y),
  '>=': truth((x, y) => x >= y),
  '==': truth((x, y) => x === y),
  abs: one(Math.abs, Math.sign),
  sgn: one(Math.sign, () => 0),
  sqrt: one(Math.sqrt, (x) => 0.5 / Math.sqrt(x)),
  exp: one(Math.exp, Math.exp),
  ln: natural,
  log: natural,
  log10,
  sin: one(Math.sin, Math.cos),
  cos: one(Math.cos, (x) => -Math.sin(x)),
  tan: one(Math.tan, (x) => 1 / Math.cos(x) ** 2),
  atan: one(Math.atan, (x) => 1 / (1 + x * x)),
  sinh: one(Math.sinh, Math.cosh),
  cosh: one(Math.cosh, Math.sinh),
  tanh: one(Math.tanh, (x) => 1 - Math.tanh(x) ** 2),
  pow: power,
  min: extreme(Math.min),
  max: extreme(Math.max),
  u: one(
    (x) => Number(x > 0),
    () => 0,
  ),
  uramp: one(
    (x) => Math.max(0, x),
    (x) => Number(x > 0),
  ),
  if: {
    value: (test = 0, then = 0, other = 0) => (test ? then : other),
    slopes: (test = 0) => [0, Number(test !== 0), Number(test === 0)],
    takes: 3,
  },
};
const named = Object.keys(rules).filter((name) => /^[a-z]/.test(name));

/** An expression as it was read. */
export type Expression =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'parameter'; readonly name: string }
  /** Volts between two nodes, or the amperes through an element. */
  | { readonly kind: 'probe'; readonly probe: Probe }
  | { readonly kind: 'call'; readonly rule: string; readonly values: readonly Expression[] };

export type Probe =
  | { readonly kind: 'volts'; readonly plus: string; readonly minus: string }
  | { readonly kind: 'amperes'; readonly through: string };

const call = (rule: string, ...values: readonly Expression[]): Expression => ({ kind: 'call', rule, values });

/**
 * Reads an expression of numbers, parameters, `+ - * / ** ^`, comparisons, `a ? b : c`, parentheses and
 * the usual functions; `v(node)`, `v(node,node)` and `i(source)` where `probes` are let.
 *
 * @throws Refusal where it breaks off
 */
export function readExpression(text: string, probes = false): Expression {
  const source = text.toLowerCase();
  let at = 0;
  const skip = () => {
    while (/\s/.test(source[at] ?? '')) at += 1;
  };
  const take = (token: string): boolean => {
    skip();
    if (!source.startsWith(token, at)) return false;
    at += token.length;
    return true;
  };
  const lacks = () => new Refusal(`"${text}" lacks a closing parenthesis`);
  const choice = (): Expression => {
    const test = compared();
    if (!take('?')) return test;
    const then = choice();
    if (!take(':')) throw new Refusal(`"${text}" lacks the ":" of its "?"`);
    return call('if', test, then, choice());
  };
  const compared = (): Expression => {
    const left = sum();
    const rule = ['<=', '>=', '==', '<', '>'].find(take);
    return rule === undefined ? left : call(rule, left, sum());
  };
  const sum = (): Expression => {
    let value = product();
    for (;;) {
      if (take('+')) value = call('+', value, product());
      else if (take('-')) value = call('-', value, product());
      else return value;
    }
  };
  const product = (): Expression => {
    let value = signed();
    for (;;) {
      skip();
      if (source.startsWith('**', at)) return value;
      if (take('*')) value = call('*', value, signed());
      else if (take('/')) value = call('/', value, signed());
      else return value;
    }
  };
  const signed = (): Expression =>
    take('-') ? call('-', { kind: 'number', value: 0 }, signed()) : take('+') ? signed() : raised();
  const raised = (): Expression => {
    const base = atom();
    return take('**') || take('^') ? call('^', base, signed()) : base;
  };
  const probe = (name: string): Expression => {
    const end = source.indexOf(')', at);
    if (end < 0) throw lacks();
    const [first = '', second = '0', ...more] = source
      .slice(at, end)
      .split(',')
      .map((node) => node.trim());
    if (first === '' || more.length > 0)
      throw new Refusal(`"${name}(${source.slice(at, end)})" is written like v(out), v(a,b) or i(v1)`);
    at = end + 1;
    return {
      kind: 'probe',
      probe: name === 'v' ? { kind: 'volts', plus: first, minus: second } : { kind: 'amperes', through: first },
    };
  };
  const atom = (): Expression => {
    if (take('(')) {
      const value = choice();
      if (!take(')')) throw lacks();
      return value;
    }
    skip();
    const number = numberPattern.exec(source.slice(at));
    if (number) {
      at += number[0].length;
      return { kind: 'number', value: scaled(number) };
    }
    const name = /^[a-z_]\w*/.exec(source.slice(at))?.[0];
    if (name === undefined) throw new Refusal(`"${text}" breaks off at "${text.slice(at)}"`);
    at += name.length;
    if (!take('(')) return { kind: 'parameter', name };
    if (probes && (name === 'v' || name === 'i')) return probe(name);
    const values = [choice()];
    while (take(',')) values.push(choice());
    if (!take(')')) throw lacks();
    const rule = named.includes(name) ? rules[name] : undefined;
    if (!rule) throw new Refusal(`"${name}" is no function here; there are ${named.join(', ')}`);
    if (rule.takes !== undefined && rule.takes !== values.length)
      throw new Refusal(`"${name}" takes ${rule.takes} ${rule.takes === 1 ? 'value' : 'values'}, not ${values.length}`);
    return call(name, ...values);
  };
  const value = choice();
  skip();
  if (at < source.length) throw new Refusal(`"${text}" breaks off at "${text.slice(at)}"`);
  return value;
}

/** An expression with the values of its parameters in their places. @throws Refusal naming one that is missing */
export function withParameters(expression: Expression, parameters: ReadonlyMap<string, number>): Expression {
  if (expression.kind === 'call')
    return { ...expression, values: expression.values.map((one) => withParameters(one, parameters)) };
  if (expression.kind !== 'parameter') return expression;
  const value = expression.name === 'pi' ? Math.PI : parameters.get(expression.name);
  if (value === undefined)
    throw new Refusal(`"${expression.name}" is no parameter; give it with .param ${expression.name}=…`);
  return { kind: 'number', value };
}

/** The probes of an expression, each once, in the order in which it names them. */
export function probesOf(expression: Expression): Probe[] {
  const found = new Map<string, Probe>();
  const walk = (one: Expression) => {
    if (one.kind === 'probe') found.set(probeText(one.probe), one.probe);
    if (one.kind === 'call') one.values.forEach(walk);
  };
  walk(expression);
  return [...found.values()];
}

/** An expression with other probes in the places of its own. */
export const withProbes = (expression: Expression, other: (probe: Probe) => Probe): Expression =>
  expression.kind === 'call'
    ? { ...expression, values: expression.values.map((one) => withProbes(one, other)) }
    : expression.kind === 'probe'
      ? { kind: 'probe', probe: other(expression.probe) }
      : expression;

const probeText = (probe: Probe): string =>
  probe.kind === 'amperes' ? `i(${probe.through})` : `v(${probe.plus},${probe.minus})`;

/** An expression as `readExpression` reads it. */
export function expressionText(expression: Expression): string {
  switch (expression.kind) {
    case 'number':
      return String(expression.value);
    case 'parameter':
      return expression.name;
    case 'probe':
      return probeText(expression.probe);
    case 'call': {
      const values = expression.values.map(expressionText);
      return /^[a-z]/.test(expression.rule)
        ? `${expression.rule}(${values.join(',')})`
        : `(${values.join(expression.rule)})`;
    }
  }
}

/** What an expression comes to, with its slope by each of its probes, in the order of `probesOf`. */
export interface Slope {
  readonly value: number;
  readonly slopes: readonly number[];
}

/** An expression of probes, made ready to be worked out often. @param probes as `probesOf` gives them */
export function compiled(expression: Expression, probes: readonly Probe[]): (x: readonly number[]) => Slope {
  const none = probes.map(() => 0);
  if (expression.kind === 'number') return () => ({ value: expression.value, slopes: none });
  if (expression.kind === 'probe') {
    const at = probes.findIndex((probe) => probeText(probe) === probeText(expression.probe));
    const slopes = probes.map((_, index) => Number(index === at));
    return (x) => ({ value: x[at]!, slopes });
  }
  if (expression.kind === 'parameter') throw new Error(`the parameter ${expression.name} has no value yet`);
  const rule = rules[expression.rule]!;
  const values = expression.values.map((one) => compiled(one, probes));
  return (x) => {
    const inner = values.map((one) => one(x));
    const own = rule.slopes(...inner.map(({ value }) => value));
    return {
      value: rule.value(...inner.map(({ value }) => value)),
      slopes: none.map((_, at) =>
        inner.reduce((total, { slopes }, index) => (slopes[at] === 0 ? total : total + own[index]! * slopes[at]!), 0),
      ),
    };
  };
}

/**
 * Works out an expression of numbers and parameters.
 *
 * @throws Refusal naming the parameter that is missing or where it breaks off
 */
export function evaluate(text: string, parameters: ReadonlyMap<string, number>): number {
  const { value } = compiled(withParameters(readExpression(text), parameters), [])([]);
  if (!Number.isFinite(value)) throw new Refusal(`"${text}" comes to no finite number`);
  return value;
}
