import { type Check, type Intervention, nothingSeen } from '../behaviour';
import { parseQuantity, QuantityError, unitNames } from '../quantity';
import { type Measure, type Sheet, signStates } from '../sheet';
import { type Symptom, symptoms, symptomTitles } from '../picture';
import { type Answer } from './answer';

/** What one typed line means. */
export type Entry =
  | { readonly kind: 'reading'; readonly check: Check; readonly answer: Answer }
  | { readonly kind: 'power'; readonly power: 'live' | 'unplugged' | 'proven' }
  | { readonly kind: 'connector'; readonly connector: string; readonly pulled: boolean }
  | {
      readonly kind: 'intervention';
      readonly change: Exclude<Intervention, 'unplugged'>;
      readonly target: string;
      readonly on: boolean;
    }
  | { readonly kind: 'warmth'; readonly warm: boolean }
  | { readonly kind: 'lamp'; readonly fitted: boolean };

/** A line that cannot be taken; the message says what would be right. */
export class EntryError extends Error {
  override readonly name = 'EntryError';
}

/** What an entry is read against. */
export interface EntryScope {
  readonly sheet: Sheet;
  readonly checks: ReadonlyMap<string, Check>;
  /** The check a bare value belongs to. */
  readonly focus?: Check | undefined;
}

const methodWords: Readonly<Record<string, readonly Measure[]>> = {
  dc: ['dc'],
  ac: ['ac'],
  ripple: ['ripple'],
  hz: ['hertz'],
  ohms: ['ohms'],
  diode: ['diode'],
  esr: ['esr'],
  rings: ['rings'],
  look: ['look'],
  press: ['press'],
  try: ['swap'],
};

const yesNo: Readonly<Record<string, string>> = {
  y: 'yes',
  n: 'no',
  none: 'no',
  steady: 'yes',
  gone: 'brief',
  faint: 'weak',
};

/**
 * Reads one line of the entry language: `vscan -121.4`, `C547 esr 2.9`, `vs 190 brief`,
 * `blinks 7`, `buzz weak`, `look scan C547`, `unplug CN802`, or a bare value for the focus.
 *
 * @throws EntryError when the line names no known point, or its value does not fit the point
 */
export function readEntry(line: string, scope: EntryScope): Entry {
  const words = line.trim().split(/\s+/).filter(Boolean);
  if (words.length === 0) throw new EntryError('type a reading, like "vs 187" or just the value of the probe named');
  const command = readCommand(words, scope);
  if (command) return command;
  const named = findNamed(words, scope);
  if (named) return reading(named.check, named.rest, scope);
  if (scope.focus && fitsFocus(words, scope.focus)) return reading(scope.focus, words, scope);
  throw new EntryError(unknownName(words, scope));
}

function readCommand(words: readonly string[], { sheet }: EntryScope): Entry | undefined {
  const [first = '', second = ''] = words.map((word) => word.toLowerCase());
  if (words.length === 1) {
    if (first === 'live' || first === 'unplugged' || first === 'proven') return { kind: 'power', power: first };
    if (first === 'warm' || first === 'cold') return { kind: 'warmth', warm: first === 'warm' };
  }
  if (first === 'lamp' && (second === 'in' || second === 'out')) return { kind: 'lamp', fitted: second === 'in' };
  if ((first === 'unplug' || first === 'plug') && words.length === 2) {
    const connector = [...sheet.connectors.keys()].find((id) => id.toLowerCase() === second);
    if (connector === undefined) {
      throw new EntryError(
        `${sheet.title} has no connector "${words[1]}"; it has ${[...sheet.connectors.keys()].join(', ')}`,
      );
    }
    return { kind: 'connector', connector, pulled: first === 'unplug' };
  }
  const verb = interventionVerbs.find(({ words: pair }) => pair.some((word) => word === first));
  if (verb && words.length === 2) {
    const known = verb.change === 'donors' ? sheet.boards : sheet.parts;
    const target = [...known.keys()].find((id) => id.toLowerCase() === second);
    if (target === undefined) {
      throw new EntryError(
        verb.change === 'donors'
          ? `${sheet.title} has no board "${words[1]}"; it has ${[...known.keys()].join(', ')}`
          : `${sheet.title} has no part "${words[1]}"`,
      );
    }
    return { kind: 'intervention', change: verb.change, target, on: first === verb.words[0] };
  }
  return undefined;
}

