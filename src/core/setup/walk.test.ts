import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { predictionsOf } from '../behaviour';
import { type LogEntry } from '../log';
import { withLabel } from '../sheet';
import { seeded } from '../statistics';
import { approachOf, railsWalk, railSteps, trimmersAsTurned } from '.';

const sheet = withLabel(shippedSheets().get('halvane-hp-42')!, { vs: 185, va: 62, vset: 195, vscan: -170, ve: 104 });
const steps = railSteps(sheet, predictionsOf(sheet).checks);

/** Lines as the page records them: `vs-dc 182.1`, or `turned VR841`. */
const log = (...lines: readonly string[]): LogEntry[] =>
  lines.map((line, index) => {
    const [check = '', value] = line.split(' ');
    const turn = /by (\S+)$/.exec(line)?.[1];
    return {
      id: `line-${index}`,
      at: '2026-03-01T10:00:00Z',
      body: line.startsWith('turned')
        ? { kind: 'turned', control: value!, end: line.endsWith('to its end'), ...(turn ? { turn: Number(turn) } : {}) }
        : { kind: 'reading', check, answer: { kind: 'number', value: Number(value), shape: 'settled' }, text: value! },
    };
  });
const start = ['vs-dc 182', 'va-dc 60', 've-dc 104', 'vset-dc 195', 'vscan-dc -170'];

describe('the rails of a set', () => {
  it('are the steps that have a figure: the label’s target, the step’s tolerance, the control it names', () => {
    expect(steps.map(({ id, target, within, control }) => [id, target, Number(within.toFixed(2)), control])).toEqual([
      ['vs-dc', 185, 1.85, 'VR841'],
      ['va-dc', 62, 1.24, 'VR851'],
      ['ve-dc', 104, 3.12, 'VR621'],
      ['vset-dc', 195, 5.85, 'VR521'],
      ['vscan-dc', -170, 5.1, 'VR531'],
    ]);
    expect(steps[0]!.clockwiseRaises).toBe(true);
  });

  it('are all read first, in the maker’s order', () => {
    expect(railsWalk(steps, log()).asks).toMatchObject({ do: 'read', row: { id: 'vs-dc' } });
    expect(railsWalk(steps, log('vs-dc 182')).asks).toMatchObject({ do: 'read', row: { id: 'va-dc' } });
    // Vs before Va, which is set after it.
    expect(railsWalk(steps, log(...start)).asks).toMatchObject({ do: 'turn', row: { id: 'vs-dc' } });
  });

  it('are read anew after each turn, that of the control first, and what it did is learnt', () => {
    const after = railsWalk(steps, log(...start, 'turned VR841'));
    expect(after.asks).toMatchObject({ do: 'read', row: { id: 'vs-dc' } });
    const again = ['vs-dc 185', 'va-dc 61', 've-dc 104', 'vset-dc 195', 'vscan-dc -170'];
    const next = railsWalk(steps, log(...start, 'turned VR841', ...again));
    expect(next.touches).toBe(1);
    const couples = next.advice!.learnt[0]!.couples.find(({ rail }) => rail === 'va-dc')!;
    expect(couples.mean).toBeCloseTo(1 / 3, 1);
    // Va is within 2 % of 62 now.
    expect(next.asks).toEqual({ do: 'done' });
    expect(next.rows[0]).toMatchObject({ first: 182, reads: 185 });
  });

  it('know a control by its name in any case, and pass over one that sets no rail', () => {
    expect(railsWalk(steps, log(...start, 'turned vr841')).asks).toMatchObject({ do: 'read', row: { id: 'vs-dc' } });
    expect(railsWalk(steps, log(...start, 'turned FOCUS')).asks.do).toBe('turn');
  });

  it('leave a control at its end alone, and say so', () => {
    const end = log(...start, 'turned VR841 to its end', ...start.map((line) => line.replace('182', '183')));
    const { advice, asks } = railsWalk(steps, end);
    expect(advice!.trouble).toMatchObject([{ control: 'VR841', kind: 'at its end' }]);
    expect(asks).toMatchObject({ do: 'turn', row: { control: 'VR851' } });
  });

  it('say how far to turn once a turn was counted, and that a control is open when the turn did nothing', () => {
    const first = log(...start, 'turned VR841 by 0.25', ...start.map((line) => line.replace('182', '183')));
    expect(railsWalk(steps, first).asks).toMatchObject({ do: 'turn', move: { rail: 'vs-dc' } });
    const { asks } = railsWalk(steps, first);
    if (asks.do === 'turn') expect(asks.move.turn).toBeCloseTo(0.5, 1);
    const open = railsWalk(steps, log(...start, 'turned VR841 by 0.25', ...start)).advice!.trouble;
    expect(open).toMatchObject([{ control: 'VR841', kind: 'does nothing' }]);
    expect(open[0]!.words).toContain('Vs did not move');
  });

  it('are never aimed beyond what the sheet says they may have, and are off as soon as they are', () => {
    const tube = withLabel(shippedSheets().get('pellisar-tc-14')!, { bplus: 115 });
    const [bplus] = railSteps(tube, predictionsOf(tube).checks);
    expect(bplus!.limit).toBeCloseTo(1.01 * bplus!.target, 6);
    expect(bplus!.within).toBeLessThanOrEqual(0.01 * bplus!.target + 1e-9);
    const high = railsWalk([bplus!], log(`bplus-dc ${bplus!.target * 1.015}`)).asks;
    expect(high).toMatchObject({ do: 'turn', move: { aim: expect.closeTo(bplus!.target, 6) as number } });
  });
});

