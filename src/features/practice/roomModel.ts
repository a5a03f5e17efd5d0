import Papa from 'papaparse';
import { type Standing } from '@/workshop/classroom';
import { type HuntView } from './huntView';

/** Where a pupil stands, of a hunt as he sees it. */
export function standingOf(name: string, { rows, minutes, harm, ended, debrief }: HuntView): Standing {
  const last = rows.at(-1);
  return {
    name,
    acts: rows.length,
    last: last ? [last.title, last.value].filter((words) => words !== '').join(': ') : '',
    minutes,
    harm,
    ended,
    planner: debrief?.planner.minutes,
    // Who did not come to the end lost more than his decisions tell.
    lost: ended === 'cured' ? debrief?.lost : undefined,
  };
}

/** What a room looks like to its teacher: who is done comes first, the quickest before the others. */
export function inOrder(standings: readonly Standing[]): readonly Standing[] {
  const place = ({ ended }: Standing) => (ended === 'cured' ? 0 : ended === undefined ? 1 : 2);
  return [...standings].sort((a, b) => place(a) - place(b) || (a.ended ? a.minutes - b.minutes : b.acts - a.acts));
}

/** The table of a class, as a spreadsheet takes it. */
export const roomTable = (standings: readonly Standing[]): string =>
  `${Papa.unparse(
    standings.map((one) => ({
      name: one.name,
      ended: one.ended ?? '',
      acts: one.acts,
      minutes: Number(one.minutes.toFixed(1)),
      harm: Number(one.harm.toFixed(1)),
      planner: one.planner === undefined ? '' : Number(one.planner.toFixed(1)),
      lost: one.lost === undefined ? '' : Number(one.lost.toFixed(1)),
    })),
    { escapeFormulae: true, newline: '\n' },
  )}\n`;
