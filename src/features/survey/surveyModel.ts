import {
  judgePart,
  type KnownPart,
  type PartCheck,
  type PartMark,
  type PartVerdict,
  readPartCheck,
} from '@/core/survey';
import { type LogBody, type LogEntry, standing } from '@/core/log';
import { Refusal, formatQuantity, attempt } from '@/core/quantity';
import { type Check } from '@/core/behaviour';
import { type Measure } from '@/core/measure';
import { bandColour, bandDoubts, bandsOf, type BandColour } from '@/core/parts';
import { type Sheet } from '@/core/sheet';
import { type MarkName } from '@/ui';

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

export const markOfPart: Readonly<Record<PartMark, MarkName>> = {
  fine: 'within',
  replace: 'high',
  lift: 'odd',
  wait: 'unread',
};

export const markWords: Readonly<Record<PartMark, string>> = {
  fine: 'fine',
  replace: 'replace',
  lift: 'lift or free',
  wait: 'wait',
};

/** What is done about a part; one that turns has no leg to lift. */
export function partWords({ kind }: PartCheck, { mark }: PartVerdict): string {
  if (mark !== 'lift') return markWords[mark];
  if (kind === 'fan' || kind === 'wheel') return 'check first';
  if (kind === 'fuse') return 'take it out';
  return kind === 'rings' ? 'free it' : 'lift a leg';
}

/** What stands in the record for a reading that came from the survey. */
const surveyText = 'survey';

/** What a part measured before was marked with: it need not be typed again. */
function markedAs(check: PartCheck | undefined): KnownPart | undefined {
  if (check?.kind === 'resistor' || check?.kind === 'thermistor') return { kind: check.kind, size: check.marked };
  if (check?.kind !== 'capacitor') return undefined;
  return { kind: check.type, size: check.farads, ...(check.volts === undefined ? {} : { voltage: check.volts }) };
}

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

/** The reading of the sheet's own check that a part of the survey comes to; undefined where it proves nothing there. */
export function readingOf(
  check: PartCheck,
  verdict: PartVerdict,
  checks: ReadonlyMap<string, Check>,
): Extract<LogBody, { kind: 'reading' }> | undefined {
  // A low reading in circuit and one that climbs say nothing of the part.
  if (verdict.mark === 'wait' || verdict.mark === 'lift') return undefined;
  const [measure, value]: readonly [Measure | undefined, number | undefined] =
    check.kind === 'resistor'
      ? (['ohms', check.read] as const)
      : check.kind === 'capacitor'
        ? check.esr !== undefined
          ? (['esr', check.esr] as const)
          : (['capacitance', check.read] as const)
        : check.kind === 'fuse'
          ? (['ohms', check.read] as const)
          : check.kind === 'rings'
            ? (['rings', check.rings] as const)
            : [undefined, undefined];
  if (measure === undefined || value === undefined) return undefined;
  const found = [...checks.values()].find(
    ({ point }) => point?.measure === measure && point.parts.length === 1 && point.parts[0] === check.ref,
  );
  return (
    found && { kind: 'reading', check: found.id, answer: { kind: 'number', value, shape: 'settled' }, text: surveyText }
  );
}

/** The lines of the log that a typed part comes to: where the sheet asks for the same, the bench has its answer, too. */
export function linesOf(
  line: string,
  { check, verdict }: Pick<SurveyRow, 'check' | 'verdict'>,
  checks: ReadonlyMap<string, Check>,
  live: boolean,
): LogBody[] {
  const reading = live ? undefined : readingOf(check, verdict, checks);
  return [{ kind: 'part', ref: check.ref, line: line.trim() }, ...(reading ? [reading] : [])];
}

/** The ids of what was recorded for a part: its line, and the reading that went with it. */
export function recordedFor({ entry }: SurveyRow, log: readonly LogEntry[]): string[] {
  const after = log[log.findIndex(({ id }) => id === entry.id) + 1];
  return [entry.id, ...(after?.body.kind === 'reading' && after.body.text === surveyText ? [after.id] : [])];
}

/** What a part should be, and what it read, as they stand in the list. */
export function partFigures(check: PartCheck): { readonly should: string; readonly read: string } {
  switch (check.kind) {
    case 'resistor':
    case 'thermistor':
      return { should: formatQuantity(check.marked, 'Ω', 3), read: formatQuantity(check.read, 'Ω', 4) };
    case 'capacitor':
      return {
        should: [
          formatQuantity(check.farads, 'F', 3),
          ...(check.volts === undefined ? [] : [formatQuantity(check.volts, 'V', 3)]),
        ].join(' '),
        read: [
          ...(check.read === undefined ? [] : [formatQuantity(check.read, 'F', 3)]),
          ...(check.esr === undefined ? [] : [formatQuantity(check.esr, 'Ω', 2)]),
        ].join(' · '),
      };
    case 'rings':
      return { should: `${check.good} rings`, read: String(check.rings) };
    case 'junction':
      return {
        should: '',
        read: [check.forward, check.reverse]
          .map((volts) => formatQuantity(volts, 'V', 3).replace(' V', ''))
          .join(' / '),
      };
    case 'fuse':
      return { should: 'under 2 Ω', read: formatQuantity(check.read, 'Ω', 3) };
    case 'gain':
      return { should: `gain ${check.usual}`, read: String(check.gain) };
    case 'lamp':
      return { should: `${check.rated} h`, read: `${check.hours} h` };
    case 'fan':
    case 'wheel':
      return { should: formatQuantity(check.usual, 'Hz', 3), read: formatQuantity(check.hertz, 'Hz', 3) };
  }
}

/** The bands of a resistor as marked; none where bands cannot say it. */
export function bandsFor(check: PartCheck): readonly BandColour[] {
  if (check.kind !== 'resistor') return [];
  try {
    return bandsOf({ ohms: check.marked, tolerance: check.tolerance });
  } catch {
    return [];
  }
}
