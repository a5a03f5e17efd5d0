import { readCounted, readDonorLine, readShelfLine } from '@/core/supply';
import { traceOf } from '@/core/tracing';
import { readPartCheck } from '@/core/survey';
import { predictionsOf } from '@/core/behaviour';
import { interpret, readEntry, readRefinement } from '@/core/entry';
import { replay } from '@/core/log';
import { describe, expect, it } from 'vitest';
import { patternReader, readLog } from '@/instruments';
import { shippedSheets } from '@/sheets';
import { helpFor, helpSections } from './helpTexts';
import { pagesOf } from './navigation';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = predictionsOf(sheet);
const { checks } = predictions;
const rowsOf = (title: string) => helpSections.find((one) => one.title === title)!.rows.map(([typed]) => typed);

describe('what the help says can be typed', () => {
  it.each(rowsOf('Lines on the bench').filter((line) => !/^C812 3$/.test(line)))(
    '"%s" is understood at the bench',
    (line) => {
      const focus = checks.get('vscan-dc');
      const scope = { sheet, checks, focus };
      const bench = replay([], [...sheet.stores.keys()]);
      const job = { predictions, bench, complaint: { symptoms: [], signs: {} }, closed: new Map(), hourlyRate: 18 };
      const asMeasured = interpret(line, { job, focus, step: undefined, pictures: [], correcting: undefined });
      // A line that needs a set in another state is understood as well.
      if (asMeasured.kind === 'wrong') expect(readRefinement(line, scope) ?? readEntry(line, scope)).toBeDefined();
    },
  );

  it.each(rowsOf('Lines of the survey'))('"%s" is understood in the survey', (line) => {
    expect(readPartCheck(line, () => undefined).ref).toBe(line.split(' ')[0]);
  });

  it.each(rowsOf('Lines at the shelf'))('"%s" is understood at the shelf', (line) => {
    expect(readShelfLine(line)).toBeDefined();
  });

  it.each(rowsOf('Parts that are needed'))('"%s" is understood among the parts', (line) => {
    expect(readCounted(line).count).toBeGreaterThan(0);
  });

  it.each(rowsOf('What sits in a donor'))('"%s" is understood at a donor', (line) => {
    expect(readDonorLine(line).count).toBeGreaterThan(0);
  });

  it('is understood line by line on a trace', () => {
    const lines = ['Q5 npn', ...rowsOf('Lines of a trace')];
    expect(traceOf(lines)).toMatchObject({ refused: [], facts: { length: 4 }, short: { ohms: 0.8 } });
  });

  it('comes first where it belongs, and all of it stands on every page', () => {
    for (const [path, first] of [
      ['/job/x/bench', 'Lines on the bench'],
      ['/compare', 'A meter that sends lines'],
      ['/stage', 'Inside a stage'],
      ['/trace', 'Lines of a trace'],
      ['/', 'Anywhere'],
    ] as const) {
      expect(helpFor(path)[0]!.title).toBe(first);
      expect(helpFor(path)).toHaveLength(helpSections.length);
    }
  });
});

describe('what the help says of meters', () => {
  const [pattern, columns] = rowsOf('A meter that sends lines');
  it('is read', () => {
    expect(patternReader(pattern!)('12.1 V', 0)).toMatchObject({ value: 12.1, unit: 'V' });
    expect(readLog(`${columns}\n0,12.1,V,20`)).toEqual([{ at: 0, value: 12.1, unit: 'V', range: 20 }]);
  });
});

describe('pages of the open job', () => {
  it('are all but the one that is open, and none elsewhere', () => {
    expect(pagesOf('/job/x/survey').map(({ href }) => href)).toEqual(
      [
        'bench',
        'power',
        'map',
        'repair',
        'close',
        'overhaul',
        'condition',
        'trace',
        'band',
        'compare',
        'apart',
        'kit',
        'setup',
        'shape',
        'grey',
        'tube',
        'set',
        'second',
      ].map((step) => `/job/x/${step}`),
    );
    expect(pagesOf('/compare')).toEqual([]);
  });
});
