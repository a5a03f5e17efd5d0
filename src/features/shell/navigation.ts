import { jobPages } from '@/workshop/job';

/** Places in the order of the work. */
export const navigation = [
  { href: '/', title: 'Queue' },
  { href: '/take-in', title: 'Take in' },
  { href: '/parts', title: 'Parts' },
  { href: '/shelf', title: 'Shelf' },
  { href: '/donors', title: 'Donors' },
  { href: '/stage', title: 'Stage' },
  { href: '/compare', title: 'Compare' },
  { href: '/notebook', title: 'Notebook' },
  { href: '/sheets', title: 'Sheets' },
] as const;

/** What has no place of its own, and is found by its name. */
export const more = [
  { href: '/trace', title: 'Trace a board' },
  { href: '/practice', title: 'Practice: drills' },
  { href: '/practice/hunt', title: 'Practice: hunt a hidden fault' },
  { href: '/week', title: 'The week: hours, money, causes' },
  { href: '/patterns', title: 'Patterns' },
  { href: '/settings', title: 'Settings and data' },
] as const;

/** The place a path belongs to; a job on the bench belongs to none of them. */
export function placeOf(path: string): string | undefined {
  return navigation.find(({ href }) => path === href || (href !== '/' && path.startsWith(href)))?.href;
}

/** The pages of the job a path belongs to; none where it is of no job. */
export function pagesOf(path: string): { readonly href: string; readonly title: string }[] {
  const job = /^\/job\/[^/]+/.exec(path)?.[0];
  if (job === undefined) return [];
  const pages = [
    ...jobPages,
    ['overhaul', 'Overhaul: a set without a complaint'],
    ['condition', 'Condition report'],
    ['trace', 'Trace a board'],
    ['band', 'Where a band lies on the screen'],
    ['compare', 'Compare sides, channels, repetitions'],
    ['apart', 'Take apart and put together'],
    ['kit', 'Kit'],
    ['setup', 'Set-up of the rails'],
    ['shape', 'Shape and colours of the picture'],
    ['grey', 'Grey scale and white balance'],
    ['tube', 'Picture tube: its guns, burn-in'],
    ['set', 'What it is'],
    ['second', 'Second screen: a tablet or telephone joins'],
  ] as const;
  return pages.map(([step, title]) => ({ href: `${job}/${step}`, title })).filter(({ href }) => href !== path);
}
