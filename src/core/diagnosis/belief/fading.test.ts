import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions } from '../../behaviour';
import { type LogBody, type LogEntry, replay } from '../../log';
import { answerFrom } from '../../practice';
import { openSheet } from '../../sheet';
import { seeded } from '../../statistics';
import { adviseOn, type Case } from '..';
import { byEpisodes, showing } from './fading';

const tube = new Predictions(compileSheet(openSheet(shippedSheets().get('generic-crt-colour')!)));
const joint = tube.model.sheet.faults.get('V-OUT.joint')!;
const on: LogBody = { kind: 'power', power: 'live' };
const off: LogBody = { kind: 'power', power: 'unplugged' };

/** What a check reads with the joint open, or made. */
function read(id: string, there: boolean): LogBody {
  const check = tube.checks.get(id)!;
  const answer = answerFrom(tube.expectationOf(there ? [joint] : [], check, liveCold), 0.005, seeded(3));
  return { kind: 'reading', check: id, answer, text: '' };
}

function caseOf(...bodies: LogBody[]): Case {
  const log = bodies.map((body, index): LogEntry => ({ id: `e${index}`, at: '2026-11-25T10:00:00Z', body }));
  return {
    predictions: tube,
    complaint: { symptoms: [], signs: {} },
    bench: replay(log, [...tube.model.sheet.stores.keys()]),
    closed: new Map(),
    hourlyRate: 18,
  };
}

describe('what was read while the fault was away', () => {
  const away = [on, read('picture', true), off, on, read('picture', false), read('vyoke-ac', false)];
  const asked = (job: Case) => adviseOn(job).probes.find(({ probe }) => probe.check.id === 'vyoke-ac');

  it('is asked for again once the set was switched on anew, and that is said', () => {
    expect(asked(caseOf(...away))).toBeUndefined();
    expect(asked(caseOf(...away, off, on, read('picture', true)))?.readAtRest).toBe(true);
  });

  it('is said once it was read with the fault there', () => {
    const seen = [...away, off, on, read('picture', true), read('vyoke-ac', true)];
    expect(asked(caseOf(...seen))?.readAtRest).toBeUndefined();
  });

  it('is given up after three switchings on', () => {
    const again = [off, on, read('vyoke-ac', false)];
    expect(asked(caseOf(...away, ...again, ...again, off, on, read('picture', true)))).toBeUndefined();
  });
});

describe('a thing that comes and goes, weighed by switchings on', () => {
  it('is weighed once an episode: two readings of one that fit say hardly more than one that fits as well', () => {
    const episode = { episode: 1, elsewhere: 0 };
    const gainOf = byEpisodes();
    const both = gainOf(episode, 3) + gainOf(episode, 3);
    expect(both).toBeCloseTo(Math.log(showing * Math.exp(6) + 1 - showing), 10);
  });

  it('falls by what it is seldom away with each good reading of another episode, and by no more within one', () => {
    const gainOf = byEpisodes();
    const good = (episode: number) => gainOf({ episode, elsewhere: 0 }, -30);
    expect(good(1)).toBeCloseTo(Math.log(1 - showing), 6);
    expect(good(1)).toBeCloseTo(0, 6);
    expect(good(2)).toBeCloseTo(Math.log(1 - showing), 6);
  });
});
