import { type Check } from '../behaviour';
import { type BenchState, type LogBody } from '../log';
import { attempt, Refusal } from '../quantity';
import { kindOfReference, type Sheet } from '../sheet';
import { judgePart, markedAs, measuredBy, type PartCheck, type PartVerdict, readPartCheck } from '../survey';

/** What stands in the record for a reading that came from a part measured by itself. */
export const surveyText = 'survey';

/** The reading of the sheet's own check that a measured part comes to; undefined where it proves nothing there. */
export function readingOfPart(
  check: PartCheck,
  { mark }: PartVerdict,
  checks: ReadonlyMap<string, Check>,
): Extract<LogBody, { kind: 'reading' }> | undefined {
  // A low reading in circuit and one that climbs say nothing of the part.
  if (mark === 'wait' || mark === 'lift') return undefined;
  const [measure, value] = measuredBy(check) ?? [];
  if (measure === undefined || value === undefined) return undefined;
  const found = [...checks.values()].find(
    ({ point }) => point?.measure === measure && point.parts.length === 1 && point.parts[0] === check.ref,
  );
  return (
    found && { kind: 'reading', check: found.id, answer: { kind: 'number', value, shape: 'settled' }, text: surveyText }
  );
}

/** The lines of the log that a measured part comes to: where the sheet asks for the same, the bench has its answer, too. */
export function linesOfPart(
  line: string,
  { check, verdict }: { readonly check: PartCheck; readonly verdict: PartVerdict },
  checks: ReadonlyMap<string, Check>,
  live: boolean,
): readonly LogBody[] {
  const reading = live ? undefined : readingOfPart(check, verdict, checks);
  return [{ kind: 'part', ref: check.ref, line: line.trim() }, ...(reading ? [reading] : [])];
}

/**
 * A part measured by itself, typed where readings are: `C214 220u 35V 17u`, with its mark, since no sheet need know it.
 * Undefined where the words are no such thing.
 */
export function readMeasuredPart(
  line: string,
  { parts }: Sheet,
  before: BenchState['parts'],
): { readonly check: PartCheck; readonly verdict: PartVerdict } | undefined {
  const [reference = '', ...rest] = line.trim().split(/\s+/);
  if (rest.length === 0 || !/^[a-z]{1,3}\d+[a-z]?$/i.test(reference) || !kindOfReference(reference, ''))
    return undefined;
  const marked = (ref: string) => {
    const first = before.find((part) => part.ref === ref && part.line !== line);
    const check = attempt(() => first && readPartCheck(first.line, () => undefined));
    return check instanceof Refusal ? undefined : markedAs(check);
  };
  const check = attempt(() => readPartCheck(line, (ref) => parts.get(ref) ?? marked(ref)));
  return check instanceof Refusal ? undefined : { check, verdict: judgePart(check) };
}