/** The words that make a change for a try, and those that undo it. */
const interventionVerbs = [
  { change: 'lifted', words: ['lift', 'refit'] },
  { change: 'bridged', words: ['bridge', 'unbridge'] },
  { change: 'donors', words: ['donor', 'own'] },
] as const;

/** Names a check answers to, best first. */
function rank(check: Check, name: string): number {
  if (check.id.toLowerCase() === name) return 3;
  if (check.aliases.some((alias) => alias.toLowerCase() === name)) return 2;
  const point = check.point;
  if (!point) return 0;
  if (point.net?.toLowerCase() === name) return 1;
  return point.parts.length === 1 && point.parts[0]!.toLowerCase() === name ? 1 : 0;
}

/** The check the first words of a line name, and the words after it; undefined where they name none. */
export function findNamed(words: readonly string[], scope: EntryScope): { check: Check; rest: string[] } | undefined {
  const [first = '', second = ''] = words.map((word) => word.toLowerCase());
  const leading = methodWords[first];
  const [name, method, used] =
    leading && second !== ''
      ? [second, leading, 2]
      : methodWords[second]
        ? [first, methodWords[second], 2]
        : [first, undefined, 1];
  const ranked = [...scope.checks.values()]
    .map((check) => ({ check, score: rank(check, name) }))
    .filter(({ check, score }) => score > 0 && (!method || method.includes(check.measure)));
  if (ranked.length === 0) return undefined;
  const rest = words.slice(used);
  const best = Math.max(...ranked.map(({ score }) => score));
  const candidates = narrow(
    method ? ranked.map(({ check }) => check) : ranked.filter(({ score }) => score === best).map(({ check }) => check),
    ranked.map(({ check }) => check),
    rest,
  );
  const chosen = candidates.find((check) => check === scope.focus) ?? candidates[0]!;
  if (candidates.length > 1 && chosen !== scope.focus) {
    throw new EntryError(
      `"${words[0]}" could be ${candidates.map((check) => `${check.title} ("${check.aliases[0] ?? check.id}")`).join(' or ')}: say which`,
    );
  }
  return { check: chosen, rest };
}

/** Prefers, among checks of one name, those that read in the unit that was written. */
function narrow(best: readonly Check[], all: readonly Check[], rest: readonly string[]): readonly Check[] {
  let unit: string | undefined;
  try {
    unit = parseQuantity(rest.filter((word) => word.toLowerCase() !== 'brief').join(' ')).unit;
  } catch {
    return best;
  }
  if (unit === undefined) return best;
  const fitting = best.filter((check) => check.unit === unit);
  if (fitting.length > 0) return fitting;
  const others = all.filter((check) => check.unit === unit);
  return others.length > 0 ? others : best;
}

function fitsFocus(words: readonly string[], focus: Check): boolean {
  if (focus.unit !== '' || focus.measure === 'rings' || focus.measure === 'blinks')
    return /^[-+.,\d]|^o\.?l$|^open$/i.test(words[0]!);
  return true;
}

function reading(check: Check, words: readonly string[], scope: EntryScope): Entry {
  return { kind: 'reading', check, answer: readAnswer(check, words, scope.sheet) };
}

function readAnswer(check: Check, words: readonly string[], sheet: Sheet): Answer {
  const name = check.aliases[0] ?? check.id;
  if (words.length === 0)
    throw new EntryError(`${check.title} needs a value after it, like "${name} ${exampleFor(check)}"`);
  const word = words[0]!.toLowerCase();
  switch (check.measure) {
    case 'sign': {
      const state = signStates.find((one) => one === (yesNo[word] ?? word));
      if (!state)
        throw new EntryError(`${check.title} is answered with yes, weak, brief or no, not "${words.join(' ')}"`);
      return { kind: 'choice', choice: state };
    }
    case 'blinks': {
      const count = Number(words[0]);
      if (!Number.isInteger(count) || count < 0 || count > 60)
        throw new EntryError(`count the blinks in whole numbers, like "blinks 4", not "${words.join(' ')}"`);
      return { kind: 'choice', choice: String(count) };
    }
    case 'picture':
      return { kind: 'picture', symptoms: words.map((one) => readSymptom(one)) };
    case 'look':
      return { kind: 'choice', choice: readPlace(check, words[0]!, sheet) };
    case 'press':
      return {
        kind: 'choice',
        choice: oneOf(check, word, { answers: 'answers', yes: 'answers', nothing: 'nothing', no: 'nothing' }),
      };
    case 'swap':
      return { kind: 'choice', choice: oneOf(check, word, { cured: 'cured', yes: 'cured', same: 'same', no: 'same' }) };
    default:
      return readNumber(check, words, name);
  }
}

