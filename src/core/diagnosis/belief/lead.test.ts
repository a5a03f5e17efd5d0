import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { compileSheet, liveCold, Predictions } from '../../behaviour';
import { openSheet } from '../../sheet';
import { type Observation } from './case';
import { leadOf, told, toldChance } from './lead';

const tube = new Predictions(compileSheet(openSheet(shippedSheets().get('pellisar-tc-14')!)));
const { sheet } = tube.model;
const [chip, load] = ['IC501.dead', 'R201.open'].map((id) => sheet.faults.get(id)!);
const checks = [...tube.checks.values()];
const ofChip = checks.find(({ point }) => point?.parts.includes(chip!.part))!;
const ofRail = checks.find(({ id }) => id === 'v26-dc')!;

const read = (check: Observation['check'], entry?: string): Observation => ({
  check,
  answer: { kind: 'number', value: 1, shape: 'settled' },
  context: liveCold,
  cured: new Set(),
  outlierChance: 0.03,
  times: 1,
  weight: 1,
  elsewhere: 0,
  ...(entry === undefined ? {} : { entry }),
});

/** The chip before the load, by one observation that speaks for the chip. */
function ledBy(observation: Observation, chance: number, cured = false) {
  return {
    suspects: [
      { fault: chip!, prior: 0.1, probability: chance, cured },
      { fault: load!, prior: 0.1, probability: 1 - chance, cured: false },
    ],
    hypotheses: [{ faults: [chip!] }, { faults: [load!] }],
    weights: Float64Array.of(chance, 1 - chance),
    logs: [Float64Array.of(0, -5)],
    observations: [observation],
  };
}

describe('a suspect as it is told', () => {
  it('is told as no surer than such leads prove to be, where nothing was read of its part', () => {
    const [first] = told(ledBy(read(ofRail, 'e1'), 0.99));
    expect(first).toMatchObject({ fault: chip, unread: expect.closeTo(0.99 - 0.892, 6) as number });
    expect(first!.probability).toBeLessThan(0.9);
    expect(leadOf(ledBy(read(ofRail, 'e1'), 0.99), sheet).stated).toBe(first!.probability);
  });

  it('is told as sure as it is once its part was read at the bench, and not by what the owner said', () => {
    expect(told(ledBy(read(ofChip, 'e1'), 0.99))[0]!.probability).toBe(0.99);
    expect(told(ledBy(read(ofChip), 0.99))[0]!.unread).toBeGreaterThan(0);
  });

  it('keeps its chance where that is none too sure, or a repair has dealt with it, and its place before others', () => {
    expect(told(ledBy(read(ofRail, 'e1'), 0.8))[0]!.probability).toBe(0.8);
    expect(told(ledBy(read(ofRail, 'e1'), 0.99, true))[0]!.probability).toBe(0.99);
    const chances = [0.86, 0.9, 0.99, 1].map((chance) => told(ledBy(read(ofRail, 'e1'), chance))[0]!.probability);
    expect(chances).toEqual([...chances].sort((a, b) => a - b));
  });

  it('holds back the chance of its repair as far as itself, and that of no other repair', () => {
    const suspects = told(ledBy(read(ofRail, 'e1'), 0.99));
    const chanceOf = (cures: string[], chance: number) => toldChance(suspects, cures, chance);
    expect(chanceOf([chip!.id], 0.99)).toBeCloseTo(suspects[0]!.probability, 9);
    expect(chanceOf([chip!.id], 0.9)).toBeLessThan(0.9);
    expect(chanceOf([load!.id], 0.6)).toBe(0.6);
  });
});
