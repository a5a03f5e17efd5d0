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

const functions: Readonly<Record<string, (...values: readonly number[]) => number>> = {
  abs: (x = 0) => Math.abs(x),
  sqrt: (x = 0) => Math.sqrt(x),
  exp: (x = 0) => Math.exp(x),
  ln: (x = 1) => Math.log(x),
  log: (x = 1) => Math.log(x),
  log10: (x = 1) => Math.log10(x),
  sin: (x = 0) => Math.sin(x),
  cos: (x = 0) => Math.cos(x),
  tan: (x = 0) => Math.tan(x),
  pow: (x = 0, y = 1) => x ** y,
  min: (...values) => Math.min(...values),
  max: (...values) => Math.max(...values),
};

/**
 * Works out an expression of numbers, parameters, `+ - * / ** ^`, parentheses and the usual functions.
 *
 * @throws Refusal naming the parameter that is missing or where it breaks off
 */
export function evaluate(text: string, parameters: ReadonlyMap<string, number>): number {
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
  const sum = (): number => {
    let value = product();
    for (;;) {
      if (take('+')) value += product();
      else if (take('-')) value -= product();
      else return value;
    }
  };
  const product = (): number => {
    let value = signed();
    for (;;) {
      skip();
      if (source.startsWith('**', at)) return value;
      if (take('*')) value *= signed();
      else if (take('/')) value /= signed();
      else return value;
    }
  };
  const signed = (): number => (take('-') ? -signed() : take('+') ? signed() : power());
  const power = (): number => {
    const base = atom();
    return take('**') || take('^') ? base ** signed() : base;
  };
  const atom = (): number => {
    if (take('(')) {
      const value = sum();
      if (!take(')')) throw new Refusal(`"${text}" lacks a closing parenthesis`);
      return value;
    }
    skip();
    const number = numberPattern.exec(source.slice(at));
    if (number) {
      at += number[0].length;
      return scaled(number);
    }
    const name = /^[a-z_]\w*/.exec(source.slice(at))?.[0];
    if (name === undefined) throw new Refusal(`"${text}" breaks off at "${text.slice(at)}"`);
    at += name.length;
    if (take('(')) {
      const values = [sum()];
      while (take(',')) values.push(sum());
      if (!take(')')) throw new Refusal(`"${text}" lacks a closing parenthesis`);
      const known = functions[name];
      if (!known) throw new Refusal(`"${name}" is no function here; there are ${Object.keys(functions).join(', ')}`);
      return known(...values);
    }
    const value = parameters.get(name);
    if (value === undefined) throw new Refusal(`"${name}" is no parameter; give it with .param ${name}=…`);
    return value;
  };
  const value = sum();
  skip();
  if (at < source.length) throw new Refusal(`"${text}" breaks off at "${text.slice(at)}"`);
  if (!Number.isFinite(value)) throw new Refusal(`"${text}" comes to no finite number`);
  return value;
}
