import ical, { ICalCalendarMethod } from 'ical-generator';
import { database, openJobs, openNeeds } from '@/store';
import { waitingTitles } from '@/workshop/job';

/** A day as it is written, or the day of an instant; undefined where it is neither. */
const dayOf = (text: string): Date | undefined =>
  /^\d{4}-\d\d-\d\d/.test(text) ? new Date(`${text.slice(0, 10)}T00:00:00Z`) : undefined;

const day = 86_400_000;

/** What is to come, for a calendar to subscribe to: parts and sets that are due, and what the sets wait for. */
export async function giveCalendar(request: Request): Promise<Response> {
  const db = await database();
  const [jobs, needs] = await Promise.all([openJobs(db), openNeeds(db)]);
  const { origin } = new URL(request.url);
  const calendar = ical({ name: 'Tovrik', method: ICalCalendarMethod.PUBLISH });
  const add = (id: string, text: string, summary: string, url: string) => {
    const start = dayOf(text);
    if (start) calendar.createEvent({ id, start, end: new Date(start.getTime() + day), allDay: true, summary, url });
  };
  const titles = new Map(jobs.map(({ id, title }) => [id, title]));
  for (const { id, title, due, waiting } of jobs) {
    add(`due-${id}`, due, `${title}: due back`, `${origin}/job/${id}/bench`);
    if (waiting && waiting.for !== 'part')
      add(
        `set-${id}`,
        waiting.until,
        `${title}: ${waitingTitles[waiting.for].toLowerCase()}`,
        `${origin}/job/${id}/bench`,
      );
  }
  for (const { id, job, typed, count, state, due, supplier } of needs)
    if (state === 'ordered')
      add(
        `need-${id}`,
        due,
        `${count} × ${typed} for ${titles.get(job) ?? 'a set'}${supplier === '' ? '' : `, from ${supplier}`}`,
        `${origin}/parts`,
      );
  return new Response(calendar.toString(), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="tovrik.ics"',
    },
  });
}
