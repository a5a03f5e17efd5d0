import { type Check, liveCold, type Predictions } from '@/core/behaviour';
import { familyOf, type Sheet } from '@/core/sheet';
import { type AgeingPart, type OverhaulStage } from '@/core/overhaul';
import { type Symptom } from '@/core/picture';
import { expectedText } from '@/core/reading';
import { sumOf } from '@/core/statistics';
import { moneyText } from '@/ui';

/** Pictures of a set that works, and the ways in which tired ones fall short. */
export const picturesOfAWorkingSet = ({ technology }: Pick<Sheet, 'technology'>): readonly (readonly Symptom[])[] =>
  familyOf(technology) === 'tube'
    ? [['normal'], ['dim'], ['soft'], ['small_picture'], ['smeared']]
    : [['normal'], ['dim'], ['faint'], ['dark']];

/** How a check of an overhaul is made, and what it should give: `across C802. A good one reads under 1.2 Ω.` */
export function howOf(predictions: Predictions, check: Check): string {
  const expected = expectedText(predictions, check, { ...liveCold, power: check.state === 'live' ? 'live' : 'proven' });
  return `${check.where === '' ? '' : `${check.where.charAt(0).toUpperCase()}${check.where.slice(1)}. `}A good set gives ${expected}.`;
}

/** How far a stage has come: `4 of 7`, with what was found off. */
export function stageText({ steps, done, name }: OverhaulStage): string {
  if (name === 'power') return done ? 'it has run' : 'not yet';
  const made = steps.filter(({ row, passed }) => row !== undefined || passed).length;
  const off = steps.filter(({ row }) => row !== undefined && row.verdict.mark !== 'within').length;
  return `${made} of ${steps.length}${off > 0 ? `, ${off} off` : ''}`;
}

/** Minutes that the rest of the walk takes. */
export const minutesLeft = (stages: readonly OverhaulStage[]): number =>
  sumOf(
    stages.flatMap(({ steps }) => steps.filter(({ row, passed }) => row === undefined && !passed)),
    ({ check }) => check.minutes,
  );

/** What a new part now comes to against waiting: `saves £2.10`, or `costs £3.05`. */
export const ageingText = ({ saves }: AgeingPart, currency: string): string =>
  `${saves > 0 ? 'saves' : 'costs'} ${moneyText(Math.abs(saves), currency)}`;
