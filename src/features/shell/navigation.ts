/** Places in the order of the work. */
export const navigation = [
  { href: '/', title: 'Queue' },
  { href: '/take-in', title: 'Take in' },
  { href: '/stage', title: 'Stage' },
  { href: '/compare', title: 'Compare' },
  { href: '/notebook', title: 'Notebook' },
  { href: '/sheets', title: 'Sheets' },
] as const;

/** The place a path belongs to; a job on the bench belongs to none of them. */
export function placeOf(path: string): string | undefined {
  return navigation.find(({ href }) => path === href || (href !== '/' && path.startsWith(href)))?.href;
}
