import { describe, expect, it } from 'vitest';
import { closeSchema, outcomeTitles } from './closeSchema';

const note = {
  job: '4b4a2a76',
  title: 'Halvane HP-42: upper half dark',
  symptom: 'Upper half dark',
  cause: 'Upper floating capacitor C547 dried out',
  proof: 'Floating 15 V upper 9.1 V before, 15 V after',
  cure: 'Fit a new C547',
  misled: '',
  parts: 'C547 100u 35V',
  remember: '',
  accepted: '',
  fault: 'C547.dry',
  money: 0.6,
  minutes: 42,
  outcome: 'returned',
  kept: '',
  left: '',
};

describe('closing a job', () => {
  it('takes a note as it was drafted, and one whose fault the sheet does not know', () => {
    expect(closeSchema.validateSync(note)).toEqual(note);
    expect(closeSchema.validateSync({ ...note, fault: null, cause: 'not found' }).fault).toBeNull();
  });

  it.each(Object.keys(outcomeTitles))('may end with the set %s', (outcome) => {
    expect(closeSchema.validateSync({ ...note, outcome }).outcome).toBe(outcome);
  });

  it.each([
    [{ title: ' ' }, /give the note a title/],
    [{ cause: '' }, /say what it was, or "not found"/],
    [{ proof: 'x'.repeat(4001) }, /the proof may have at most 4000 letters/],
    [{ money: -1 }, /money cannot be below nothing/],
    [{ money: 'plenty' }, /money should be an amount, like 4.50/],
    [{ minutes: 'long' }, /minutes should be a number, like 75/],
    [{ outcome: 'lost' }, /choose how it ends/],
    [{ job: '' }, /job/],
  ])('refuses %j with one message', (wrong, message) => {
    expect(() => closeSchema.validateSync({ ...note, ...wrong })).toThrow(message);
  });
});
