import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../../behaviour';
import { type LogBody, type LogEntry, replay } from '../../log';
import { repairActions } from '../../repair';
import { openSheet } from '../../sheet';
import { chanceOfClean, chanceOfFailures } from '../../soak';
import { adviseOn, type Case, evidenceIn, posteriorOf, reasonsFrom } from '..';

const predictions = predictionsOf(openSheet(shippedSheets().get('generic-crt-colour')!));
const { sheet } = predictions.model;
const hour = 3_600_000;
const noon = Date.parse('2026-03-01T12:00:00Z');

/** What was told at so many hours. */
function caseOf(...told: readonly (readonly [hours: number, body: LogBody])[]): Case {
  const log = told.map(([hours, body], index): LogEntry => ({
    id: `e${index}`,
    at: new Date(noon + hours * hour).toISOString(),
    body,
  }));
  return {
    predictions,
    complaint: { symptoms: ['dark'], signs: {}, manner: 'random' },
    bench: replay(log, []),
    closed: new Map(),
    hourlyRate: 18,
  };
}
const soak = (event: 'begun' | 'seen' | 'ended' | 'failed', text = ''): LogBody => ({ kind: 'soak', event, text });

const { fault } = posteriorOf(caseOf()).suspects.find((one) => one.fault.mode === 'joint')!;
const { id: action, title, listed } = repairActions(sheet).find(({ cures }) => cures.includes(fault.id))!;
const repaired: LogBody = { kind: 'repair', action, title, cures: listed, money: 0, minutes: 6, note: '' };
const done = [0, repaired] as const;
const live = [0, { kind: 'power', power: 'live' }] as const;
const before = { failures: 3, hours: 10 };
const odds = (job: Case) => {
  const { curedChance } = adviseOn(job);
  return curedChance / (1 - curedChance);
};

describe('a soak that has ended', () => {
  const alone = caseOf(done, live);

  it('raises the odds of a cure by how unlikely it was to run clean uncured', () => {
    const clean = caseOf(done, live, [1, soak('begun', '3 in 10 h')], [21, soak('ended')]);
    expect(odds(clean) / odds(alone)).toBeCloseTo(1 / chanceOfClean(before, 20), 6);
  });

  it('lowers them where it failed, and says so of what was dealt with', () => {
    const failed = caseOf(
      done,
      live,
      [1, soak('begun', '3 in 10 h')],
      [3, soak('seen', 'dark for a moment')],
      [6, soak('failed')],
    );
    // What may be left beside what was dealt with is looked into further then, which tells a little by itself.
    expect(odds(failed) / odds(alone) / (0.03 / chanceOfFailures(before, 2, 5))).toBeCloseTo(1, 1);
    const posterior = posteriorOf(failed);
    expect(reasonsFrom(predictions, evidenceIn(posterior)(fault.id))).toContainEqual(
      expect.objectContaining({ raises: false, text: 'Ran 5 h and failed 2 times, before that 3 in 10 h' }),
    );
  });

  it('tells nothing while it runs, before anything was done, or where nobody said how often it failed', () => {
    expect(odds(caseOf(done, live, [1, soak('begun', '3 in 10 h')]))).toBe(odds(alone));
    expect(odds(caseOf(done, live, [1, soak('begun')], [21, soak('ended')]))).toBe(odds(alone));
    const first = [
      [-9, soak('begun', '3 in 10 h')],
      [-2, soak('ended')],
    ] as const;
    expect(odds(caseOf(...first, done, live))).toBeCloseTo(odds(alone), 9);
  });
});

describe('the chance of so many failures', () => {
  it('adds up to one over how many there may be, and is that of none for none', () => {
    expect(chanceOfFailures(before, 0, 7)).toBe(chanceOfClean(before, 7));
    let all = 0;
    for (let times = 0; times < 200; times += 1) all += chanceOfFailures(before, times, 7);
    expect(all).toBeCloseTo(1, 9);
  });
});
