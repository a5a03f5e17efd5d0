import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { compared } from '../compare';
import { adviseOn, type Case } from '../diagnosis';
import { type LogBody, replay } from '../log';
import { openSheet } from '../sheet';
import { draftNote, tableReadings } from '.';

const known = (id: string) => predictionsOf(openSheet(shippedSheets().get(id)!));
const tube = known('generic-crt-colour');
const plasma = known('generic-plasma');
const linesOf = (table: string, title: string, { names }: typeof tube) =>
  tableReadings(compared(table), title, names).map(({ line }) => line);

/** Two buffers pin by pin, the third pin of the lower one shorted. */
const buffers = '\tBUF-ICU\tBUF-ICL\npin 1\t0.51\t0.52\npin 2\t0.52\t0.52\npin 3\t0.53\t0.02\npin 4\t0.51\t0.53\n';

describe('what a compared table says of the points of a sheet', () => {
  it('rows and columns of siblings are points', () => {
    expect(linesOf('\tRed\tGreen\tBlue\ncathode\t120 V\t122 V\t64 V\nBase\t2.6 V\t-\t2.61 V', '', tube)).toEqual([
      'kr-dc 120',
      'kg-dc 122',
      'kb-dc 64',
      'br-dc 2.6',
      'bb-dc 2.61',
    ]);
    // Ohms are none of a point that is read in volts.
    expect(linesOf('\tRed\tGreen\tBlue\ncathode\t12k Ω\t12k Ω\t1k Ω', '', tube)).toEqual([]);
  });

  it('a column headed by a part is its: what is odd in it, or its middle', () => {
    expect(linesOf(buffers, 'upper against lower', plasma)).toEqual(['BUF-ICU diode 0.515', 'BUF-ICL diode 0.02']);
  });

  it('rows called like points are read in the column of the set, the last where none is headed so', () => {
    const rows = (heading: string) =>
      linesOf(`\t${heading}\nbplus\t113 V\t61 V\nvhi\t178 V\t97 V\nsomewhere\t1 V\t2 V`, '', tube);
    expect(rows('donor\tthis set')).toEqual(['bplus 61', 'vhi 97']);
    expect(rows('suspect\tdonor')).toEqual(['bplus 113', 'vhi 178']);
  });

  it('pins are those of the part that the table is called after', () => {
    const pins = '\tgood\tsuspect\npin 1\t0.5\t0.5\npin 2\t0.52\t0\npin 3\t0.51\t0.5';
    expect(linesOf(pins, 'BUF-ICU against the donor', plasma)).toEqual(['BUF-ICU diode 0']);
    expect(linesOf(pins, 'a chip against the donor', plasma)).toEqual([]);
    expect(linesOf('\tA\tB\tC\tD\nR900\t1k\t1k\t1k\t5k', 'rows', plasma)).toEqual([]);
  });

  it('weighs at the bench, and is told in the note', () => {
    const bodies: LogBody[] = [
      { kind: 'compared', title: 'upper against lower', table: buffers },
      ...tableReadings(compared(buffers), '', plasma.names).map(({ check, answer, line }): LogBody => ({
        kind: 'reading',
        check: check.id,
        answer,
        text: line,
      })),
    ];
    const log = bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body }));
    const job: Case = {
      predictions: plasma,
      complaint: { symptoms: ['dark'], signs: {} },
      bench: replay(log, []),
      closed: new Map(),
      hourlyRate: 20,
    };
    const chance = (part: string) =>
      adviseOn(job)
        .posterior.suspects.filter(({ fault }) => fault.part === part)
        .reduce((sum, { probability }) => sum + probability, 0);
    expect(chance('BUF-ICL')).toBeGreaterThan(0.8);
    expect(chance('BUF-ICU')).toBeLessThan(0.01);
    expect(draftNote(job, []).proof).toContain(
      'Compared upper against lower: pin 3 shorted on the BUF-ICL side (0.02 against 0.53)',
    );
  });
});
