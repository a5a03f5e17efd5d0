import { describe, expect, it } from 'vitest';
import { type LogBody } from '../log';
import {
  type ClosedJob,
  dayAfter,
  dayIn,
  daysUntilEnd,
  mondayOf,
  type OnOrder,
  startOfDay,
  waitedIn,
  weekOf as weekIn,
  type WorkedLine,
} from '.';

const monday = '2026-11-23';
const weekOf = (from: string, lines: readonly WorkedLine[], jobs: readonly ClosedJob[], zone = 'UTC') =>
  weekIn(from, lines, jobs, zone);
const at = (time: string, body: LogBody, job = 'a'): WorkedLine => ({ job, at: `2026-11-${time}:00Z`, body });
const reading: LogBody = { kind: 'reading', check: 'vs-dc', answer: { kind: 'choice', choice: 'yes' }, text: '' };
const repair = (minutes: number, money = 0): LogBody => ({
  kind: 'repair',
  action: 'replace:R1',
  title: 'Fit a new R1',
  cures: ['R1.open'],
  money,
  minutes,
  note: '',
});
const closed: ClosedJob = {
  job: 'a',
  title: 'Pier set',
  chassis: 'Colour tube set',
  cause: 'R1 open',
  fault: 'R1.open',
  outcome: 'returned',
  value: 200,
  money: 12,
  minutes: 60,
  days: 3,
  repairs: [
    { title: 'Fit a new R2', cures: ['R2.open'], minutes: 15, money: 3 },
    { title: 'Fit a new R1', cures: ['R1.open'], minutes: 12, money: 9 },
  ],
};

describe('a week', () => {
  it('begins on its Monday, whatever day is named', () => {
    for (const day of ['2026-11-23', '2026-11-25', '2026-11-29']) expect(mondayOf(day)).toBe(monday);
    expect(mondayOf('2027-01-01')).toBe('2026-12-28');
    expect(dayAfter('2026-12-28', 7)).toBe('2027-01-04');
    for (const none of ['2026-02-30', 'today', '', '2026-1-1']) expect(() => mondayOf(none)).toThrow('is no day');
  });

  it('gives each line the time since the one before, at whichever set, and no breaks', () => {
    const { steps, minutes, days } = weekOf(
      monday,
      [
        at('23T09:00', { kind: 'power', power: 'live' }),
        at('23T09:04', reading),
        at('23T09:10', reading, 'b'),
        at('23T13:00', reading, 'b'),
        at('24T10:00', { kind: 'note', text: 'dark' }),
      ],
      [],
    );
    expect(steps).toEqual([
      { step: 'powering', minutes: 2 },
      { step: 'measuring', minutes: 4 + 6 + 2 },
      { step: 'writing', minutes: 2 },
    ]);
    expect(minutes).toBe(16);
    expect(days.map((one) => one.minutes)).toEqual([14, 2, 0, 0, 0, 0, 0]);
  });

  it('gives a repair what was written down for it, and what lay before it where that is more', () => {
    const spentOn = (between: string, body: LogBody) =>
      weekOf(monday, [at('23T09:00', reading), at(between, body)], []).steps.find(({ step }) => step === 'repairing');
    expect(spentOn('23T09:05', repair(20))!.minutes).toBe(20);
    expect(spentOn('23T09:15', repair(5))!.minutes).toBe(15);
    expect(spentOn('23T12:00', repair(5))!.minutes).toBe(5);
    expect(weekOf(monday, [at('23T09:00', repair(5, 7)), at('23T09:20', repair(5, 4))], []).spent).toBe(11);
  });

  it('says what was saved, what it was by chassis, and which repairs were not the cure', () => {
    const stripped = { ...closed, job: 'c', outcome: 'stripped', fault: null };
    const { saved, causes, wrongTurns } = weekOf(monday, [], [closed, { ...closed, job: 'b' }, stripped]);
    expect(saved).toBe(2 * (200 - 12));
    expect(causes).toEqual([{ chassis: 'Colour tube set', cause: 'R1 open', count: 3 }]);
    expect(wrongTurns).toEqual([
      { set: 'Pier set', title: 'Fit a new R2', minutes: 15, money: 3 },
      { set: 'Pier set', title: 'Fit a new R2', minutes: 15, money: 3 },
    ]);
  });

  it('has days that begin where the shop is', () => {
    // Monday nine in the morning in Auckland is still Sunday in Greenwich.
    const early = [{ job: 'a', at: '2026-11-22T20:00:00Z', body: reading }];
    const worked = (zone: string) => weekOf(monday, early, [], zone).days.map(({ minutes }) => minutes);
    expect(worked('Pacific/Auckland')).toEqual([2, 0, 0, 0, 0, 0, 0]);
    expect(worked('UTC')).toEqual([0, 0, 0, 0, 0, 0, 0]);
  });
});

describe('a day of a zone', () => {
  it.each(['UTC', 'Pacific/Auckland', 'America/Los_Angeles', 'Asia/Kolkata', 'Europe/London'])('%s', (zone) => {
    // Every day of a year, those on which clocks are changed among them.
    for (let after = 0; after < 366; after += 1) {
      const date = dayAfter('2026-01-01', after);
      const start = startOfDay(date, zone);
      expect(dayIn(start, zone)).toBe(date);
      expect(dayIn(start - 1, zone)).toBe(dayAfter(date, -1));
      expect(daysUntilEnd(date, start, zone)).toBe(1);
    }
  });
});

describe('sets that waited for parts', () => {
  const order = (job: string, from: string, until?: string): OnOrder => ({
    job,
    title: `Set ${job}`,
    typed: `C ${from}`,
    from: `2026-11-${from}T00:00:00Z`,
    until: until && `2026-11-${until}T00:00:00Z`,
  });
  const [from, until] = [Date.parse('2026-11-23T00:00:00Z'), Date.parse('2026-11-30T00:00:00Z')];

  it('count the days of the week, those that overlap once, and what is still on its way to the end', () => {
    const waited = waitedIn(
      [order('a', '20', '25'), order('a', '24', '26'), order('b', '29'), order('c', '10', '20')],
      from,
      until,
    );
    expect(waited.map(({ job, days }) => [job, days])).toEqual([
      ['a', 3],
      ['b', 1],
    ]);
    expect(waited[0]!.parts).toHaveLength(2);
  });
});
