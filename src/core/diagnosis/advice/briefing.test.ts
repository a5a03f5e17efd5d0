import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../../behaviour';
import { openSheet } from '../../sheet';
import { type LogBody, type LogEntry, replay } from '../../log';
import { type Case } from '../belief';
import { adviseOn } from './advice';
import { followed, weightsOf } from './briefed';
import { briefingOf } from './briefing';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = predictionsOf(sheet);
const stores = [...sheet.stores.keys()];

function caseOf(...bodies: LogBody[]): Case {
  const log = bodies.map((body, index): LogEntry => ({ id: `line-${index}`, at: '2026-11-24T10:00:00Z', body }));
  return {
    predictions,
    complaint: { symptoms: ['upper_dark'], signs: {} },
    bench: replay(log, stores),
    closed: new Map(),
    hourlyRate: 20,
  };
}
const reading = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const live: LogBody = { kind: 'power', power: 'live' };
/** As it comes out of a worker or off the server. */
const sent = <T>(value: T): T => structuredClone(value);

describe('a briefing', () => {
  const found = caseOf(live, reading('vs-dc', 187), reading('vfu-dc', 9.1), reading('C547-esr', 2.9));

  it('says what the advice says, in names and numbers that can be sent', () => {
    const advice = adviseOn(found);
    const briefed = followed(sent(briefingOf(found)), predictions);
    expect(briefed.next).toBe(advice.next);
    expect(briefed.suspects.map(({ fault, probability }) => [fault, probability])).toEqual(
      advice.posterior.suspects.map(({ fault, probability }) => [fault, probability]),
    );
    expect(
      briefed.probes.map(({ probe, minutes, saves }) => [probe.id, probe.check, probe.context, minutes, saves]),
    ).toEqual(advice.probes.map(({ probe, minutes, saves }) => [probe.id, probe.check, probe.context, minutes, saves]));
    expect(briefed.repairs.map(({ action, chance }) => [action.id, chance])).toEqual(
      advice.repairs.map(({ action, chance }) => [action.id, chance]),
    );
    expect(Math.max(...weightsOf(briefed).values())).toBe(briefed.suspects[0]!.probability);
  });

  it('gives the leading suspect its reasons, with the readings that raised it', () => {
    const { suspects, reasons, next } = briefingOf(found);
    expect(suspects[0]!.fault).toBe('C547.dry');
    expect(next).toBe('act');
    expect(
      reasons['C547.dry']!.filter(({ raises }) => raises)
        .map(({ text }) => text)
        .join(),
    ).toMatch(/C547/);
  });

  it('names a reading that speaks against all the others, once', () => {
    const odd = caseOf(
      live,
      reading('vs-dc', 187),
      reading('vfu-dc', 9.1),
      reading('C547-esr', 2.9),
      reading('v15-dc', 3),
    );
    const { doubts } = briefingOf(odd);
    expect(doubts.map(({ entry, twice }) => [entry, twice])).toEqual([['line-4', false]]);
    expect(doubts[0]!.said).toMatch(/3 V, a good set gives 15 V/);
    // What the sheet has from the maker is no guess.
    expect(doubts[0]!.own).toBeUndefined();
  });

  it('says what to type where an odd rail is only guessed by the sheet, and may be so on these sets', () => {
    const guesses = predictionsOf(openSheet(shippedSheets().get('generic-projection-tubes')!));
    const ownOf = (volts: number) =>
      briefingOf({
        ...caseOf(live, reading('vneg-dc', -9.4), reading('vpos-dc', volts)),
        predictions: guesses,
        complaint: { symptoms: ['short_picture'], signs: {} },
      }).doubts.map(({ own }) => own);
    expect(ownOf(24.1)).toContain('rail vpos 24.1');
  });

  it('tells what still holds a rail down while it is isolated', () => {
    const short = caseOf({ kind: 'power', power: 'unplugged' }, reading('vs-ohms', 0.7));
    const { isolation } = briefingOf(short);
    expect(isolation).toBeDefined();
    expect(briefingOf(caseOf(live, reading('vs-dc', 187))).isolation).toBeUndefined();
  });
});
