import { type SurveyRow } from '@/core/job';
import { type PartCheck, type PartMark, type PartVerdict } from '@/core/survey';
import { surveyText } from '@/core/entry';
import { type LogEntry } from '@/core/log';
import { formatQuantity } from '@/core/quantity';
import { bandsOf, type BandColour } from '@/core/parts';

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
