import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions } from '../behaviour';
import { readEntry } from '../entry';
import { answerText, judgeAnswer } from '.';

const sheet = shippedSheets().get('halvane-hp-42')!;
const predictions = new Predictions(compileSheet(sheet));
const { checks } = predictions;
const judged = (line: string) => {
  const entry = readEntry(line, { sheet, checks });
  if (entry.kind !== 'reading') throw new Error('no reading');
  return judgeAnswer(predictions, entry.check, entry.answer, liveCold);
};

describe('verdicts', () => {
  it.each([
    ['vscan -121.4', 'low', '28 % weak'],
    ['vscan -167', 'within', 'within'],
    ['vs 0.3', 'dead', 'nothing there'],
    ['vs 187 brief', 'odd', 'up, then gone'],
    ['C547 esr 2.9', 'high', /times what a good one shows/],
    ['C547 esr 2900', 'high', /is the unit right\?$/],
    ['F801 OL', 'open', 'open'],
    ['buzz weak', 'odd', 'weak, not yes'],
    ['vs-ohms 0.6', 'dead', 'shorted'],
    ['R902 120k', 'odd', /proves nothing: lift a leg/],
    ['R902 700k', 'high', /./],
    ['picture upper_dark', 'odd', 'not right'],
  ] as const)('calls "%s" %s', (line, mark, words) => {
    expect(judged(line).mark).toBe(mark);
    expect(judged(line).words).toMatch(words);
  });

  it('says of next to nothing what it means by the way it was taken', () => {
    const tube = new Predictions(compileSheet(shippedSheets().get('pellisar-tc-14')!));
    const words = (id: string, value: number) =>
      judgeAnswer(tube, tube.checks.get(id)!, { kind: 'number', value, shape: 'settled' }, liveCold).words;
    expect(words('hdrive-hz', 0)).toBe('not running');
    expect(words('T402-rings', 0)).toBe('no ring: a shorted turn');
    expect(words('kg-dc', 0)).toBe('nothing there');
    const diode = [...tube.checks.values()].find(({ measure }) => measure === 'diode')!;
    expect(words(diode.id, 0.01)).toBe('shorted');
  });

  it('judges in the context: nothing is right behind a pulled connector', () => {
    const check = checks.get('vs-scan-dc')!;
    const pulled = { ...liveCold, unplugged: ['CN802'] };
    expect(judgeAnswer(predictions, check, { kind: 'number', value: 0.1, shape: 'settled' }, pulled).mark).toBe(
      'within',
    );
    expect(judgeAnswer(predictions, check, { kind: 'number', value: 0.1, shape: 'settled' }, liveCold).mark).toBe(
      'dead',
    );
  });
});

describe('answers in words', () => {
  it('says figures, moments and pictures', () => {
    expect(answerText(checks.get('vs-dc')!, { kind: 'number', value: 186.42, shape: 'brief' })).toBe(
      '186.4 V, then gone',
    );
    expect(answerText(checks.get('picture')!, { kind: 'picture', symptoms: ['upper_dark', 'pink'] })).toBe(
      'Upper half dark, Pink patches on white',
    );
  });
});
