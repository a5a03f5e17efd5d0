import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { type Case } from '../diagnosis';
import { type LogBody, type LogEntry, replay } from '../log';
import { returnsSeen } from '../proof';
import { openSheet } from '../sheet';
import { conditionOf, keptCold, nextOf, overhaulOf } from '.';

const seen = returnsSeen([], new Date('2026-11-30T10:00:00Z'));
const jobOn = (sheetId: string, ...bodies: readonly LogBody[]): Case => {
  const sheet = openSheet(shippedSheets().get(sheetId)!);
  const log = bodies.map((body, index): LogEntry => ({
    id: `line-${index}`,
    at: new Date(Date.UTC(2026, 10, 30, 9, index)).toISOString(),
    body,
  }));
  return {
    predictions: predictionsOf(sheet),
    complaint: { symptoms: [], signs: {} },
    bench: replay(log, [...sheet.stores.keys()]),
    closed: new Map(),
    hourlyRate: 20,
  };
};
const read = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: '',
});
const renewed = (part: string): LogBody => ({
  kind: 'repair',
  action: `replace:${part}`,
  title: `Fit a new ${part}`,
  cures: [`${part}.dry`],
  money: 1,
  minutes: 20,
  note: '',
});
const conditionAt = (job: Case, returns = seen) => conditionOf(job, overhaulOf(job), returns, 2);
const live: LogBody = { kind: 'power', power: 'live' };
const stage = (job: Case, name: string) => overhaulOf(job).find((one) => one.name === name)!;
const stepOf = (job: Case, check: string) =>
  overhaulOf(job)
    .flatMap(({ steps }) => steps)
    .find((step) => step.check.id === check)!;

describe('an overhaul', () => {
  it.each([...shippedSheets().keys()])('of %s goes by eye, cold, in stages and live, and asks nothing twice', (id) => {
    const stages = overhaulOf(jobOn(id));
    expect(stages.map(({ name }) => name)).toEqual(['looks', 'cans', 'cold', 'power', 'live']);
    const asked = stages.flatMap(({ steps }) => steps.map(({ check }) => check.id));
    expect(new Set(asked).size).toBe(asked.length);
    for (const { name, steps } of stages)
      for (const { check } of steps) expect(check.state === 'live', `${name} ${check.id}`).toBe(name === 'live');
    // Each rail that can be read live is, save the mains.
    const { predictions } = jobOn(id);
    const { nets } = predictions.model.sheet;
    for (const { id: check, measure, point } of predictions.checks.values())
      if (measure === 'dc' && point?.net !== undefined && point.net !== 'mains' && nets.get(point.net)!.kind === 'rail')
        expect(asked).toContain(check);
  });

  it('goes on with the next that was neither measured nor out of reach', () => {
    const fresh = jobOn('pellisar-tc-14');
    const [first, second] = stage(fresh, 'cans').steps.map(({ check }) => check.id);
    const looked = stage(fresh, 'looks').steps.map(({ check }): LogBody => ({ kind: 'unreachable', check: check.id }));
    expect(nextOf(overhaulOf(fresh))!.stage.name).toBe('looks');
    expect(nextOf(overhaulOf(jobOn('pellisar-tc-14', ...looked)))!.step!.check.id).toBe(first);
    expect(nextOf(overhaulOf(jobOn('pellisar-tc-14', ...looked, read(first!, 0.3))))!.step!.check.id).toBe(second);
  });

  it('asks again after a repair for what it touched, for a rail that was off, and for all that is live', () => {
    const cans = [read('C806-esr', 8), read('C831-esr', 0.2), read('C421-esr', 9)];
    const lines = [...cans, read('bplus-ohms', 0.5), live, read('v12-dc', 12)];
    const after = jobOn('pellisar-tc-14', ...lines, renewed('C806'));
    expect(stepOf(after, 'C806-esr').row).toBeUndefined();
    expect(stepOf(after, 'bplus-ohms')).toMatchObject({ row: undefined, before: { verdict: { mark: 'dead' } } });
    // Another can stays as dry as it was, however much else is new.
    expect(stepOf(after, 'C421-esr').row).toMatchObject({ verdict: { mark: 'high' } });
    expect(conditionAt(after).found.map(({ check }) => check.id)).toEqual(['C421-esr']);
    expect(stepOf(after, 'v12-dc').row).toBeUndefined();
    expect(stepOf(after, 'C831-esr').row).toMatchObject({ verdict: { mark: 'within' } });
    expect(stage(after, 'power').done).toBe(true);
    expect(stage(jobOn('pellisar-tc-14', ...cans), 'power').done).toBe(false);
  });

  it('keeps a rail cold that reads like a short, and no other', () => {
    const lines = [read('bplus-ohms', 0.5), read('v16-ohms', 900), read('R821-ohms', 0.01)];
    expect(keptCold(overhaulOf(jobOn('pellisar-tc-14', ...lines))).map(({ check }) => check.id)).toEqual([
      'bplus-ohms',
    ]);
  });
});

describe('the condition of a set', () => {
  it('is what was found, what is right, what nobody measured, and what was done', () => {
    const lines = [read('C806-esr', 8), read('C831-esr', 0.2), read('C421-esr', 9)];
    const condition = conditionAt(jobOn('pellisar-tc-14', ...lines));
    expect(condition.found.map(({ check }) => check.id).sort()).toEqual(['C421-esr', 'C806-esr']);
    expect(condition.right.map(({ check }) => check.id)).toEqual(['C831-esr']);
    expect(condition.open.length).toBeGreaterThan(20);
    expect(condition.risk.same).toBe(0);
    expect(condition.ageing.map(({ part }) => part.id)).not.toContain('C421');
    const done = conditionAt(jobOn('pellisar-tc-14', ...lines, renewed('C806')));
    expect(done.putRight).toEqual(['Fit a new C806']);
    expect(done.risk.same).toBeGreaterThan(0);
    expect(done.risk.other).toBeLessThan(condition.risk.other);
    expect(done.ageing.map(({ part }) => part.id)).not.toContain('C806');
  });

  it('ranks what may go next by its chance, and judges a new one by what it saves and may harm', () => {
    const { ageing } = conditionAt(jobOn('pellisar-tc-14'));
    expect(ageing.map(({ chance }) => chance)).toEqual(ageing.map(({ chance }) => chance).sort((a, b) => b - a));
    for (const { judged, saves, chance } of ageing)
      expect(judged).toBe(saves > 0 ? 'pays' : chance > 0.004 ? 'watch' : 'leave');
    // In a shop where it nearly always was the one can, and sets came back, that can pays.
    const back = returnsSeen(
      Array.from({ length: 60 }, (_, set) => ({
        left: '2025-11-30T00:00:00Z',
        ...(set < 20 ? { back: '2026-06-30T00:00:00Z' } : {}),
      })),
      new Date('2026-11-30T10:00:00Z'),
    );
    const known = { ...jobOn('pellisar-tc-14'), closed: new Map([['C511.dry', 400]]) };
    const [first, ...others] = conditionAt(known, back).ageing;
    expect(first).toMatchObject({ part: { id: 'C511' }, judged: 'pays' });
    expect(others.map(({ judged }) => judged)).not.toContain('pays');
  });
});
