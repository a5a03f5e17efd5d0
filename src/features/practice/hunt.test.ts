import { describe, expect, it, vi } from 'vitest';
import { drawHunt, type Exercise, type HuntAct, readExercise, writeExercise } from '@/core/practice';
import { repairActions } from '@/core/repair';
import { shippedSheets } from '@/sheets';
import { actOf } from './actOf';
import { drawFrom, hintFor, openExercise, viewHunt } from './huntActions';
import { resultOf } from './huntResult';
import { movesFor } from './huntMoves';
import { huntViewOf, setsFor } from './huntView';
import { readHunt } from './useHunt';

vi.mock('server-only', () => ({}));

const shipped = [...shippedSheets().values()];
const seed = 12;
const tubes = setsFor(shipped, 'tube');
const hunt = drawHunt(tubes, seed);
const { fault, predictions } = hunt;
const exercise: Exercise = {
  title: 'A dark set',
  sheet: predictions.model.sheet.id,
  fault: undefined,
  seed,
  world: 'one',
  minutes: undefined,
  hints: undefined,
};
const cure = repairActions(predictions.model.sheet).find(({ cures }) => cures.includes(fault.id))!;
const live: HuntAct = { kind: 'power', to: 'live' };
const ask = (acts: readonly unknown[], more = {}) => viewHunt({ exercise: { ...exercise, ...more }, acts });

