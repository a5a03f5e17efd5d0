import { describe, expect, it } from 'vitest';
import { readPartCheck } from '@/core/parts';
import { readEntry, readRefinement } from '@/core/reading';
import { predictionsOf } from '@/features/job';
import { shippedSheets } from '@/sheets';
import { helpFor, helpSections } from './helpTexts';

const sheet = shippedSheets().get('halvane-hp-42')!;
const { checks } = predictionsOf(sheet);
const rowsOf = (title: string) => helpSections.find((one) => one.title === title)!.rows.map(([typed]) => typed);

describe('what the help says can be typed', () => {
  it.each(rowsOf('Lines on the bench').filter((line) => !/^C812 3$/.test(line)))(
    '"%s" is understood at the bench',
    (line) => {
      const scope = { sheet, checks, focus: checks.get('vscan-dc') };
      expect(readRefinement(line, scope) ?? readEntry(line, scope)).toBeDefined();
    },
  );

  it.each(rowsOf('Lines of the survey'))('"%s" is understood in the survey', (line) => {
    expect(readPartCheck(line, () => undefined).ref).toBe(line.split(' ')[0]);
  });

  it('comes first where it belongs, and all of it stands on every page', () => {
    for (const [path, first] of [
      ['/job/x/bench', 'Lines on the bench'],
      ['/compare', 'Comparing'],
      ['/stage', 'Inside a stage'],
      ['/', 'Anywhere'],
    ] as const) {
      expect(helpFor(path)[0]!.title).toBe(first);
      expect(helpFor(path)).toHaveLength(helpSections.length);
    }
  });
});
