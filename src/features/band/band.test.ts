import { describe, expect, it } from 'vitest';
import { placeBand } from '@/core/screen';
import { shippedSheets } from '@/sheets';
import { bandText, countsFrom, driversOf, linesOfBand } from './bandModel';

const { drivers } = shippedSheets().get('generic-plasma')!;
const rows = driversOf(drivers, 'rows', undefined);
const columns = driversOf(drivers, 'columns', undefined);
const band = { from: 0.625, to: 0.75 };

describe('a band that is told', () => {
  it('is the picture, where nobody named it, and the half it lies in', () => {
    const lines = linesOfBand(band, placeBand(band, rows), 'rows', rows, { picture: undefined });
    expect(lines.map((line) => line.kind === 'reading' && [line.check, line.answer])).toEqual([
      ['picture', { kind: 'picture', symptoms: ['row_band'] }],
      ['band_up', { kind: 'choice', choice: 'no' }],
      ['band_low', { kind: 'choice', choice: 'yes' }],
    ]);
    expect(lines[0]).toMatchObject({ text: 'band 62.5 to 75 %: Lower buffer, ribbon 2 of 4' });
    const seen = { symptoms: ['row_band'], entry: { id: 'line-0', at: '2026-03-01T10:00:00Z' } } as const;
    expect(linesOfBand(band, placeBand(band, rows), 'rows', rows, { picture: seen })).toHaveLength(2);
  });

  it('of columns is the picture alone', () => {
    const upright = { from: 0.5, to: 0.5625 };
    const parts = placeBand(upright, columns);
    expect(bandText(upright, parts)).toBe('band 50 to 56.3 %: Column drive right, ribbon 1 of 8');
    expect(linesOfBand(upright, parts, 'columns', columns, { picture: undefined })).toHaveLength(1);
  });
});

describe('counts that are remembered', () => {
  it.each([
    ['240 3', { lines: 240, ribbons: 3 }],
    [null, undefined],
    ['3 240', undefined],
    ['many few', undefined],
  ])('%j', (kept, counts) => {
    expect(countsFrom(kept)).toEqual(counts);
    expect(driversOf(drivers, 'rows', counts)[0]).toMatchObject(counts ?? { lines: 384, ribbons: 4 });
  });
});
