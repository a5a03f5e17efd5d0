import { describe, expect, it } from 'vitest';
import { type Answer } from '../measure';
import { type LogBody, type LogEntry, replay, reviveBody } from '.';

describe('the log', () => {
  const entry = (id: string, body: LogBody, supersedes?: string): LogEntry => ({
    id,
    at: `2026-11-24T10:0${id.length}:00Z`,
    body,
    ...(supersedes ? { supersedes } : {}),
  });
  const number = (value: number): Answer => ({ kind: 'number', value, shape: 'settled' });
  const took = (id: string, value: number, supersedes?: string) =>
    entry(id, { kind: 'reading', check: 'vs-dc', answer: number(value), text: String(value) }, supersedes);
  const stores = ['C812', 'C841'];

  it('takes a reading in the context of its moment', () => {
    const state = replay(
      [
        entry('a', { kind: 'power', power: 'live' }),
        took('b', 187),
        entry('c', { kind: 'connector', connector: 'CN802', pulled: true }),
        took('d', 188),
      ],
      stores,
    );
    expect(state.readings.map(({ context }) => context.unplugged)).toEqual([[], ['CN802']]);
    expect(state.readings[0]!.context.power).toBe('live');
  });

  it('lets a correction take the place and context of what it supersedes, and keeps the old one', () => {
    const state = replay(
      [
        entry('a', { kind: 'power', power: 'live' }),
        took('b', 18.7),
        entry('c', { kind: 'power', power: 'unplugged' }),
        took('d', 187, 'b'),
        took('e', 186.9, 'd'),
      ],
      stores,
    );
    expect(state.readings).toHaveLength(1);
    expect(state.readings[0]).toMatchObject({ text: '186.9', context: { power: 'live' } });
    expect(state.superseded.map(({ text }) => text)).toEqual(['18.7', '187']);
  });

  it('forgets what was taken back', () => {
    const state = replay([took('a', 1), entry('b', { kind: 'withdrawn' }, 'a')], stores);
    expect(state.readings).toEqual([]);
    expect(state.superseded).toHaveLength(1);
  });

  it('calls a set proven dead only when every store has been measured since the plug was pulled', () => {
    const prove = (id: string, store: string) => entry(id, { kind: 'store', store, volts: 2 });
    const off = entry('a', { kind: 'power', power: 'unplugged' });
    expect(replay([off, prove('b', 'C812')], stores).context.power).toBe('unplugged');
    expect(replay([off, prove('b', 'C812'), prove('c', 'C841')], stores).context.power).toBe('proven');
    const again = [
      off,
      prove('b', 'C812'),
      prove('c', 'C841'),
      entry('d', { kind: 'power', power: 'live' }),
      entry('e', { kind: 'power', power: 'unplugged' }),
    ];
    expect(replay(again, stores).context.power).toBe('unplugged');
  });

  it('knows after how many repairs a reading was taken', () => {
    const repair = entry('b', {
      kind: 'repair',
      action: 'replace:C547',
      title: '',
      cures: ['C547.dry'],
      money: 1,
      minutes: 9,
      note: '',
    });
    const state = replay([took('a', 1), repair, took('c', 2)], stores);
    expect(state.readings.map(({ afterRepairs }) => afterRepairs)).toEqual([0, 1]);
  });

  it('survives JSON, OL included', () => {
    const body: LogBody = { kind: 'reading', check: 'F801-ohms', answer: number(Infinity), text: 'OL' };
    expect(reviveBody(JSON.parse(JSON.stringify(body)) as LogBody)).toEqual(body);
  });

  it('reads a line that was stored under an earlier word', () => {
    const stored = { kind: 'proven', store: 'C812', volts: 3 } as unknown as LogBody;
    expect(reviveBody(stored)).toEqual({ kind: 'store', store: 'C812', volts: 3 });
    expect(replay([{ id: 'a', at: '', body: reviveBody(stored) }], ['C812']).context.power).toBe('proven');
  });
});
