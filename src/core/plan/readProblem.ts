import { sumOf } from '../statistics';
import { Refusal } from '../quantity';
import { isNode, LineCounter, parseDocument } from 'yaml';
import { type PlanProblem, type PlanTest } from './problem';

/** The longest file of a decision problem that is read, in characters. */
export const longestProblem = 8 * 1024 * 1024;

type Path = readonly (string | number)[];

/** Complains about a value by its path in the file. */
class Complaint extends Error {
  constructor(
    readonly path: Path,
    message: string,
  ) {
    super(message);
  }
}

/** Probabilities written with a few digits need not add up exactly. */
const sumSlack = 1e-6;

/**
 * Reads a fault-finding decision problem: `{start, states, switch, faults, tests}`, in which
 * repairing a fault cures that fault alone.
 *
 * @param text JSON
 * @throws Refusal with the line of the first thing that is wrong
 */
export function readProblem(text: string): PlanProblem {
  if (text.length > longestProblem)
    throw new Refusal(`line 1: ${Math.ceil(text.length / 1048576)} MB long; a problem may have at most 8 MB`);
  let root: unknown;
  try {
    root = JSON.parse(text);
  } catch (error) {
    throw new Refusal(syntaxMessage(text, error as SyntaxError));
  }
  try {
    return problemFrom(root);
  } catch (error) {
    if (!(error instanceof Complaint)) throw error;
    throw new Refusal(`line ${lineOf(text, error.path)}: ${error.message}`);
  }
}

function syntaxMessage(text: string, error: SyntaxError): string {
  const position = Number(/position (\d+)/.exec(error.message)?.[1] ?? text.length);
  const line = text.slice(0, position).split('\n').length;
  return `line ${line}: not JSON (${error.message.split(/ in JSON| \(line/)[0]!})`;
}

/** The line of the value at a path, or of the nearest value around it that is there. */
function lineOf(text: string, path: Path): number {
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines, schema: 'json' });
  for (let length = path.length; length >= 0; length -= 1) {
    const node = length === 0 ? document.contents : document.getIn(path.slice(0, length), true);
    if (isNode(node) && node.range) return lines.linePos(node.range[0]).line;
  }
  return 1;
}

const join = (path: Path) => path.join('.');

function objectAt(value: unknown, path: Path): Record<string, unknown> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Complaint(path, `${join(path) || 'the file'} should be an object in {braces}`);
  return value as Record<string, unknown>;
}

function listAt(value: unknown, path: Path): unknown[] {
  if (!Array.isArray(value) || value.length === 0)
    throw new Complaint(path, `${join(path)} should be a list in [brackets] with at least one entry`);
  return value;
}

function numberAt(value: unknown, path: Path, most = Infinity): number {
  if (typeof value !== 'number' || !(value >= 0) || value > most)
    throw new Complaint(
      path,
      `${join(path)} should be a number from 0${most === Infinity ? '' : ` to ${most}`}, not ${JSON.stringify(value)}`,
    );
  return value;
}

function textAt(value: unknown, path: Path): string {
  if (typeof value !== 'string' || value === '')
    throw new Complaint(path, `${join(path)} should be a name, not ${JSON.stringify(value) ?? 'missing'}`);
  return value;
}

function problemFrom(value: unknown): PlanProblem {
  const root = objectAt(value, []);
  const states = listAt(root.states, ['states']).map((state, index) => textAt(state, ['states', index]));
  const stateAt = (name: unknown, path: Path): number => {
    const index = states.indexOf(textAt(name, path));
    if (index < 0) throw new Complaint(path, `there is no state "${String(name)}"; there are ${states.join(', ')}`);
    return index;
  };
  const table = objectAt(root.switch, ['switch']);
  const switchCost = states.map((from) => {
    const row = objectAt(table[from], ['switch', from]);
    return states.map((to) => numberAt(row[to], ['switch', from, to]));
  });

  const ids = new Set<string>();
  const faults = listAt(root.faults, ['faults']).map((item, index) => {
    const path = ['faults', index];
    const fault = objectAt(item, path);
    const id = textAt(fault.id, [...path, 'id']);
    if (ids.has(id)) throw new Complaint([...path, 'id'], `fault "${id}" is there twice`);
    ids.add(id);
    return {
      id,
      prior: numberAt(fault.prior, [...path, 'prior'], 1),
      cost: numberAt(fault.repairCost, [...path, 'repairCost']),
      state: stateAt(fault.state, [...path, 'state']),
    };
  });
  const priors = sumOf(faults, ({ prior }) => prior);
  if (Math.abs(priors - 1) > sumSlack)
    throw new Complaint(['faults'], `the priors of the faults add up to ${Number(priors.toPrecision(7))}, not to 1`);

  return {
    weights: Float64Array.from(faults, ({ prior }) => prior / priors),
    tests: (root.tests === undefined ? [] : Array.isArray(root.tests) ? root.tests : listAt(root.tests, ['tests'])).map(
      (item, index) => testFrom(item, ['tests', index], [...ids], stateAt),
    ),
    repairs: faults.map(({ id, cost, state }, index) => ({ id, cost, state, cures: [index] })),
    state: stateAt(root.start, ['start']),
    switchCost,
  };
}

function testFrom(
  item: unknown,
  path: Path,
  faults: readonly string[],
  stateAt: (name: unknown, path: Path) => number,
): PlanTest {
  const test = objectAt(item, path);
  const id = textAt(test.id, [...path, 'id']);
  const table = objectAt(test.outcomes, [...path, 'outcomes']);
  const outcomes = Object.entries(table).map(([name, value]) => {
    const row = objectAt(value, [...path, 'outcomes', name]);
    return {
      name,
      chances: Float64Array.from(faults, (fault) => numberAt(row[fault], [...path, 'outcomes', name, fault], 1)),
    };
  });
  faults.forEach((fault, index) => {
    const sum = sumOf(outcomes, ({ chances }) => chances[index]!);
    if (Math.abs(sum - 1) > sumSlack)
      throw new Complaint(
        [...path, 'outcomes', outcomes[0]?.name ?? '', fault],
        `the outcomes of test "${id}" under fault "${fault}" add up to ${Number(sum.toPrecision(7))}, not to 1`,
      );
  });
  return {
    id,
    cost: numberAt(test.cost, [...path, 'cost']),
    state: stateAt(test.state, [...path, 'state']),
    kinds: Int32Array.from(faults, (_, h) => h),
    outcomes,
  };
}
