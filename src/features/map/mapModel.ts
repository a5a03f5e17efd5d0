import { type Check } from '@/core/behaviour';
import { type Case } from '@/core/diagnosis';
import { type BenchState, type LogBody } from '@/core/log';
import { type Watched } from '@/core/proof';
import { type Symptom, symptomTitles } from '@/core/picture';
import { type JointArea } from '@/core/intermittent';

/** Cells less likely than this share of the likeliest are not painted. */
const faint = 0.08;

/** The cells that are painted, with their share of the likeliest. */
export function likelyCells({ chances, columns, rows }: JointArea) {
  const most = chances.reduce((best, chance) => Math.max(best, chance), 0);
  return Array.from(chances, (chance, cell) => ({
    x: (cell % columns) / columns,
    y: Math.floor(cell / columns) / rows,
    share: chance / most,
  })).filter(({ share }) => share >= faint);
}

/** `upper left`, `middle`, `lower right`. */
export function placeWords(x: number, y: number): string {
  const third = (share: number, names: readonly [string, string, string]) => names[Math.min(2, Math.floor(share * 3))]!;
  const [down, across] = [third(y, ['upper', 'middle', 'lower']), third(x, ['left', 'middle', 'right'])];
  return down === across ? 'The middle' : `${down[0]!.toUpperCase()}${down.slice(1)} ${across}`;
}

/** Why the set answers to no stick and soaks nothing now, and what to do; undefined where it may. */
export const whyNotLive = ({ context }: Pick<BenchState, 'context'>): string | undefined =>
  context.power === 'live' ? undefined : 'By its record the set is off: it answers to nothing (Alt P when power is on)';

/** So many pictures are offered for what a set failed with. */
const mostOffered = 4;

/** What a set on a soak may fail with: what it showed before, then nothing at all. */
export function failuresOf({ complaint, bench }: Pick<Case, 'complaint' | 'bench'>): readonly (readonly Symptom[])[] {
  const seen = bench.readings.flatMap(({ answer }) => (answer.kind === 'picture' ? [answer.symptoms] : []));
  const wrong = [complaint.symptoms, ...seen.toReversed(), ['dark' as const]].filter(
    (symptoms) => symptoms.length > 0 && symptoms.join() !== 'normal',
  );
  return [...new Map(wrong.map((symptoms) => [symptoms.join(), symptoms])).values()].slice(0, mostOffered);
}

/** What is recorded of a set that fails on its soak: its picture, which the suspects go by, and the end of the soak. */
export const failedWith = (symptoms: readonly Symptom[]): readonly LogBody[] => [
  { kind: 'reading', check: 'picture', answer: { kind: 'picture', symptoms }, text: symptoms.join(' ') },
  { kind: 'soak', event: 'failed', text: symptoms.map((symptom) => symptomTitles[symptom]).join(', ') },
];

/** What goes on the record: a set that went ends its soak, with what says so as a reading; the rest is an event of it. */
export function watchedLines(
  watched: Watched,
  usual: number,
  words: string,
  check: Check | undefined,
): readonly LogBody[] {
  if (watched.kind !== 'lost') return [{ kind: 'soak', event: 'seen', text: words }];
  if (!check) return failedWith(['dark']);
  const value = Number((watched.level * usual).toPrecision(3));
  return [
    {
      kind: 'reading',
      check: check.id,
      answer: { kind: 'number', value, shape: 'settled' },
      text: 'watched on the soak',
    },
    { kind: 'soak', event: 'failed', text: words },
  ];
}
