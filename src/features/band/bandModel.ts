import { type BenchState, type LogBody } from '@/core/log';
import { type Band, type BandPart, partText } from '@/core/screen';
import { type Driver } from '@/core/sheet';

export type Direction = Driver['drives'];

/** How many lines a board drives and by how many ribbons, where that is not as its sheet says. */
export interface Counts {
  readonly lines: number;
  readonly ribbons: number;
}

/** The boards of a direction with the counts of this panel. */
export const driversOf = (drivers: readonly Driver[], drives: Direction, counts: Counts | undefined): Driver[] =>
  drivers.filter((driver) => driver.drives === drives).map((driver) => ({ ...driver, ...counts }));

/** Counts as they are kept in the browser, `384 4`; undefined where nothing usable is. */
export function countsFrom(kept: string | null): Counts | undefined {
  const [lines = NaN, ribbons = NaN] = (kept ?? '').split(' ').map(Number);
  const usable = Number.isInteger(lines) && Number.isInteger(ribbons) && ribbons >= 1 && lines >= ribbons;
  return usable ? { lines, ribbons } : undefined;
}

const percent = (share: number) => `${Number((share * 100).toFixed(1))}`;

/** Where a band lies and what it belongs to, in one line: `band 60 to 70 %: Lower buffer, ribbon 2 of 4`. */
export const bandText = ({ from, to }: Band, parts: readonly BandPart[]): string =>
  `band ${percent(from)} to ${percent(to)} %: ${parts.map((part) => `${part.driver.title}, ${partText(part)}`).join('; ')}`;

/** The picture that shows bands of a direction. */
const pictured = { rows: 'row_band', columns: 'column_bar' } as const;

/** What the bench is told of a band: the picture, where nobody named it yet, and in which half it lies. */
export function linesOfBand(
  band: Band,
  parts: readonly BandPart[],
  drives: Direction,
  drivers: readonly Driver[],
  { picture }: Pick<BenchState, 'picture'>,
): LogBody[] {
  const text = bandText(band, parts);
  const taken = new Set(parts.map(({ driver }) => driver.id));
  const symptom = pictured[drives];
  return [
    ...(picture?.symptoms.includes(symptom)
      ? []
      : [{ kind: 'reading', check: 'picture', answer: { kind: 'picture', symptoms: [symptom] }, text } as const]),
    ...drivers.flatMap(({ id, sign }): LogBody[] =>
      sign === undefined
        ? []
        : [{ kind: 'reading', check: sign, answer: { kind: 'choice', choice: taken.has(id) ? 'yes' : 'no' }, text }],
    ),
  ];
}
