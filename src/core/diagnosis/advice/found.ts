import { type Check } from '../../behaviour';
import { type Case } from '../belief';
import { answerText, inconclusive, judgeAnswer } from '../../reading';
import { dealtWith, repairActions } from '../../repair';
import { attempt, type Minutes, Refusal } from '../../quantity';
import { type MeasuredPart } from '../../log';
import { exampleOfPart } from '../../sheet';
import { judgePart, markedAs, measuredBy, type PartCheck, readPartCheck } from '../../survey';

/** A part that was seen or measured bad, whether or not it explains the complaint. */
export interface FoundPart {
  readonly part: string;
  readonly title: string;
  /** What was read or seen, and what that means. */
  readonly said: string;
  /** Putting it right, in words. */
  readonly action: string;
  /** The line that says so. */
  readonly entry: string;
  /** How it is put into the sheet, as a line; undefined where the sheet has it. */
  readonly putIn?: string;
  readonly minutes: Minutes;
  readonly money: number;
}

/**
 * Parts that were found bad by themselves and not yet dealt with, in the order in which they were found: each
 * stays, whatever is found after it, until a repair takes it out or the same measurement finds it good.
 */
export function foundParts(job: Case): FoundPart[] {
  const { predictions, bench } = job;
  const { sheet } = predictions.model;
  const renewed = new Map<string, number>();
  bench.repairs.forEach(({ repair }, index) => {
    for (const id of dealtWith(sheet, repair)) renewed.set(sheet.faults.get(id)?.part ?? '', index + 1);
  });
  const stands = (part: string, afterRepairs: number) => (renewed.get(part) ?? 0) <= afterRepairs;
  const found = readBad(job, stands);
  for (const { ref, said, entry, afterRepairs } of measuredBad(job))
    if (!found.has(ref) && stands(ref, afterRepairs)) found.set(ref, { said, entry: entry.id });
  const actions = new Map(repairActions(sheet).map((action) => [action.id, action]));
  return [...found].map(([part, { entry, said }]) => {
    const title = sheet.parts.get(part)?.title;
    if (title === undefined) {
      const putIn = exampleOfPart(part, markTyped(bench, part), sheet);
      return { part, title: part, said, action: `Say what ${part} does`, entry, putIn, minutes: 0, money: 0 };
    }
    const action = actions.get(`replace:${part}`);
    const { minutes = 0, money = 0 } = action ?? {};
    return { part, title, said, action: action?.title ?? `Put ${title} right`, entry, minutes, money };
  });
}

type Found = Map<string, Pick<FoundPart, 'said' | 'entry'>>;

/** The part that a check is of alone, or the parts that are looked at; none where it reads a net. */
const ownParts = ({ point }: Check): readonly string[] => (point?.net === undefined ? (point?.parts ?? []) : []);

/** Parts that checks of the sheet found bad. */
function readBad({ predictions, bench }: Case, stands: (part: string, afterRepairs: number) => boolean): Found {
  const found = new Map<string, Pick<FoundPart, 'said' | 'entry'> & { readonly by: string }>();
  for (const { check: id, answer, context, entry, afterRepairs } of bench.readings) {
    const check = predictions.checks.get(id);
    const own = check ? ownParts(check) : [];
    if (!check || own.length === 0) continue;
    const named = answer.kind === 'choice' && check.measure === 'look' ? answer.choice : undefined;
    const verdict = judgeAnswer(predictions, check, answer, context);
    const bad =
      named === undefined
        ? own.length === 1 && answer.kind === 'number' && verdict.mark !== 'within' && !inconclusive(check, verdict)
          ? own[0]
          : undefined
        : own.find((part) => part === named);
    if (bad !== undefined && stands(bad, afterRepairs))
      found.set(bad, { by: id, entry: entry.id, said: `${answerText(check, answer)}: ${verdict.words}` });
    // One look that finds another part says nothing of this one; a good reading of the part itself does.
    else if (own.length === 1 && found.get(own[0]!)?.by === id) found.delete(own[0]!);
  }
  return found;
}

/**
 * Parts measured by themselves of which the last reading says that they go, whether or not a sheet knows them. Where the
 * sheet’s own check read the same with that, or later, that says more.
 */
function measuredBad({ predictions, bench }: Case) {
  const { checks, model } = predictions;
  const lastRead = new Map<string, string>();
  for (const { check: id, entry } of bench.readings) {
    const check = checks.get(id);
    if (check && ownParts(check).length === 1) lastRead.set(`${ownParts(check)[0]!} ${check.measure}`, entry.at);
  }
  const before = new Map<string, PartCheck>();
  const bad = new Map<string, MeasuredPart & { readonly said: string }>();
  for (const part of bench.parts) {
    const known = (ref: string) => model.sheet.parts.get(ref) ?? markedAs(before.get(ref));
    const check = attempt(() => readPartCheck(part.line, known));
    if (check instanceof Refusal) continue;
    before.set(part.ref, check);
    const { mark, words } = judgePart(check);
    const readSince = (lastRead.get(`${part.ref} ${measuredBy(check)?.[0]}`) ?? '') >= part.entry.at;
    if (mark === 'replace' && !readSince) bad.set(part.ref, { ...part, said: words });
    else if (mark === 'fine') bad.delete(part.ref);
  }
  return bad.values();
}

/** The mark that was typed of a part; empty where there was none. */
function markTyped({ parts }: Case['bench'], part: string): string {
  const mark = parts.find(({ ref }) => ref === part)?.line.split(/\s+/)[1] ?? '';
  return /^\d/.test(mark) ? mark : '';
}
