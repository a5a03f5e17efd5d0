import { type Case } from '../belief';
import { answerText, inconclusive, judgeAnswer } from '../../reading';
import { dealtWith, repairActions } from '../../repair';
import { attempt, type Minutes, Refusal } from '../../quantity';
import { type MeasuredPart } from '../../log';
import { exampleOfPart, type Sheet } from '../../sheet';
import { judgePart, markedAs, type PartCheck, readPartCheck } from '../../survey';

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
export function foundParts({ predictions, bench }: Case): FoundPart[] {
  const { checks, model } = predictions;
  const { parts, faults } = model.sheet;
  const renewed = new Map<string, number>();
  bench.repairs.forEach(({ repair }, index) => {
    for (const id of dealtWith(model.sheet, repair)) renewed.set(faults.get(id)?.part ?? '', index + 1);
  });
  const found = new Map<string, Pick<FoundPart, 'said' | 'entry'> & { readonly by: string }>();
  for (const { check: id, answer, context, entry, afterRepairs } of bench.readings) {
    const check = checks.get(id);
    const own = check?.point?.net === undefined ? (check?.point?.parts ?? []) : [];
    if (!check || own.length === 0) continue;
    const named = answer.kind === 'choice' && check.measure === 'look' ? answer.choice : undefined;
    const verdict = judgeAnswer(predictions, check, answer, context);
    const bad =
      named === undefined
        ? own.length === 1 && answer.kind === 'number' && verdict.mark !== 'within' && !inconclusive(check, verdict)
          ? own[0]
          : undefined
        : own.find((part) => part === named);
    if (bad !== undefined && (renewed.get(bad) ?? 0) <= afterRepairs)
      found.set(bad, { by: id, entry: entry.id, said: `${answerText(check, answer)}: ${verdict.words}` });
    // One look that finds another part says nothing of this one; a good reading of the part itself does.
    else if (own.length === 1 && found.get(own[0]!)?.by === id) found.delete(own[0]!);
  }
  for (const { ref, said, entry, afterRepairs } of measuredBad(bench, parts))
    if (!found.has(ref) && (renewed.get(ref) ?? 0) <= afterRepairs)
      found.set(ref, { by: 'survey', entry: entry.id, said });
  const actions = new Map(repairActions(model.sheet).map((action) => [action.id, action]));
  return [...found].map(([part, { entry, said }]) => {
    const title = parts.get(part)?.title;
    if (title === undefined) {
      const putIn = exampleOfPart(part, markTyped(bench, part), model.sheet);
      return { part, title: part, said, action: `Say what ${part} does`, entry, putIn, minutes: 0, money: 0 };
    }
    const action = actions.get(`replace:${part}`);
    const { minutes = 0, money = 0 } = action ?? {};
    return { part, title, said, action: action?.title ?? `Put ${title} right`, entry, minutes, money };
  });
}

/** Parts measured by themselves of which the last reading says that they go, whether or not a sheet knows them. */
function measuredBad({ parts }: Case['bench'], known: Sheet['parts']) {
  const checks = new Map<string, PartCheck>();
  const bad = new Map<string, MeasuredPart & { readonly said: string }>();
  for (const part of parts) {
    const check = attempt(() => readPartCheck(part.line, (ref) => known.get(ref) ?? markedAs(checks.get(ref))));
    if (check instanceof Refusal) continue;
    checks.set(part.ref, check);
    const { mark, words } = judgePart(check);
    if (mark === 'replace') bad.set(part.ref, { ...part, said: words });
    else if (mark === 'fine') bad.delete(part.ref);
  }
  return bad.values();
}

/** The mark that was typed of a part; empty where there was none. */
function markTyped({ parts }: Case['bench'], part: string): string {
  const mark = parts.find(({ ref }) => ref === part)?.line.split(/\s+/)[1] ?? '';
  return /^\d/.test(mark) ? mark : '';
}
