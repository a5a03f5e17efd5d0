import { predictionsOf } from '@/core/behaviour';
import { readEntry } from '@/core/entry';
import { type LogBody, type LogEntry, replay } from '@/core/log';
import { repairActions } from '@/core/repair';
import { describe, expect, it } from 'vitest';
import { adviseOn, type Case, proofOf } from '@/core/diagnosis';
import { openSheet } from '@/core/sheet';
import { shippedSheets } from '@/sheets';
import { notesOf, repairChoices, toGet } from './repairModel';
import { partOrBoard } from '@/core/kit';

const sheet = shippedSheets().get('pellisar-tc-14')!;
/** A flooded green set, read and perhaps repaired, as its log would have it. */
function job(
  lines: readonly (string | LogBody)[],
  symptoms: Case['complaint']['symptoms'] = ['flood_green'],
  apart = 0,
  of = sheet,
): Case {
  const predictions = predictionsOf(of);
  const log = [{ kind: 'power', power: 'live' } as const, ...lines].map((line, index): LogEntry => {
    const at = new Date(Date.parse('2026-03-01T10:00:00Z') + index * apart * 1000).toISOString();
    if (typeof line !== 'string') return { id: `line-${index}`, at, body: line };
    const entry = readEntry(line, { sheet: of, checks: predictions.checks });
    if (entry.kind !== 'reading') throw new Error(`${line} is no reading`);
    return {
      id: `line-${index}`,
      at,
      body: { kind: 'reading', check: entry.check.id, answer: entry.answer, text: line },
    };
  });
  const bench = replay(log, [...of.stores.keys()]);
  return {
    predictions,
    complaint: { symptoms, signs: {} },
    bench,
    closed: new Map(),
    hourlyRate: 18,
  };
}
const wrong = ['kg 62', 'kr 121', 'kb 122'];
const repaired: LogBody = {
  kind: 'repair',
  action: 'replace:R201',
  title: 'Fit a new R201',
  cures: ['R201.open', 'R201.drifted'],
  money: 0.1,
  minutes: 12,
  note: '',
};

describe('the part or another board', () => {
  const choices = repairChoices(adviseOn(job(wrong)), sheet);
  const leading = choices[0]!;
  const weigh = (done: number, spoiled: number, choice = leading) =>
    partOrBoard(choice, choices, sheet, { done, spoiled }, 18);

  it('is weighed for a part on a board that can be had, by how the own hand spoils pieces', () => {
    const usual = weigh(0, 0)!;
    expect(usual).toMatchObject({ title: sheet.boards.get('neck')!.title });
    expect(usual.part.cost).toBeLessThan(usual.board.cost);
    const clumsy = weigh(40, 30)!;
    expect(clumsy.harm).toBeGreaterThan(0.5);
    expect(clumsy.part.cost).toBeGreaterThan(usual.part.cost);
    expect(clumsy.board).toEqual(usual.board);
  });

  it('is no question where the board itself is put in, or nothing points at the part', () => {
    const board = choices.find(({ action }) => action.method === 'swap')!;
    expect(weigh(0, 0, board)).toBeUndefined();
    expect(
      weigh(
        0,
        0,
        choices.find(({ chance }) => chance === 0)!,
      ),
    ).toBeUndefined();
  });
});

