import { type Case } from '../diagnosis';
import { surveyText } from '../entry';
import { type LogEntry, standing } from '../log';
import { bandColour, bandDoubts } from '../parts';
import { attempt, formatQuantity, Refusal } from '../quantity';
import { type Sheet } from '../sheet';
import { judgePart, type KnownPart, markedAs, type PartCheck, type PartVerdict, readPartCheck } from '../survey';

/** A part of the survey with its verdict. */
export interface SurveyRow {
  readonly entry: LogEntry;
  readonly check: PartCheck;
  readonly verdict: PartVerdict;
}

/** What a typed line comes to. */
export type TypedPart =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'wrong'; readonly message: string }
  | {
      readonly kind: 'part';
      readonly check: PartCheck;
      readonly verdict: PartVerdict;
      /** Other ways to read bands that look alike. */
      readonly doubts: readonly string[];
    };

/**
 * What a line comes to.
 *
 * @param before parts measured before it, in any order
 */
export function typedPart(line: string, sheet: Sheet, before: readonly Pick<SurveyRow, 'check'>[] = []): TypedPart {
  if (line.trim() === '') return { kind: 'nothing' };
  const known = (ref: string): KnownPart | undefined =>
    sheet.parts.get(ref) ?? markedAs(before.find(({ check }) => check.ref === ref)?.check);
  const check = attempt(() => readPartCheck(line, known));
  if (check instanceof Refusal) return { kind: 'wrong', message: check.message };
  const bands = check.kind === 'resistor' ? line.split(/\s+/).flatMap((word) => bandColour(word) ?? []) : [];
  const doubts = bands.length === 0 ? [] : bandDoubts(bands);
  return {
    kind: 'part',
    check,
    verdict: judgePart(check),
    doubts: doubts
      .slice(0, 3)
      .map(({ bands: other, ohms }) => `${other.slice(0, -1).join(' ')} would be ${formatQuantity(ohms, 'Ω', 3)}`),
  };
}

/** The parts surveyed, the newest first; of a part measured twice the last reading stands. */
export function surveyRows(log: readonly LogEntry[], sheet: Sheet): SurveyRow[] {
  const rows = new Map<string, SurveyRow>();
  for (const { entry, body } of standing(log, 'part')) {
    const typed = typedPart(body.line, sheet, [...rows.values()]);
    if (typed.kind !== 'part') continue;
    const key = `${typed.check.kind} ${body.ref}`;
    rows.delete(key);
    rows.set(key, { entry, check: typed.check, verdict: typed.verdict });
  }
  return [...rows.values()].reverse();
}

/** The parts surveyed of which no check of the sheet took the reading up, the newest first. */
export function partsAlone(log: readonly LogEntry[], { predictions, bench }: Case): SurveyRow[] {
  const { checks, model } = predictions;
  const taken = bench.readings.filter(({ text }) => text === surveyText);
  return surveyRows(log, model.sheet).filter(
    ({ entry, check: { ref } }) =>
      !taken.some((reading) => reading.entry.at >= entry.at && checks.get(reading.check)?.point?.parts[0] === ref),
  );
}
