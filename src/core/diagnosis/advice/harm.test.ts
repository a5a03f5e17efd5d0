import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { liveCold, predictionsOf } from '../../behaviour';
import { readEntry } from '../../entry';
import { type LogBody, type LogEntry, replay } from '../../log';
import { openSheet } from '../../sheet';
import { adviseOn, type Case, contextFor, stepsTo, transition } from '..';

const sheet = shippedSheets().get('generic-crt-colour')!;
const predictions = predictionsOf(openSheet(sheet));
const stores = [...sheet.stores.keys()];

/** A job by what was typed of it; the switching on and off that this takes is done between. */
function job(...lines: readonly string[]): Case {
  const log: LogEntry[] = [];
  const record = (body: LogBody) => log.push({ id: `line-${log.length}`, at: '2026-03-01T10:00:00Z', body });
  record({ kind: 'power', power: 'live' });
  for (const line of lines) {
    const bench = replay(log, stores);
    const entry = readEntry(line, { sheet, checks: predictions.checks, bench });
    const off = contextFor(bench.context, 'cold');
    if (entry.kind === 'reading') {
      const { check, answer } = entry;
      for (const step of transition(sheet, bench.context, contextFor(bench.context, check.state), () => 1))
        record(step);
      record({ kind: 'reading', check: check.id, answer, text: line });
      continue;
    }
    if (entry.body.kind === 'repair') for (const step of transition(sheet, bench.context, off, () => 1)) record(step);
    record(entry.body);
  }
  const bench = replay(log, stores);
  return { predictions, complaint: { symptoms: [], signs: {} }, bench, closed: new Map(), hourlyRate: 20 };
}

describe('after a high-voltage trip', () => {
  it.each([
    ['B+ up for a moment', ['bplus 149 brief']],
    ['only that it falls at the start', ['picture brief', 'rustle brief']],
  ])('with %s nothing live is asked for: the path that regulates B+ is measured cold', (_, lines) => {
    const { probes, harmNow, next } = adviseOn(job(...lines));
    expect(next).toBe('probe');
    expect(probes.slice(0, 5).every(({ probe }) => probe.context.power !== 'live' || probe.isolates === 'LINK-B')).toBe(
      true,
    );
    expect(harmNow).toMatchObject({
      kind: 'x-rays',
      reason: expect.stringMatching(/do not switch on again/) as string,
    });
  });

  it('it is named by what is read cold, and the set may run again once it is put right', () => {
    const found = adviseOn(job('picture brief', 'rustle brief', 'fbr 260k'));
    expect(found.posterior.suspects[0]).toMatchObject({ fault: { id: 'FB-R.drifted' } });
    expect(found.posterior.suspects[0]!.probability).toBeGreaterThan(0.9);
    const repaired = adviseOn(job('picture brief', 'rustle brief', 'fbr 260k', 'replaced FB-R', 'live'));
    expect(repaired.next).toBe('verify');
    expect(repaired.harmNow?.chance ?? 0).toBeLessThan(0.1);
  });
});

describe('with a dot on the screen', () => {
  const dotted = adviseOn(job('picture dot'));

  it('the yoke and its plug come first, with the set off, before any cathode is read', () => {
    expect(dotted.repairs[0]!.action.id).toBe('reseat:YOKE-PLUG');
    expect(dotted.probes.slice(0, 5).every(({ probe }) => probe.context.power !== 'live')).toBe(true);
  });

  it('a minute more is said to burn the phosphor', () => {
    expect(dotted.harmNow).toMatchObject({
      kind: 'burn',
      reason: expect.stringMatching(/burns the phosphor/) as string,
    });
    expect(dotted.harmNow!.chance).toBeGreaterThan(0.5);
  });
});

describe('a set that does no harm', () => {
  it('is read live as ever, and nothing is said', () => {
    const { probes, harmNow } = adviseOn(job('picture flood_green'));
    expect(harmNow).toBeUndefined();
    expect(probes.slice(0, 3).some(({ probe }) => probe.context.power === 'live')).toBe(true);
  });
});

describe('what must be done first', () => {
  it('is said in order, the brightness before the power', () => {
    const here = { ...liveCold, power: 'unplugged' as const };
    const burn = { minutes: 3, kind: 'burn' as const, chance: 0.6, reason: 'a dot burns' };
    expect(stepsTo(sheet, here, { ...liveCold, warm: true }, burn)).toEqual([
      'brightness right down',
      'power on',
      'wait until it is warm',
    ]);
    expect(stepsTo(sheet, liveCold, { ...liveCold, unplugged: ['LINK-B'] }, undefined)).toEqual([
      'plug out',
      'discharge and measure RES-C, BPLUS-C, ANODE',
      'LINK-B pulled',
      'power on',
    ]);
    expect(stepsTo(sheet, liveCold, liveCold, undefined)).toEqual([]);
  });
});

describe('a fault acts through what is connected', () => {
  const { faults, parts } = predictions.model.sheet;
  const blockOf = (fault: string) => parts.get(faults.get(fault)!.part)!.block;
  const open = ['bplus 3', 'unplug LINK-B', 'bplus 115'];
  const chances = (...lines: readonly string[]) =>
    new Map(adviseOn(job(...lines)).posterior.suspects.map(({ fault, probability }) => [fault.id, probability]));

  it('with the link open and B+ back, the line stage is convicted', () => {
    const convicted = [...chances(...open)].filter(([id]) => blockOf(id) === 'line_output');
    expect(convicted.reduce((sum, [, chance]) => sum + chance, 0)).toBeGreaterThan(0.7);
  });

  it('the transformer first where B+ to ground is high in ohms', () => {
    const found = chances('bplus-ohms 14k', ...open);
    expect(Math.max(...found.values())).toBe(found.get('FLYBACK.short'));
  });
});

describe('no change after a repair', () => {
  it('clears what the repair dealt with', () => {
    const [leader] = adviseOn(job('picture flood_green', 'kg 62', 'replaced G-LOAD', 'no change')).posterior.suspects;
    expect(leader!.fault.part).not.toBe('G-LOAD');
  });
});
