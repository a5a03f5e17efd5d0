import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { type LogBody, replay } from '../log';
import { type Symptom } from '../picture';
import { closedCases, shownBy, similarCases } from '.';

const predictions = predictionsOf(shippedSheets().get('halvane-hp-42')!);
const stores = [...predictions.model.sheet.stores.keys()];
const live: LogBody = { kind: 'power', power: 'live' };
const repair: LogBody = { kind: 'repair', action: 'a', title: '', cures: [], money: 0, minutes: 0, note: '' };
const read = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const logOf = (bodies: readonly LogBody[]) =>
  bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-11-01T10:00:00Z', body }));
const closed = (job: string, cause: string, symptoms: readonly Symptom[], ...bodies: readonly LogBody[]) => ({
  job,
  title: `Set ${job}`,
  cause,
  symptoms,
  closedAt: '2026-10-01T10:00:00Z',
  log: logOf([live, ...bodies]),
});
const here = (symptoms: readonly Symptom[], ...bodies: readonly LogBody[]) =>
  shownBy(predictions, replay(logOf([live, ...bodies]), stores).readings, symptoms);

const cases = closedCases(predictions, [
  closed('a', 'C547 dried out', ['upper_dark'], read('vfu-dc', 9), repair, read('vfu-dc', 15)),
  closed('b', 'C547 dried out', ['upper_dark'], read('vfu-dc', 8.4)),
  closed('c', 'IC701 leaky', ['upper_dark'], read('vfu-dc', 15)),
  closed('d', 'Vs supply', ['dark'], read('vfu-dc', 9)),
]);

describe('sets seen before', () => {
  it('are those of a like picture, by cause, as long as nothing was measured', () => {
    const found = similarCases(here(['upper_dark']), cases);
    expect(found.map(({ cause, jobs }) => [cause, jobs.map(({ job }) => job)])).toEqual([
      ['C547 dried out', ['a', 'b']],
      ['IC701 leaky', ['c']],
    ]);
    expect(similarCases(here([]), cases)).toEqual([]);
  });

  it('come down to those that read off in the same way, before their repair', () => {
    const [only, ...others] = similarCases(here(['upper_dark'], read('vfu-dc', 9.1)), cases);
    expect(only).toEqual({
      cause: 'C547 dried out',
      jobs: [
        { job: 'a', title: 'Set a' },
        { job: 'b', title: 'Set b' },
      ],
      shared: ['vfu-dc'],
    });
    expect(others).toEqual([]);
  });

  it('are not those that read otherwise where both were read', () => {
    expect(similarCases(here(['upper_dark'], read('vfu-dc', 15)), cases).map(({ cause }) => cause)).toEqual([
      'IC701 leaky',
    ]);
  });

  it('go by the picture that was seen, not by what was told, once it was', () => {
    const seen: LogBody = {
      kind: 'reading',
      check: 'picture',
      answer: { kind: 'picture', symptoms: ['dark'] },
      text: '',
    };
    expect(similarCases(here(['upper_dark'], seen), cases).map(({ cause }) => cause)).toEqual(['Vs supply']);
  });
});
