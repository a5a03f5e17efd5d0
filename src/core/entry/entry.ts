import { type Check, choicesFor, type Context, isMetered } from '../behaviour';
import { type LogBody, typedChange } from '../log';
import { type Answer, measures, readAnswer } from '../measure';
import { attempt, Refusal } from '../quantity';
import { type EntryScope, findNamed, nameOf, unknownPoint } from './named';

/** What one typed line means: a reading, or a change of the set. */
export type Entry =
  | { readonly kind: 'reading'; readonly check: Check; readonly answer: Answer; readonly more: readonly Answer[] }
  | { readonly kind: 'change'; readonly body: LogBody };

/**
 * Reads one line of the entry language: `vscan -121.4`, `C547 esr 2.9`, `vs 190 brief`,
 * `blinks 7`, `buzz weak`, `look scan C547 C551`, `unplug CN802`, or a bare value for the focus.
 *
 * @param context of the bench, which decides what may be changed now; without one anything may
 * @throws Refusal when the line names no known point, or its value does not fit the point
 */
export function readEntry(line: string, scope: EntryScope, context?: Context): Entry {
  const words = line.trim().split(/\s+/).filter(Boolean);
  if (words.length === 0) throw new Refusal('type a reading, like "vs 187" or just the value of the probe named');
  if (/^(?:no change|unchanged|as before)$/i.test(words.join(' '))) return unchanged(scope);
  const mains = mainsReading(words, scope.focus);
  const body = typedChange(mains ?? words, { sheet: scope.sheet, context });
  if (body) return { kind: 'change', body };
  // What is offered for the focus is its answer, whatever else is called that.
  if (scope.focus && isOffered(words, scope.focus)) return reading(scope.focus, words, scope);
  const named = findNamed(words, scope);
  if (named) return reading(named.check, named.rest, scope);
  if (!scope.focus || !fitsFocus(words, scope.focus)) throw unknownPoint(words, scope);
  const answer = attempt(() => reading(scope.focus!, words, scope));
  if (!(answer instanceof Refusal)) return answer;
  // Several words may have been meant for a point as well.
  throw words.length === 1 ? answer : new Refusal(`${answer.message}. ${unknownPoint(words, scope).message}`);
}

/** A bare voltage where the mains is asked for says what mains there is; it is no share of what the sheet takes it for. */
function mainsReading(words: readonly string[], focus: Check | undefined): readonly string[] | undefined {
  const asked = focus?.point?.net === 'mains' && focus.measure === 'ac';
  const volts = Number(words[0]);
  return asked && words.length === 1 && volts >= 85 && volts <= 265 ? ['mains', words[0]!] : undefined;
}

/** After a repair: what was last read before it, the picture first, stands as it did. */
function unchanged({ bench, checks, sheet }: EntryScope): Entry {
  const repairs = bench?.repairs.length ?? 0;
  if (repairs === 0) throw new Refusal('"no change" is said after a repair: nothing was repaired yet');
  const before = (bench?.readings ?? []).filter(
    ({ afterRepairs, check }) => afterRepairs < repairs && checks.get(check)?.state === 'live',
  );
  const last = before.findLast(({ answer }) => answer.kind === 'picture') ?? before.at(-1);
  if (!last)
    throw new Refusal(
      `nothing was read on ${sheet.title} live before the repair: say what is seen, like "picture dark"`,
    );
  return { kind: 'reading', check: checks.get(last.check)!, answer: last.answer, more: [] };
}

/** Are the words choices that a check offers, one or several? */
function isOffered(words: readonly string[], check: Check): boolean {
  const offered = new Set(choicesFor(check).map((choice) => choice.toLowerCase()));
  return words.every((word) => offered.has(word.replace(/,$/, '').toLowerCase()));
}

/** May the words be the answer to what is asked, and no name that is not known? */
function fitsFocus(words: readonly string[], focus: Check): boolean {
  const isValue = (word: string) => /^[-+.,\d]|^o\.?l$|^open$/i.test(word);
  if (isMetered(focus) || focus.measure === 'blinks') return isValue(words[0]!);
  // A name with a value after it is a reading of its own, and never an answer in words.
  return !(words.length > 1 && isValue(words[words.length - 1]!));
}

const wordOf = (answer: Answer): string => (answer.kind === 'choice' ? answer.choice : '');

function reading(check: Check, words: readonly string[], { sheet }: EntryScope): Entry {
  const asked = {
    title: check.title,
    name: nameOf(check),
    parts: check.point?.parts ?? [],
    isPart: (word: string) => [...sheet.parts.keys()].some((id) => id.toLowerCase() === word),
  };
  const way = measures[check.measure];
  if (way.kind === 'number' || !way.partByPart || words.length < 2)
    return { kind: 'reading', check, answer: readAnswer(check.measure, words, asked), more: [] };
  const answers = words.map((word) => readAnswer(check.measure, [word.replace(/,$/, '')], asked));
  const notPart = words.find((_, at) => !asked.parts.includes(wordOf(answers[at]!)));
  if (notPart !== undefined)
    throw new Refusal(`"${notPart}" is no part: name the parts that look wrong, or ${notPart} alone`);
  return { kind: 'reading', check, answer: answers[0]!, more: answers.slice(1) };
}
