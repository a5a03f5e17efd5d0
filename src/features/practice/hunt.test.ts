import { describe, expect, it } from 'vitest';
import { drawHunt, type HuntAct } from '@/core/practice';
import { repairActions } from '@/core/repair';
import { shippedSheets } from '@/sheets';
import { drawFrom, hintFor, viewHunt } from './huntActions';
import { huntViewOf, setsFor } from './huntView';
import { readHunt } from './useHunt';

const shipped = [...shippedSheets().values()];
const seed = 12;
const tubes = setsFor(shipped, 'tube');
const { fault, predictions } = drawHunt(tubes, seed);
const cure = repairActions(predictions.model.sheet).find(({ cures }) => cures.includes(fault.id))!;
const live: HuntAct = { kind: 'power', to: 'live' };
const ask = (acts: readonly unknown[]) => viewHunt({ seed, aim: 'tube', acts });

describe('a hunt as its page shows it', () => {
  it('keeps to the kind of set that was asked for', () => {
    expect(setsFor(shipped, 'any')).toHaveLength(shipped.length);
    for (const { technology } of setsFor(shipped, 'panel')) expect(technology).toBe('plasma');
    expect(tubes.length + setsFor(shipped, 'panel').length + setsFor(shipped, 'light').length).toBe(shipped.length);
  });

  it('tells nothing of what is wrong before it is over, and all of it then', async () => {
    const open = huntViewOf(tubes, seed, [live, { kind: 'probe', check: 'picture' }]);
    expect(open).toMatchObject({ power: 'live', ended: undefined, debrief: undefined });
    expect(open.rows.map(({ title, mark }) => [title, mark])).toEqual([
      ['Power on', undefined],
      ['The picture', 'odd'],
    ]);
    const slipped = [live, { kind: 'repair', action: cure.id }, { kind: 'power', to: 'proven' }];
    const answer = await ask([...slipped, { kind: 'repair', action: cure.id }]);
    if ('refused' in answer) throw new Error(answer.refused);
    const { rows, ended, debrief, harm } = answer.done;
    expect(rows[1]!.consequences[0]!.words).toMatch(/under power/);
    expect(rows[3]).toMatchObject({ words: 'the set works', mark: 'within' });
    expect([ended, harm >= 40]).toEqual(['cured', true]);
    expect(debrief!.culprit).toBe(fault.title);
    expect(debrief!.summary).toMatch(
      /^It took you \d+ min; from what the owner told \d+ min was to be expected\. .*went wrong on the way/,
    );
    expect(debrief!.rows.map(({ title }) => title)).toEqual([cure.title]);
    expect(debrief!.lost + debrief!.slips + debrief!.luck).toBeCloseTo(debrief!.own - debrief!.expected, 6);
  });

  it.each([
    [[{ kind: 'kick' }], 'an act is one of power'],
    [[{ kind: 'power', to: 'half' }], 'to must be one of'],
    [[{ kind: 'probe', check: 'nowhere' }], 'no point "nowhere"'],
    [[{ kind: 'give up' }, live], 'the hunt is over'],
    [Array.from({ length: 301 }, () => live), 'up to 300 acts'],
    [[null], 'acts[0] is a required field'],
  ])('is refused in words: %j', async (acts, message) => {
    expect(await ask(acts)).toEqual({ refused: expect.stringContaining(message) as unknown });
  });

  it('gives hints that rest on what was read, as much as is asked for', async () => {
    const hint = (level: 'where' | 'what to do' | 'what it is') => hintFor({ seed, aim: 'tube', acts: [] }, level);
    expect(await hint('where')).toEqual({
      done: expect.stringMatching(/^From what you know it lies in .* \d+ %\.$/) as unknown,
    });
    expect(await hint('what to do')).toEqual({
      done: expect.stringMatching(/^Probe “.*”: expected to save/) as unknown,
    });
    expect(await hint('what it is')).toEqual({
      done: expect.stringMatching(/^Most suspected: .*, \d+ %\.$/) as unknown,
    });
    expect(await hintFor({ seed, aim: 'tube', acts: [{ kind: 'give up' }] }, 'where')).toMatchObject({
      refused: expect.stringContaining('the hunt is over') as unknown,
    });
  });
});

describe('a hunt that is asked for', () => {
  it('is of the grade and the kind that was wanted, the same from the same seed on', async () => {
    for (const grade of [1, 5] as const) {
      const drawnOne = await drawFrom({ seed: 40, aim: 'panel', grade });
      expect(drawnOne).toEqual({ done: { seed: expect.any(Number) as unknown, grade } });
      expect(await drawFrom({ seed: 40, aim: 'panel', grade })).toEqual(drawnOne);
    }
    expect(await drawFrom({ seed: 40, aim: 'light' })).toMatchObject({ done: { seed: 40 } });
    expect(await drawFrom({ seed: 40, aim: 'light', grade: 9 })).toMatchObject({
      refused: expect.stringContaining('a grade is one of 1') as unknown,
    });
    expect(await drawFrom({ seed: 0.5, aim: 'light' })).toEqual({ refused: 'a seed is a whole number' });
  });
});

describe('a hunt that was left', () => {
  it('is taken up as it was kept, and is none where it cannot be read', () => {
    const kept = { seed, aim: 'tube', acts: [live], hints: [] };
    expect(readHunt(JSON.stringify(kept))).toEqual(kept);
    for (const text of [null, '', '{', '[]', '{"seed":"x"}', '{"seed":4}']) expect(readHunt(text)).toBeUndefined();
  });
});