function readNumber(check: Check, words: readonly string[], name: string): Answer {
  const last = words[words.length - 1]!.toLowerCase();
  const brief = last === 'brief';
  const text = (brief ? words.slice(0, -1) : words).join(' ');
  try {
    const { value, unit } = parseQuantity(text);
    if (unit !== undefined && unit !== check.unit) {
      const wanted = check.unit === '' ? 'a bare number' : unitNames[check.unit];
      throw new EntryError(
        `${check.title} is read in ${wanted}, not ${unitNames[unit]}: like "${name} ${exampleFor(check)}"`,
      );
    }
    if (check.unit === 'Ω' && value < 0)
      throw new EntryError(`${check.title} cannot be below 0 Ω; if the meter shows a minus, voltage is still on it`);
    return { kind: 'number', value, shape: brief ? 'brief' : 'settled' };
  } catch (error) {
    if (error instanceof QuantityError) throw new EntryError(error.message);
    throw error;
  }
}

function oneOf(check: Check, word: string, allowed: Readonly<Record<string, string>>): string {
  const found = allowed[word];
  if (found === undefined)
    throw new EntryError(
      `${check.title} is answered with ${[...new Set(Object.values(allowed))].join(' or ')}, not "${word}"`,
    );
  return found;
}

function readSymptom(word: string): Symptom {
  const plain = word.toLowerCase().replaceAll('-', '_');
  const found = symptoms.find(
    (symptom) => symptom === plain || symptomTitles[symptom].toLowerCase().replaceAll(' ', '_') === plain,
  );
  if (!found) throw new EntryError(`"${word}" is no picture; say normal, dark, upper_dark, flood_green and so on`);
  return found;
}

function readPlace(check: Check, word: string, sheet: Sheet): string {
  const plain = word.toLowerCase();
  if (['fine', 'ok', 'nothing', 'none', 'no'].includes(plain)) return nothingSeen;
  const part = check.point!.parts.find((id) => id.toLowerCase() === plain);
  if (part !== undefined) return part;
  const elsewhere = [...sheet.parts.keys()].some((id) => id.toLowerCase() === plain);
  throw new EntryError(
    `${check.title} ${elsewhere ? `does not take in ${word}` : `knows no "${word}"`}: answer ${nothingSeen} or one of ${check.point!.parts.join(', ')}`,
  );
}

/** A value that would be a right answer, for messages. */
export function exampleFor(check: Check): string {
  switch (check.measure) {
    case 'sign':
      return 'yes';
    case 'look':
      return nothingSeen;
    case 'press':
      return 'answers';
    case 'swap':
      return 'same';
    case 'picture':
      return 'normal';
    case 'blinks':
    case 'rings':
      return '4';
    case 'ohms':
      return '4k7';
    case 'esr':
      return '0.3';
    case 'diode':
      return '0.52';
    case 'hertz':
      return '15.6k';
    default:
      return '12.1';
  }
}

/** Says that there is no such point, and what is near it. */
export function unknownName(words: readonly string[], { checks, sheet }: EntryScope): string {
  const name = words[0]!.toLowerCase();
  const near = [...checks.values()]
    .map((check) => check.aliases[0] ?? check.id)
    .filter((alias) => alias.toLowerCase().startsWith(name.slice(0, 2)))
    .slice(0, 4);
  const hint = near.length > 0 ? `; near it: ${near.join(', ')}` : '';
  return `${sheet.title} has no point "${words[0]}"${hint}`;
}