describe('a hunt as its page shows it', () => {
  it('keeps to the kind of set that was asked for', () => {
    expect(setsFor(shipped, 'any')).toHaveLength(shipped.length);
    for (const { technology } of setsFor(shipped, 'panel')) expect(technology).toBe('plasma');
    expect(tubes.length + setsFor(shipped, 'panel').length + setsFor(shipped, 'light').length).toBe(shipped.length);
  });

  it('tells nothing of what is wrong before it is over, and all of it then', async () => {
    const open = huntViewOf(hunt, [live, { kind: 'probe', check: 'picture' }]);
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

  it('has the line of its set with what was read on it, and nobody suspected', async () => {
    const bead = [...predictions.checks.values()].find(({ measure, point }) => measure === 'dc' && point?.net)!;
    const answer = await ask([live, { kind: 'probe', check: bead.id }]);
    if ('refused' in answer) throw new Error(answer.refused);
    const { line, checks } = answer.done;
    const read = line!.beads.filter(({ mark }) => mark !== 'unread');
    expect(read.map(({ net }) => net)).toEqual([bead.point!.net]);
    expect(checks.find(({ id }) => id === bead.id)!.net).toBe(bead.point!.net);
    expect(line!.blocks.every(({ share, tip }) => share === 0 && !tip.includes('suspected'))).toBe(true);
  });

  it('takes the keys of the bench for what they are', () => {
    expect(actOf({ kind: 'power', power: 'live' })).toEqual(live);
    expect(actOf({ kind: 'lamp', fitted: true })).toEqual({ kind: 'lamp', fitted: true });
    expect(actOf({ kind: 'withdrawn' })).toBeUndefined();
  });

  it('offers what may be taken apart by what is typed, and what is off to go back', () => {
    const { connectors, parts } = predictions.model.sheet;
    const [connector, part] = [[...connectors.keys()][0]!, fault.part];
    const open = huntViewOf(hunt, [{ kind: 'power', to: 'proven' }]);
    expect(movesFor(open, '')).toEqual([]);
    expect(movesFor(open, `pull ${connector.toLowerCase()}`)[0]!.act).toEqual({
      kind: 'connector',
      connector,
      pulled: true,
    });
    expect(movesFor(open, 'lift').length).toBeGreaterThan(0.5 * parts.size);
    const off: HuntAct[] = [
      { kind: 'power', to: 'proven' },
      { kind: 'connector', connector, pulled: true },
      { kind: 'leg', part, lifted: true },
    ];
    const apart = huntViewOf(hunt, off);
    expect(movesFor(apart, '').map(({ act }) => act)).toEqual([
      { kind: 'connector', connector, pulled: false },
      { kind: 'leg', part, lifted: false },
    ]);
    expect(apart.rows[1]!.title).toBe(`${connector} pulled`);
    expect(apart.rows[2]!.title).toMatch(/: a leg lifted$/);
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

  it('tells how sure one was, and how right', async () => {
    const suspect = (part: string, sure: number): HuntAct => ({ kind: 'suspect', part, sure });
    const open = huntViewOf(hunt, [suspect(fault.part, 0.7)]);
    expect(open.rows[0]).toMatchObject({ title: expect.stringContaining('Suspected: ') as unknown, value: '70 %' });
    expect(open.parts.map(({ id }) => id)).toContain(fault.part);
    const other = open.parts.find(({ id }) => id !== fault.part)!.id;
    const answer = await ask([suspect(other, 0.9), suspect(other, 0.9), suspect(fault.part, 0.6), { kind: 'give up' }]);
    if ('refused' in answer) throw new Error(answer.refused);
    const { statements, sureness, brier } = answer.done.debrief!;
    expect(statements.map(({ right }) => right)).toEqual([false, false, true]);
    expect(sureness).toMatch(
      /^You named a suspect 3 times, sure by 80 %, and were right in 33 %: too sure\. By what was read/,
    );
    expect(brier).toBeCloseTo((0.81 + 0.81 + 0.16) / 3, 9);
    expect(await ask([{ kind: 'suspect', part: other, sure: 4 }])).toEqual({ refused: 'sureness is less than 100 %' });
    expect(await ask([{ kind: 'suspect', part: 'R0', sure: 0.4 }])).toMatchObject({
      refused: expect.stringContaining('has no part "R0"') as unknown,
    });
  });

  it('gives hints that rest on what was read, as much as is asked for', async () => {
    const hint = (level: 'where' | 'what to do' | 'what it is') => hintFor({ exercise, acts: [] }, level);
    expect(await hint('where')).toEqual({
      done: expect.stringMatching(/^From what you know it lies in .* \d+ %\.$/) as unknown,
    });
    expect(await hint('what to do')).toEqual({
      done: expect.stringMatching(/^Probe “.*”: expected to save/) as unknown,
    });
    expect(await hint('what it is')).toEqual({
      done: expect.stringMatching(/^Most suspected: .*, \d+ %\.$/) as unknown,
    });
    expect(await hintFor({ exercise, acts: [{ kind: 'give up' }] }, 'where')).toMatchObject({
      refused: expect.stringContaining('the hunt is over') as unknown,
    });
  });
});

describe('a hunt that is asked for', () => {
  it('is of the grade and the kind that was wanted, the same from the same seed on', async () => {
    for (const grade of [1, 5] as const) {
      const drawnOne = await drawFrom({ seed: 40, aim: 'panel', world: 'one', grade });
      expect(drawnOne).toMatchObject({ done: { exercise: { seed: expect.any(Number) as unknown }, grade } });
      expect(await drawFrom({ seed: 40, aim: 'panel', world: 'one', grade })).toEqual(drawnOne);
    }
    expect(await drawFrom({ seed: 40, aim: 'light', world: 'several' })).toMatchObject({
      done: { exercise: { seed: 40, world: 'several' } },
    });
    expect(await drawFrom({ seed: 40, aim: 'light', world: 'one', grade: 9 })).toMatchObject({
      refused: expect.stringContaining('a grade is one of 1') as unknown,
    });
    expect(await drawFrom({ seed: 0.5, aim: 'light', world: 'one' })).toEqual({ refused: 'a seed is a whole number' });
  });
});

describe('an exercise', () => {
  const text = (lines: readonly string[]) => openExercise(['format: tovrik-exercise/1', ...lines].join('\n'));
  const own = ['title: A dark set', `sheet: ${exercise.sheet}`];

  it('comes back from its file as it was written, and is the same set for all who open it', async () => {
    const whole: Exercise = {
      ...exercise,
      title: 'He said: "dark"',
      fault: fault.id,
      world: 'meddled',
      minutes: 45,
      hints: 2,
    };
    expect(readExercise(writeExercise(whole))).toEqual(whole);
    expect(readExercise(writeExercise(exercise))).toEqual(exercise);
    const opened = await openExercise(writeExercise({ ...exercise, fault: fault.id, seed: 99 }));
    if ('refused' in opened) throw new Error(opened.refused);
    const ended = await viewHunt({ exercise: opened.done.exercise, acts: [{ kind: 'give up' }] });
    expect(ended).toMatchObject({ done: { debrief: { culprit: fault.title } } });
    // What a seed draws of all sets of a kind it draws of the one sheet as well.
    expect(await ask([{ kind: 'give up' }])).toMatchObject({ done: { debrief: { culprit: fault.title } } });
  });

  it('ends when its time is up, slips counted in', async () => {
    const answer = await ask([live, { kind: 'repair', action: cure.id }], { minutes: 30 });
    expect(answer).toMatchObject({ done: { ended: 'out of time' } });
    if ('refused' in answer) throw new Error(answer.refused);
    expect(answer.done.debrief!.summary).toMatch(/^Time was up after \d+ min/);
    expect(await ask([live, { kind: 'repair', action: cure.id }, live], { minutes: 30 })).toEqual({
      refused: 'the hunt is over',
    });
  });

  it.each([
    [['title: x', 'sheet: nowhere'], 'there is no sheet "nowhere"; there are corrowby-pt-3'],
    [[...own, 'fault: nothing'], 'lists no fault "nothing"'],
    [['title: x'], 'line 1: sheet is missing'],
    [[...own, 'minutes: 2'], 'line 4: minutes are at least 5'],
    [[...own, 'world: upside-down'], 'world is one of one, several, degrees'],
    [[...own, 'hints: many'], 'line 4: hints must be a `number`'],
    [[...own, 'prize: 4'], 'there is no prize in an exercise'],
    [[...own, 'seed: [1'], 'line 4'],
  ])('is refused by its line: %j', async (lines, message) => {
    expect(await text(lines)).toEqual({ refused: expect.stringContaining(message) as unknown });
  });

  it('leaves a result that a table can take', async () => {
    const answer = await ask([live, { kind: 'power', to: 'proven' }, { kind: 'repair', action: cure.id }]);
    if ('refused' in answer) throw new Error(answer.refused);
    const view = answer.done;
    const kept = { exercise, grade: 1 as const, acts: [], hints: ['one'] };
    const { csv, json } = resultOf('=SUM(1,2)', kept, view, view.debrief!);
    const [head, line] = csv.trim().split('\n');
    expect(head).toMatch(/^name,exercise,sheet,seed,world,/);
    expect(line).toMatch(/^"'=SUM\(1,2\)",A dark set,/);
    expect(JSON.parse(json)).toMatchObject({
      format: 'tovrik-result/1',
      culprit: fault.title,
      ended: 'cured',
      hints: 1,
      acts: 3,
    });
  });
});

describe('a hunt that was left', () => {
  it('is taken up as it was kept, and is none where it cannot be read', () => {
    const kept = {
      exercise: { title: 'A dark set', sheet: 'dunmarrow-am-2', seed },
      grade: 1,
      acts: [live],
      hints: [],
    };
    // One kept before there were others is of one part.
    expect(readHunt(JSON.stringify(kept))).toEqual({ ...kept, exercise: { ...kept.exercise, world: 'one' } });
    for (const text of [null, '', '{', '[]', '{"exercise":"x"}', '{"exercise":{}}'])
      expect(readHunt(text)).toBeUndefined();
  });
});
