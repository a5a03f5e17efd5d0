import { stampBranch } from './branch';
import { type Card } from './card';
import { type Common, type Device, type ElementKind, type Equations, type Pair } from './element';
import {
  compiled,
  type Expression,
  expressionText,
  type Probe,
  probesOf,
  readExpression,
  withParameters,
  withProbes,
} from './expression';
import { nodeIn } from './netlistText';
import { placed } from '../../quantity';

/** A source that gives what an expression of voltages and currents comes to. */
export type Behavioural = Common & {
  readonly kind: 'b';
  readonly nodes: Pair;
  readonly gives: 'volts' | 'amperes';
  readonly law: Expression;
};

/** Is the line of an E, G, F or H one whose gain is an expression or a polynomial? */
export const isBehavioural = (text: string): boolean =>
  /^[eg]\S*\s+\S+\s+\S+\s+(?:value|vol|cur)\s*=?/i.test(text) || /^[efgh]\S*\s+\S+\s+\S+\s+poly\b/i.test(text);

export const behavioural: ElementKind<Behavioural> = {
  read(card) {
    const nodes = card.pair();
    const gives = /^[ehb]/.test(card.own) ? ('volts' as const) : ('amperes' as const);
    if (card.take('poly')) return { kind: 'b', nodes, gives, law: readPolynomial(card) };
    const found = /\b(value|vol|cur|v|i)\s*=?\s*([={'].*)$/i.exec(behindNodes(card));
    const bare = /\b(v|i)\s*=\s*(.*)$/i.exec(behindNodes(card));
    const [, what, written] = found ?? bare ?? [];
    if (what === undefined || written === undefined)
      throw card.refuse(`${card.own} is written like "${card.own} out 0 V=2*v(in)"`);
    const expression = written
      .trim()
      .replace(/^=\s*/, '')
      .replace(/^\{(.*)\}$|^'(.*)'$/, '$1$2');
    const law = placed(
      `line ${card.line.number}`,
      () => withParameters(readExpression(expression, true), card.scope.parameters),
      { line: card.line.number },
    );
    card.skip();
    return {
      kind: 'b',
      nodes,
      gives: card.own.startsWith('b') ? (what.toLowerCase() === 'i' ? 'amperes' : 'volts') : gives,
      law: withProbes(law, (probe) => within(card, probe)),
    };
  },
  write: ({ nodes, gives, law }, named) =>
    `${nodes.join(' ')} ${gives === 'volts' ? 'V' : 'I'}={${expressionText(
      withProbes(law, (probe) =>
        probe.kind === 'volts' ? probe : { kind: 'amperes', through: named('v', probe.through) },
      ),
    )}}`,
  hasCurrent: ({ gives }) => gives === 'volts',
  holds: ({ nodes, gives }) => (gives === 'volts' ? [nodes] : []),
  stamp({ name, nodes, gives }, equations, places) {
    if (gives === 'volts') stampBranch(name, nodes, equations, places);
  },
  devices({ name, nodes, gives, law }, _, places) {
    const probes = probesOf(law);
    const at = probes.flatMap((probe) =>
      probe.kind === 'volts'
        ? [places.node(probe.plus), places.node(probe.minus)]
        : [places.current(probe.through), places.node('0')],
    );
    const out = gives === 'volts' ? [places.current(name)] : nodes.map((node) => places.node(node));
    const device = new Law([...out, ...at], out.length, compiled(law, probes));
    return [{ device, legs: device.home.map(() => undefined) }];
  },
};

/** The text of a line behind its name and its two nodes. */
const behindNodes = (card: Card): string => card.line.text.replace(/^\S+\s+\S+\s+\S+\s*/, ' ');

const within = ({ scope }: Card, probe: Probe): Probe =>
  probe.kind === 'volts'
    ? { kind: 'volts', plus: nodeIn(scope, probe.plus), minus: nodeIn(scope, probe.minus) }
    : { kind: 'amperes', through: `${scope.path}${probe.through}` };

const most = { dimensions: 8, coefficients: 500 };

/** POLY(n), its controls, then the coefficients: of 1, of each control, of each product of two, and so on. */
function readPolynomial(card: Card): Expression {
  const dimensions = card.value();
  if (!(Number.isInteger(dimensions) && dimensions >= 1 && dimensions <= most.dimensions))
    throw card.refuse(`POLY(${dimensions}): it has 1 to ${most.dimensions} controls`);
  const byVolts = /^[eg]/.test(card.own);
  const controls = Array.from({ length: dimensions }, (): Probe => {
    if (!byVolts) return { kind: 'amperes', through: card.element() };
    const [plus, minus] = card.pair();
    return { kind: 'volts', plus, minus };
  });
  const given = card.numbers();
  if (given.length === 0) throw card.refuse(`${card.own} has no coefficients behind its POLY(${dimensions})`);
  if (given.length > most.coefficients)
    throw card.refuse(`${card.own} has more than ${most.coefficients} coefficients`);
  const share = card.own.startsWith('g') || card.own.startsWith('f') ? card.multiplier() : 1;
  // A single coefficient of a single control is its gain.
  const coefficients = (dimensions === 1 && given.length === 1 ? [0, ...given] : given).map((one) => one * share);
  const terms = productsOf(dimensions);
  return coefficients.reduce<Expression>(
    (total, value) => {
      const product = (terms.next().value ?? []).reduce<Expression>(
        (one, control) => ({ kind: 'call', rule: '*', values: [one, { kind: 'probe', probe: controls[control]! }] }),
        { kind: 'number', value },
      );
      return value === 0 ? total : { kind: 'call', rule: '+', values: [total, product] };
    },
    { kind: 'number', value: 0 },
  );
}

/** Products of controls in the order of the coefficients: none, each, each with each from itself on, ... */
function* productsOf(dimensions: number): Generator<readonly number[], undefined> {
  let products: readonly (readonly number[])[] = [[]];
  for (;;) {
    yield* products;
    products = products.flatMap((product) =>
      Array.from({ length: dimensions - (product.at(-1) ?? 0) }, (_, more) => [
        ...product,
        (product.at(-1) ?? 0) + more,
      ]),
    );
  }
}

/** What an expression gives, as a voltage in its branch's equation or as a current between two nodes. */
class Law implements Device {
  constructor(
    readonly home: readonly number[],
    private readonly out: number,
    private readonly law: ReturnType<typeof compiled>,
  ) {}

  hold(): void {
    // An expression is followed as it stands.
  }

  near(): boolean {
    return false;
  }

  stamp(at: Int32Array, first: number, equations: Equations, x: Float64Array): boolean {
    const from = first + this.out;
    const inputs = Array.from(
      { length: (this.home.length - this.out) / 2 },
      (_, index) => x[at[from + 2 * index]!]! - x[at[from + 2 * index + 1]!]!,
    );
    const { value, slopes } = this.law(inputs);
    const rest = slopes.reduce((total, slope, index) => total - slope * inputs[index]!, value);
    // In a branch the value is what its voltage comes to; between nodes it flows from plus to minus.
    const rows =
      this.out === 1 ? [[at[first]!, -1] as const] : [[at[first]!, 1] as const, [at[first + 1]!, -1] as const];
    for (const [row, sign] of rows) {
      slopes.forEach((slope, index) => {
        equations.add(row, at[from + 2 * index]!, sign * slope);
        equations.add(row, at[from + 2 * index + 1]!, -sign * slope);
      });
      equations.right[row]! -= sign * rest;
    }
    return false;
  }

  among(place: (unknown: number) => number): Law {
    return new Law(this.home.map(place), this.out, this.law);
  }
}
