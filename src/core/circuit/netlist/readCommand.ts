import { type Line, netlistRefusal, type NetlistNote, nodeIn, type Scope, temperature, valueOf } from '../elements';
import { type Analysis } from './circuit';

/** Where what the directives of a netlist ask for is gathered. */
export interface Gathered {
  readonly analyses: Analysis[];
  readonly initial: Map<string, number>;
  readonly guessed: Map<string, number>;
  /** Nodes that directives name, with their lines. */
  readonly named: { readonly node: string; readonly line: number }[];
  note(note: NetlistNote): void;
}

/** Directives that ask for something this program does not print, and change nothing in what it works out. */
const passedOver = [
  ...['.print', '.plot', '.save', '.probe', '.width', '.four', '.fourier', '.meas', '.measure', '.title', '.dc'],
  ...['.noise', '.disto', '.sens', '.tf', '.pz', '.sp'],
];
/** Options that change how exactly others solve, not what is solved. */
const passedOptions = [
  ...['abstol', 'reltol', 'vntol', 'chgtol', 'trtol', 'pivtol', 'pivrel', 'gmin', 'gminsteps', 'srcsteps', 'itl1'],
  ...['itl2', 'itl3', 'itl4', 'itl5', 'itl6', 'limpts', 'lvlcod', 'lvltim', 'method', 'maxord', 'cptime', 'limtim'],
  ...['acct', 'list', 'nomod', 'nopage', 'node', 'opts', 'noacct', 'noinit', 'nopage', 'post', 'probe', 'numdgt'],
  ...['ingold', 'brief', 'rshunt', 'autostop', 'interp', 'keepopinfo', 'klu', 'sparse', 'warn', 'nobjthack'],
];

/** Reads a directive of a netlist. @throws Refusal where it is not reckoned with */
export function readCommand(line: Line, words: readonly string[], scope: Scope, into: Gathered): void {
  const value = (index: number) => valueOf(words[index], line, scope.parameters);
  const optional = (index: number) => (words[index] === undefined || words[index] === 'uic' ? undefined : value(index));
  const directive = words[0]!;
  switch (directive) {
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
    case '.ic':
    case '.nodeset': {
      const found = [...line.text.matchAll(/v\(\s*([^\s)]+)\s*\)\s*=\s*(\{[^}]*\}|\S+)/gi)];
      if (found.length === 0)
        throw netlistRefusal(line.number, `${directive} is written like "${directive} v(out)=12"`);
      for (const [, written, volts] of found) {
        const node = nodeIn(scope, written!.toLowerCase());
        into.named.push({ node, line: line.number });
        into[directive === '.ic' ? 'initial' : 'guessed'].set(
          node,
          valueOf(volts!.toLowerCase(), line, scope.parameters),
        );
      }
      return;
    }
    case '.param':
    case '.model':
    case '.global':
      return;
    case '.temp':
      if (words.length !== 2 || value(1) !== temperature)
        throw netlistRefusal(line.number, `.temp: everything is at ${temperature} °C here`);
      return;
    case '.options':
    case '.option':
    case '.opt':
      readOptions(line, words.slice(1), scope, into);
      return;
    case '.include':
    case '.inc':
    case '.lib':
      throw netlistRefusal(line.number, `${directive}: write the text of that file here in its place`);
    default:
      if (!passedOver.includes(directive))
        throw netlistRefusal(
          line.number,
          `"${directive}" is not known here; there are .op, .tran, .ac, .ic, .nodeset, .param, .model, .subckt, .global`,
        );
      into.note({ line: line.number, text: `${directive} is passed over`, moving: false });
  }
}

function readOptions(line: Line, words: readonly string[], scope: Scope, into: Gathered): void {
  const passed: string[] = [];
  for (const word of words) {
    const [name = '', written] = word.split('=');
    if (name === 'temp' || name === 'tnom') {
      if (written === undefined || valueOf(written, line, scope.parameters) !== temperature)
        throw netlistRefusal(line.number, `.options ${word}: everything is at ${temperature} °C here`);
    } else if (passedOptions.includes(name)) passed.push(name);
    else if (passed.length === 0 || !/^[-.\d]/.test(name))
      throw netlistRefusal(line.number, `.options ${name} is not reckoned with here; take it out`);
  }
  if (passed.length > 0)
    into.note({ line: line.number, text: `.options ${passed.join(', ')}: this program has its own`, moving: false });
}
