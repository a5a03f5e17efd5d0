import { describe, expect, it, vi } from 'vitest';
import { skills } from '@/core/practice';
import { drillsOf } from './actions';
import { loadFirstDrill } from './load';
import {
  abilitiesOf,
  abilityText,
  chosenOf,
  type Given,
  readGiven,
  shareOf,
  skillInTurn,
  withGiven,
  withHunt,
} from './practiceModel';
import { readSuspicions, withSuspicions } from './sureness';

vi.mock('server-only', () => ({}));

const given = (skill: Given['skill'], right: boolean, difficulty = 0): Given => ({ skill, right, difficulty, at: 1 });

describe('answers that were given', () => {
  it('come back as they were kept, and what cannot be read was never given', () => {
    const kept = [given('parts', true), given('safety', false, -1.5)];
    expect(readGiven(JSON.stringify(kept))).toEqual(kept);
    for (const text of [null, '', '{', '7', '{"a":1}', 'null']) expect(readGiven(text)).toEqual([]);
    const mixed = [
      ...kept,
      null,
      7,
      { ...kept[0], skill: 'juggling' },
      { ...kept[0], right: 'yes' },
      { ...kept[0], guess: 2 },
      { ...kept[0], kind: 7 },
      { ...kept[0], at: null },
    ];
    expect(readGiven(JSON.stringify(mixed))).toEqual(kept);
  });

  it('are the last six hundred', () => {
    const many = Array.from({ length: 600 }, (_, at) => ({ ...given('parts', true), at }));
    const now = withGiven(many, { ...given('parts', false), at: 600 });
    expect(now).toHaveLength(600);
    expect([now[0]!.at, now.at(-1)!.at]).toEqual([1, 600]);
  });

  it('tell of each skill by itself, in a word and with how sure that is', () => {
    const abilities = abilitiesOf([...Array(20).fill(given('parts', true, 1)), given('safety', false)] as Given[]);
    expect(abilities.parts.mean).toBeGreaterThan(1);
    expect(abilityText(abilities.parts)).toMatch(/^(sure|very sure), ± \d\.\d after 20$/);
    expect(abilities.safety.mean).toBeLessThan(0);
    expect(abilityText(abilities.pictures)).toBe('not asked yet');
    expect(shareOf(abilities.parts)).toBeGreaterThan(shareOf(abilities.safety));
    expect(shareOf({ mean: 9, sd: 1 })).toBe(1);
  });
});

describe('a hunt that is over', () => {
  const row = { title: '', words: '', bits: 1, minutes: 3, slips: 0, luck: 0 };
  const rows = [0.2, 0, 9].map((loss) => ({ ...row, loss }));

  it('tells of what to measure next by each decision, and of care once; it counts once', () => {
    const before = [given('isolating', true)];
    const gaveUp = { ...row, bits: 0, loss: 0 };
    const after = withHunt(before, 'one', { rows: [...rows, gaveUp], slips: 0 }, 3, 7);
    expect(after.slice(1).map(({ skill, right }) => `${skill} ${right}`)).toEqual([
      'isolating true',
      'isolating true',
      'isolating false',
      'safety true',
    ]);
    expect(withHunt(after, 'one', { rows: rows.slice(0, 1), slips: 12 }, 3, 8).map(({ right }) => right)).toEqual([
      true,
      true,
      false,
    ]);
    expect(withHunt(after, 'two', { rows, slips: 0 }, 3, 8)).toHaveLength(9);
    expect(withHunt(before, 'one', { rows: [], slips: 0 }, 3, 7)).toEqual(before);
    expect(readGiven(JSON.stringify(after))).toEqual(after);
  });

  it('tells of more where it was harder', () => {
    const good = rows.slice(0, 2);
    const ability = (grade: 1 | 5) =>
      abilitiesOf(withHunt([], 'one', { rows: good, slips: 0 }, grade, 7)).isolating.mean;
    expect(ability(5)).toBeGreaterThan(ability(1) + 0.3);
  });
});

describe('what is asked next', () => {
  it('is the skill that least is known of, and not the same twice running', () => {
    const asked = skills.filter((skill) => skill !== 'circuits').map((skill) => given(skill, true));
    expect(skillInTurn(asked)).toBe('circuits');
    expect(skillInTurn([...asked, given('circuits', true)])).not.toBe('circuits');
    let known: Given[] = [];
    const turns = new Map<string, number>();
    for (let turn = 0; turn < 50; turn += 1) {
      const skill = skillInTurn(known);
      turns.set(skill, (turns.get(skill) ?? 0) + 1);
      known = withGiven(known, given(skill, turn % 3 > 0));
    }
    for (const skill of skills) expect(turns.get(skill)).toBeGreaterThan(5);
  });

  it('is of those drawn the one at the edge of what one can', async () => {
    const answer = await drillsOf('instruments', 12);
    if ('refused' in answer) throw new Error(answer.refused);
    expect(answer.done.length).toBeGreaterThan(5);
    expect(await drillsOf('instruments', 12)).toEqual(answer);
    const able = Array(30).fill(given('instruments', true, 1)) as Given[];
    const hardest = Math.max(...answer.done.map(({ difficulty }) => difficulty));
    expect(chosenOf(answer.done, 'instruments', able)!.difficulty).toBe(hardest);
    const unable = Array(30).fill(given('instruments', false, -1)) as Given[];
    expect(chosenOf(answer.done, 'instruments', unable)!.difficulty).toBeLessThan(hardest);
  });

  it.each([
    ['juggling', 1, /there is no skill "juggling"; there are parts/],
    ['parts', 0.5, /a seed is a whole number/],
  ])('of %s with seed %s is refused', async (skill, seed, message) => {
    expect(await drillsOf(skill as 'parts', seed)).toEqual({ refused: expect.stringMatching(message) as string });
  });

  it('is there when the page comes', () => expect(loadFirstDrill().skill).toBe('parts'));
});

describe('suspicions that are kept', () => {
  const one = { hunt: 'a', sure: 0.6, right: true };

  it('are kept once a hunt, and what cannot be read was never said', () => {
    const kept = withSuspicions([], 'a', [{ sure: 0.6, right: true }]);
    expect(kept).toEqual([one]);
    expect(withSuspicions(kept, 'a', [{ sure: 0.7, right: false }])).toEqual([{ hunt: 'a', sure: 0.7, right: false }]);
    expect(withSuspicions(kept, 'b', [])).toEqual([one]);
    expect(readSuspicions(JSON.stringify(kept))).toEqual(kept);
    for (const text of [null, '{', '7', '[{"hunt":"a"}]', '[{"hunt":"a","sure":4,"right":true}]'])
      expect(readSuspicions(text)).toEqual([]);
  });
});
