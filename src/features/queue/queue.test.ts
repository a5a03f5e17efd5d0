import { predictionsOf } from '@/core/behaviour';
import { type LogBody, type LogEntry, replay } from '@/core/log';
import { describe, expect, it } from 'vitest';
import { briefingOf, type Case } from '@/core/diagnosis';
import { shippedSheets } from '@/sheets';
import { inOrder, type QueuedJob, queueRow, standingOf } from './queueModel';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = predictionsOf(sheet);
const job: QueuedJob = {
  id: 'a',
  title: 'Arrivals board',
  place: 'Pavilion',
  owner: 'the railway',
  limit: 45,
  createdAt: '2026-11-01T10:00:00Z',
  waiting: null,
};
const number = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const picture = (...symptoms: ('normal' | 'upper_dark')[]): LogBody => ({
  kind: 'reading',
  check: 'picture',
  answer: { kind: 'picture', symptoms },
  text: '',
});
const live: LogBody = { kind: 'power', power: 'live' };
const off: LogBody = { kind: 'power', power: 'unplugged' };
const fitted: LogBody = {
  kind: 'repair',
  action: 'replace:C547',
  title: 'Fit a new C547',
  cures: ['C547.dry'],
  money: 0.6,
  minutes: 22,
  note: '',
};
const caseOf = (...bodies: LogBody[]): Case => ({
  predictions,
  complaint: { symptoms: ['upper_dark'], signs: {} },
  bench: replay(
    bodies.map((body, index): LogEntry => ({ id: `e${index}`, at: '2026-11-24T10:00:00Z', body })),
    [...sheet.stores.keys()],
  ),
  closed: new Map(),
  hourlyRate: 18,
});
const told = (job: Case) => standingOf(job, briefingOf(job));
const standing = (...bodies: LogBody[]) => told(caseOf(...bodies));
const now = Date.parse('2026-11-24T12:00:00Z');
const found = [live, number('vfu-dc', 9.1), off, number('C547-esr', 2.9)];

describe('a row of the queue', () => {
  it('of a set just taken in shows the owner’s picture and the first probe, but no suspect yet', () => {
    const row = queueRow(job, standing(), now);
    expect(row).toMatchObject({
      step: 'taken in',
      symptomText: 'Upper half dark',
      family: 'panel',
      leader: undefined,
      live: false,
      spent: 0,
    });
    expect(row.nextDetail).toMatch(/^\d+ min$/);
  });

  it('of a set that is measured names the suspect in front, then the repair', () => {
    expect(queueRow(job, standing(...found), now)).toMatchObject({
      step: 'measuring',
      leader: { title: 'Upper floating capacitor C547 dried out' },
      next: 'Fit a new upper floating capacitor C547',
    });
    expect(queueRow(job, standing(...found), now).nextDetail).toMatch(/^cures it with (>99|\d\d) %$/);
  });

  it('of a repaired set asks for verification, and of a verified one for closing', () => {
    expect(queueRow(job, standing(...found, fitted), now)).toMatchObject({
      step: 'repaired',
      next: 'Verify the repair',
      spent: 0.6,
      leader: undefined,
    });
    const done = caseOf(...found, fitted, live, picture('normal'), number('vfu-dc', 15));
    expect(queueRow(job, told(done), now)).toMatchObject({
      step: 'verified',
      next: 'Close it',
      symptomText: 'Picture right',
      live: true,
    });
  });

  it('of a set put aside says what it waits for', () => {
    const waiting = { for: 'part', note: '22u ordered', until: '2026-12-02' } as const;
    expect(queueRow({ ...job, waiting }, standing(...found), now)).toMatchObject({
      next: 'Waits for a part',
      nextDetail: '22u ordered, until 2026-12-02',
    });
    expect(
      queueRow({ ...job, waiting: { for: 'soak', note: '', until: '' } }, standing(...found, fitted), now),
    ).toMatchObject({ step: 'soaking', next: 'Soaking', nextDetail: '' });
  });
});

describe('the order of the queue', () => {
  const row = (id: string, more: Partial<QueuedJob> = {}, ...bodies: LogBody[]) =>
    queueRow({ ...job, id, ...more }, standing(...bodies), now);
  const soak = (seconds: number, before?: { failures: number; hours: number }) =>
    queueRow({ ...job, id: 'soak' }, standing(), now, {
      running: true,
      failed: false,
      seconds,
      clean: seconds,
      seen: [],
      stressed: [],
      begun: '',
      before,
    });

  it('puts what is worth most for the hour first, says why, and what waits last', () => {
    const waiting = row('waits', { waiting: { for: 'owner', note: '', until: '' }, value: 900 });
    const rows = inOrder(
      [waiting, row('cheap', { value: 30 }), row('dear', { value: 300 }), row('found', {}, ...found)],
      '£',
    );
    expect(rows.map(({ id }) => id).slice(-1)).toEqual(['waits']);
    expect(rows.findIndex(({ id }) => id === 'dear')).toBeLessThan(rows.findIndex(({ id }) => id === 'cheap'));
    expect(rows[0]!.why).toMatch(/^worth £\d+ an hour/);
    expect(rows[3]!.why).toBe('');
  });

  it('raises what is due, and puts first what was put first by hand unless it waits', () => {
    const far = row('far', { value: 100, due: '2027-02-01' });
    const late = row('late', { value: 100, due: '2026-11-22' });
    const pinned = row('pinned', { value: 10, pinned: true });
    const waiting = { for: 'owner' as const, note: '', until: '' };
    const kept = row('kept', { value: 900, pinned: true, waiting });
    const rows = inOrder([kept, far, late, pinned], '£');
    expect(rows.map(({ id }) => id)).toEqual(['pinned', 'late', 'far', 'kept']);
    expect(rows[0]!.why).toMatch(/^first by hand, worth/);
    expect(rows[1]!.why).toMatch(/due 2 days ago/);
    expect(rows[2]!.why).not.toMatch(/due/);
    expect(inOrder([row('today', { due: '2026-11-24' })], '£')[0]!.why).toMatch(/due today/);
  });

  it('a wait that should be over rises, says by how much, and what to do about it', () => {
    const until = (date: string) => ({ waiting: { for: 'part' as const, note: '22u ordered', until: date } });
    const over = row('over', until('2026-11-22'));
    expect(over).toMatchObject({
      next: 'Ask where the part is',
      nextDetail: 'overdue by 2 days, 22u ordered, until 2026-11-22',
    });
    const today = row('today', until('2026-11-24'));
    expect(today).toMatchObject({ next: 'Waits for a part', nextDetail: '22u ordered, until 2026-11-24' });
    expect(inOrder([today, row('dear', { value: 900 }), over], '£').map(({ id }) => id)).toEqual([
      'over',
      'dear',
      'today',
    ]);
  });

  it('tells of a soak when it may be believed, and puts it first when it may be ended', () => {
    const before = { failures: 3, hours: 1 };
    expect(soak(600, before)).toMatchObject({
      next: 'Soaking 10:00',
      nextDetail: expect.stringMatching(/believed in/) as string,
    });
    expect(soak(600)).toMatchObject({ nextDetail: 'nobody said how often it failed' });
    const over = soak(36_000, before);
    expect(over.next).toBe('End the soak');
    expect(inOrder([row('dear', { value: 900 }), over], '£').map(({ id }) => id)).toEqual(['soak', 'dear']);
  });
});
