import Papa from 'papaparse';
import { type DebriefView, type HuntView } from './huntView';
import { type KeptHunt } from './useHunt';

const rounded = (minutes: number) => Number(minutes.toFixed(1));

/** How a hunt went, in minutes, as JSON and as a table of one line under its heads. */
export function resultOf(
  name: string,
  { exercise, grade, hints }: KeptHunt,
  { set, ended, rows, money, harm }: HuntView,
  { culprit, own, expected, lost, slips, luck, planner, statements, brier }: DebriefView,
): { readonly json: string; readonly csv: string } {
  const result = {
    name,
    exercise: exercise.title,
    sheet: exercise.sheet,
    seed: exercise.seed,
    world: exercise.world,
    set,
    grade,
    culprit,
    ended: ended ?? '',
    acts: rows.length,
    hints: hints.length,
    minutes: rounded(own),
    expected: rounded(expected),
    planner: rounded(planner.minutes),
    lost: rounded(lost),
    slips: rounded(slips),
    luck: rounded(luck),
    harm: rounded(harm),
    suspected: statements.length,
    brier: brier === undefined ? '' : Number(brier.toFixed(3)),
    parts: money,
  };
  return {
    json: `${JSON.stringify({ format: 'tovrik-result/1', ...result }, undefined, 2)}\n`,
    // What a table would take for a formula is kept a text.
    csv: `${Papa.unparse([result], { escapeFormulae: true, newline: '\n' })}\n`,
  };
}