describe('the trimmers of a set that is played', () => {
  it('stand as the record has them: as found, then as turned, with what that does to the others', () => {
    const played = (...lines: string[]) => trimmersAsTurned(steps, log(...lines), seeded(5));
    const found = played(...start);
    expect(steps.map(({ id }) => found.volts(id))).toEqual(
      [182, 60, 104, 195, -170].map((v) => expect.closeTo(v, 9) as number),
    );
    const after = played(...start, 'turned VR841', 'vs-dc 185');
    expect(after.volts('vs-dc')).toBeCloseTo(185, 6);
    const stirred = steps.slice(1).filter(({ id }) => Math.abs(after.volts(id) - found.volts(id)) > 1e-3);
    expect(stirred.length).toBeGreaterThan(0);
    expect(played(...start, 'turned VR841', 'vs-dc 185').volts('va-dc')).toBe(after.volts('va-dc'));
  });
});

describe('high voltage behind B+', () => {
  const tube = withLabel(shippedSheets().get('pellisar-tc-14')!, { bplus: 115 });
  const [bplus] = railSteps(tube, predictionsOf(tube).checks);
  // 23 kV and 5 % of it.
  const limit = 24150;
  const walk = (...lines: readonly string[]) => railsWalk([bplus!], log(...lines));

  it('is read before B+ is raised, and not where it is lowered or stands right', () => {
    expect(walk('bplus-dc 110').asks).toMatchObject({ do: 'watch', watched: { limit } });
    expect(walk('bplus-dc 116.5').asks).toMatchObject({ do: 'turn' });
    expect(walk('bplus-dc 115').asks).toEqual({ do: 'done' });
  });

  it('lets B+ be raised as far as it stays within its limit itself', () => {
    const usual = walk('bplus-dc 110', 'eht-dc 22000').asks;
    expect(usual).toMatchObject({ do: 'turn', move: { limited: false, aim: expect.closeTo(115, 6) as number } });
    // 1 % below its label B+ is right still, and high voltage just within.
    const high = walk('bplus-dc 110', 'eht-dc 23200').asks;
    expect(high).toMatchObject({ do: 'turn', move: { limited: true } });
    if (high.do === 'turn') {
      expect((high.move.aim * 23200) / 110).toBeLessThanOrEqual(limit);
      // The meter on the pin minds the same limit.
      const volts = (110 * limit) / 23200;
      expect(approachOf(high, volts + 0.1).past).toBe(true);
      expect(approachOf(high, volts - 0.1).past).toBe(false);
    }
  });

  it('is a fault where it would pass its limit before B+ is right, and B+ is left alone', () => {
    const { asks, advice } = walk('bplus-dc 110', 'eht-dc 23600');
    expect(asks).toEqual({ do: 'done' });
    expect(advice!.trouble[0]!.words).toBe(
      'EHT would stand at 24.4 kV with B+ where it belongs, and may have 24.1 kV at most',
    );
  });

  it('is read again where it comes near its limit by reckoning, and a fault where it stands past it with B+ right', () => {
    const turned = ['bplus-dc 112', 'eht-dc 23000', 'turned VR801', 'bplus-dc 114.9'];
    expect(walk(...turned).asks).toMatchObject({
      do: 'watch',
      watched: { about: expect.closeTo(23595.5, 0) as number },
    });
    expect(walk(...turned, 'eht-dc 23300').asks).toEqual({ do: 'done' });
    expect(walk('bplus-dc 115', 'eht-dc 26000').advice!.trouble).toMatchObject([
      {
        kind: 'past its limit',
        words: expect.stringMatching(/26\.0 kV .* 24\.1 kV at most|24\.2 kV at most/) as string,
      },
    ]);
  });

  it('is passed over where nobody can read it', () => {
    const line: LogEntry = { id: 'over', at: '2026-03-01T10:00:00Z', body: { kind: 'unreachable', check: 'eht-dc' } };
    expect(railsWalk([bplus!], [...log('bplus-dc 110'), line]).asks).toMatchObject({ do: 'turn' });
  });
});
