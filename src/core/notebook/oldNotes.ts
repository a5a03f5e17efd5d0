import { Refusal } from '../quantity';
import { readTable } from '../supply';

/** A note from a paper notebook: what is remembered of a job that was done before there was a record. */
export interface OldNote {
  /** `2019-05-03`; the first of the month or year where that is all that is known. */
  readonly date: string;
  /** What the set was called. */
  readonly set: string;
  /** Id or title of its sheet; empty for none. */
  readonly sheet: string;
  readonly symptom: string;
  readonly cause: string;
  readonly cure: string;
  readonly parts: string;
  readonly remember: string;
  readonly minutes: number;
  readonly money: number;
}

const headings = {
  date: ['date', 'closed', 'day'],
  set: ['set', 'title', 'what'],
  sheet: ['sheet', 'chassis'],
  symptom: ['symptom', 'complaint', 'fault seen'],
  cause: ['cause', 'what it was', 'fault'],
  cure: ['cure', 'done', 'what cured it'],
  parts: ['parts'],
  remember: ['remember', 'note', 'notes', 'to remember'],
  minutes: ['minutes', 'time'],
  money: ['money', 'cost'],
} as const;

/** The columns of a list of old notes, in the order in which they are written. */
export const oldNoteColumns = Object.keys(headings) as (keyof typeof headings)[];

/**
 * Reads `2019-05-03`, `2019-05`, `2019` and `3.5.2019`.
 *
 * @param today as `2026-11-24`; what lies after it has not been yet
 * @throws Refusal
 */
export function readDay(typed: string, today: string): string {
  const text = typed.trim();
  const [, year, month = '01', day = '01'] =
    /^(\d{4})(?:-(\d\d?)(?:-(\d\d?))?)?$/.exec(text) ??
    (([, d, m, y]) => (y === undefined ? [] : ['', y, m!, d!]))(/^(\d\d?)[./](\d\d?)[./](\d{4})$/.exec(text) ?? []);
  const date = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  // A day that is none, as the 31st of April, comes back as another.
  const there = year !== undefined && new Date(`${date}T00:00:00Z`);
  if (!there || Number.isNaN(there.getTime()) || there.toISOString().slice(0, 10) !== date || Number(year) < 1930)
    throw new Refusal(`"${typed}" is no day: write 2019-05-03, 2019-05, 2019 or 3.5.2019`);
  if (date > today) throw new Refusal(`${date} has not been yet`);
  return date;
}

/** An amount that may be left out. */
function readAmount(typed: string, what: string): number {
  if (typed === '') return 0;
  const figure = typed.replace(/^(?:\p{Sc}|[A-Z]{3})?\s*/u, '').replace(',', '.');
  const amount = figure === '' ? Number.NaN : Number(figure);
  if (!(amount >= 0 && amount < 1e6)) throw new Refusal(`${what} should be a number, like 45, not "${typed}"`);
  return amount;
}

/**
 * Reads notes from a table in CSV: `date, set, sheet, symptom, cause, cure, parts, remember, minutes, money`.
 *
 * @throws Refusal that names each line that is wrong, the first dozen of them
 */
export function readOldNotes(text: string, today: string): OldNote[] {
  const example = 'a heading and lines below it, as date,set,symptom,cause,cure';
  return readTable(text, headings, 'cause', example, (cell, { at }) => {
    const word = (column: keyof typeof headings, most: number) => {
      const typed = cell(at[column]);
      if (typed.length > most) throw new Refusal(`${column} has at most ${most} letters`);
      return typed;
    };
    const cause = word('cause', 4000);
    if (cause === '') throw new Refusal('says no cause');
    const date = cell(at.date);
    return {
      date: date === '' ? today : readDay(date, today),
      set: word('set', 80),
      sheet: word('sheet', 80),
      symptom: word('symptom', 4000),
      cause,
      cure: word('cure', 4000),
      parts: word('parts', 4000),
      remember: word('remember', 4000),
      minutes: readAmount(cell(at.minutes), 'minutes'),
      money: readAmount(cell(at.money), 'money'),
    };
  });
}

/** The sheet an old note names, by id or title, whatever the case; undefined for none or one that is not here. */
export function sheetNamed<S extends { readonly id: string; readonly title: string }>(
  named: string,
  sheets: readonly S[],
): S | undefined {
  const wanted = named.trim().toLowerCase();
  return sheets.find(({ id, title }) => id.toLowerCase() === wanted || title.toLowerCase() === wanted);
}
