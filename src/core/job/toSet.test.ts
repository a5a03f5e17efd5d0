import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { type LogBody, type LogEntry, replay } from '../log';
import { withLabel } from '../sheet';
import { setOn, toSet } from '.';

const shipped = shippedSheets().get('halvane-hp-42')!;
const sheet = withLabel(shipped, { vs: 191 });
const predictions = predictionsOf(sheet);
const read = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const done = (action: string): LogBody => ({
  kind: 'repair',
  action,
  title: action,
  cures: [],
  money: 0,
  minutes: 10,
  note: '',
});

/** What is left to set after some lines, by its title and volts. */
function left(...bodies: LogBody[]) {
  const log = [{ kind: 'power', power: 'live' } as const, ...bodies].map((body, index): LogEntry => ({
    id: `e${index}`,
    at: '2026-03-01T10:00:00Z',
    body,
  }));
  const bench = replay(log, []);
  return toSet({ predictions, complaint: { symptoms: [], signs: {} }, bench, closed: new Map(), hourlyRate: 18 }).map(
    ({ step, volts }) => [step.title, volts],
  );
}

describe('a board put in anew', () => {
  it('is set to what the label of this set says', () => {
    expect(setOn(sheet, 'psu').map(({ step, volts, unread }) => [step.title, volts, unread])).toEqual([
      ['Vs', 191, false],
      ['Va', 63, false],
    ]);
    expect(setOn(sheet, 'logic')).toEqual([]);
  });

  it('asks for what it is set to until it has read so', () => {
    expect(left(read('vs-dc', 191))).toEqual([]);
    expect(left(read('vs-dc', 191), done('replace:C812'))).toEqual([]);
    const swapped = [read('vs-dc', 191), done('swap:psu')];
    expect(left(...swapped).map(([title]) => title)).toEqual(['Vs', 'Va']);
    expect(left(...swapped, read('vs-dc', 180)).map(([title]) => title)).toEqual(['Vs', 'Va']);
    expect(left(...swapped, read('vs-dc', 190.5), read('va-dc', 63))).toEqual([]);
    // What was set stays so, whatever is repaired after it.
    expect(left(...swapped, read('vs-dc', 190.5), read('va-dc', 63), done('replace:C547'))).toEqual([]);
  });
});
