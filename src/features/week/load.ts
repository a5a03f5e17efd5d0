import 'server-only';
import {
  type ClosedJob,
  dayAfter,
  dayIn,
  mondayOf,
  startOfDay,
  type Waited,
  waitedIn,
  type Week,
  weekOf,
} from '@/core/days';
import { standing } from '@/core/log';
import { attempt, Refusal } from '@/core/quantity';
import { readLibrary, sheetCards } from '@/workshop/library/server';
import { database, onOrderWithin, readSettings, workedWithin } from '@/store';
import { shopZone } from '@/ui';

const day = 24 * 60 * 60 * 1000;

/** A week as its page shows it. */
export interface WeekPage {
  readonly monday: string;
  readonly week: Week;
  /** Sets that waited for parts, the longest first. */
  readonly waited: readonly Waited[];
  readonly before: string;
  /** The week after; undefined where that has not begun. */
  readonly after: string | undefined;
  readonly currency: string;
  readonly shop: string;
}

/**
 * The week of a day, or that of today.
 *
 * @param of a day as `2026-11-24`
 */
export async function loadWeek(of: string | undefined): Promise<WeekPage | { readonly refused: string }> {
  const zone = shopZone();
  const today = dayIn(Date.now(), zone);
  const begin = (date: string) => new Date(startOfDay(date, zone)).toISOString();
  const monday = attempt(() => mondayOf(of ?? today));
  if (monday instanceof Refusal) return { refused: monday.message };
  const db = await database();
  const next = dayAfter(monday, 7);
  const [{ lines, closed }, orders, library, { currency, shop }] = await Promise.all([
    workedWithin(db, begin(monday), begin(next)),
    onOrderWithin(db, begin(monday), begin(next)),
    readLibrary(),
    readSettings(db),
  ]);
  const titles = new Map(sheetCards(library).map(({ id, title }) => [id, title]));
  const jobs = closed.map(({ entries, sheet, createdAt, closedAt, ...job }): ClosedJob => ({
    ...job,
    chassis: titles.get(sheet) ?? sheet,
    days: Math.max(0, Math.round((Date.parse(closedAt) - Date.parse(createdAt)) / day)),
    repairs: standing(entries, 'repair').map(({ body: { title, cures, minutes, money } }) => ({
      title,
      cures,
      minutes,
      money,
    })),
  }));
  return {
    monday,
    week: weekOf(monday, lines, jobs, zone),
    waited: waitedIn(orders, startOfDay(monday, zone), Math.min(Date.now(), startOfDay(next, zone))),
    before: dayAfter(monday, -7),
    after: next <= today ? next : undefined,
    currency,
    shop,
  };
}