describe('repairs that can be recorded', () => {
  it('are all the sheet knows, once each, the likeliest cure first and the rest by name', () => {
    const before = job(wrong);
    const choices = repairChoices(adviseOn(before), sheet);
    const ids = choices.map(({ action }) => action.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBe(repairActions(sheet).length);
    const chances = choices.map(({ chance }) => chance);
    expect(chances[0]).toBeGreaterThan(0.1);
    expect(chances.at(-1)).toBe(0);
    const unlikely = choices.slice(chances.indexOf(0)).map(({ action }) => action.title);
    expect(unlikely).toEqual([...unlikely].sort((a, b) => a.localeCompare(b)));
  });

  it('name a net to be followed only where something may well act on it', () => {
    const opened = openSheet(sheet);
    const follow = repairActions(opened).find(({ id }) => id === 'follow:kg')!;
    const followed = (chance: number) =>
      repairChoices({ repairs: [{ action: follow, chance }] }, opened).flatMap(({ action }) =>
        action.method === 'follow' ? [action.id] : [],
      );
    expect(followed(0.2)).toEqual(['follow:kg']);
    expect(followed(0.001)).toEqual([]);
  });
});

describe('what the sheet says of fitting a part', () => {
  const plasma = shippedSheets().get('halvane-hp-42')!;
  const notes = (part: string) =>
    notesOf(
      repairActions(plasma).find(({ id, method }) => method === 'replace' && id.endsWith(`:${part}`))!,
      plasma,
    );

  it('is its line of the kit, and the quirks that name it', () => {
    expect(notes('C532').kit).toMatchObject([{ refs: ['C532'], value: '47u 200V 105 °C' }]);
    expect(notes('C532').quirks.map(({ title }) => title)).toEqual(['Polarity of C532']);
    expect(notes('C551').kit).toMatchObject([{ refs: ['C547', 'C551'] }]);
  });

  it('is nothing where the sheet says nothing of it', () => {
    const quiet = [...plasma.parts.values()].find(({ kind }) => kind === 'fuse')!;
    expect(notes(quiet.id)).toEqual({ kit: [], quirks: [] });
  });
});

describe('the proof of a repair', () => {
  it('asks again for what was wrong, and for nothing that was right', () => {
    const { list, open, done } = proofOf(job([...wrong, repaired]));
    expect(list.map(({ check }) => check)).toContain('kg-dc');
    expect(list.map(({ check }) => check)).not.toContain('kb-dc');
    expect(open.length).toBe(list.length);
    expect(done).toBe(false);
  });

  it('is done when every one of them is right since, and not while one is still wrong', () => {
    const still = proofOf(job([...wrong, repaired, 'kg 63']));
    expect(still.done).toBe(false);
    const after = job([...wrong, repaired, 'kg 121']);
    const { open } = proofOf(after);
    expect(open.every(({ check }) => check !== 'kg-dc')).toBe(true);
    const right = proofOf(job([...wrong, repaired, 'kg 121', 'picture normal']));
    expect(right).toMatchObject({ open: [], wrong: [], showsRight: true, done: true });
    const shows = proofOf(job([...wrong, repaired, 'kg 63', 'picture normal']));
    expect(shows).toMatchObject({ open: [], wrong: [{ check: 'kg-dc' }], showsRight: true, done: false });
  });

  it('of a set that ran a minute and went off takes two, and of one that fell at the start ten seconds', () => {
    const story = [repaired, { kind: 'power', power: 'live' } as const, 'picture normal'];
    expect(proofOf(job(story, ['goes_off'], 60)).done).toBe(false);
    expect(proofOf(job(story, ['goes_off'], 130)).done).toBe(true);
    expect(proofOf(job(story, ['brief'], 5)).done).toBe(false);
    expect(proofOf(job(story, ['brief'], 15)).done).toBe(true);
  });

  it('is a right picture where nothing was read wrong before', () => {
    expect(proofOf(job([repaired], []))).toMatchObject({ done: false, open: [{ check: 'picture' }] });
    expect(proofOf(job([repaired, 'picture normal'], []))).toMatchObject({ done: true, open: [] });
  });

  it('takes for right what came near to what is only a guess, and not what stayed where it was', () => {
    const anyMake = shippedSheets().get('generic-crt-colour')!;
    const proof = (before: string, after: string) =>
      proofOf(job([before, repaired, after, 'picture normal'], ['flood_blue'], 0, anyMake));
    expect(proof('kb 61', 'kb 138')).toMatchObject({ done: true, wrong: [] });
    expect(proof('kb 61', 'kb 138').list.find(({ check }) => check === 'kb-dc')!.afterVerdict).toMatchObject({
      mark: 'within',
      words: expect.stringContaining('of what is only a guess') as unknown,
    });
    expect(proof('kb 61', 'kb 170')).toMatchObject({ done: false, wrong: [{ check: 'kb-dc' }] });
    expect(proof('kb 98', 'kb 101')).toMatchObject({ done: false, wrong: [{ check: 'kb-dc' }] });
    // What a maker’s manual says is no guess.
    expect(proofOf(job(['kb 61', repaired, 'kb 138', 'picture normal']))).toMatchObject({ done: false });
  });

  it('of a set that nobody has repaired asks for nothing', () => {
    expect(proofOf(job(wrong))).toMatchObject({ done: false });
  });
});

describe('what has to be got for a repair', () => {
  const actionOf = (method: string) => repairActions(sheet).filter((one) => one.method === method);

  it('is each part once, with as many as the repair fits', () => {
    for (const action of actionOf('recap')) {
      const parts = new Set(action.cures.map((fault) => sheet.faults.get(fault)!.part));
      const marked = [...parts].filter((id) => sheet.parts.get(id)!.value !== '');
      const got = [...toGet(action, sheet).values()].reduce((sum, count) => sum + count, 0);
      expect(got).toBeGreaterThan(0);
      expect(got).toBeLessThanOrEqual(marked.length);
    }
    expect(actionOf('recap').length).toBeGreaterThan(0);
    const boost = actionOf('replace').find(({ title }) => title.includes('C511'))!;
    expect([...toGet(boost, sheet)]).toEqual([['C 100µF 50V electrolytic', 1]]);
  });

  it('is nothing where nothing new is fitted', () => {
    for (const action of actionOf('resolder')) expect(toGet(action, sheet).size).toBe(0);
  });
});
