import { describe, expect, it } from 'vitest';
import { Predictions, compileSheet } from '@/core/behaviour';
import { type Gun, type GunLine, type LogBody, type LogEntry, replay } from '@/core/log';
import { emissionChecks, gunsOf, gunWalk } from '@/core/setup';
import { shippedSheets } from '@/sheets';
import { evidenceOf, markOfGun, signWords, verdictOf, weaknessOf, weaknessWords } from './tubeModel';

const sheets = shippedSheets();
const colour = sheets.get('generic-crt-colour')!;
const { checks } = new Predictions(compileSheet(colour));

const logOf = (...bodies: readonly LogBody[]): LogEntry[] =>
  bodies.map((body, place) => ({
    id: `line-${place}`,
    at: `2026-11-20T10:${String(place).padStart(2, '0')}:00Z`,
    body,
  }));
const gun = (name: GunLine['gun'], measure: GunLine['measure'], value: number): LogBody => ({
  kind: 'gun',
  gun: name,
  measure,
  value,
});
const read = (check: string, value: number): LogBody => ({
  kind: 'reading',
  check,
  answer: { kind: 'number', value, shape: 'settled' },
  text: `${value}`,
});
const test = (red: number) => [
  gun('red', 'emission', red),
  gun('green', 'emission', 3000),
  gun('blue', 'emission', 3000),
  ...(['red', 'green', 'blue'] as const).map((one) => gun(one, 'cutOff', 100)),
];
const all: readonly Gun[] = ['red', 'green', 'blue'];
const stands = (log: readonly LogEntry[]) => ({
  walk: gunWalk(all, log),
  bench: replay(log, [...colour.stores.keys()]),
});

describe('the guns of a sheet', () => {
  it('are three, one, or none, each with the check of its own emission where there is one', () => {
    expect(gunsOf(colour)).toEqual(all);
    expect(gunsOf(sheets.get('generic-crt-mono')!)).toEqual(['only']);
    expect(gunsOf(sheets.get('generic-plasma')!)).toEqual([]);
    expect([...emissionChecks(colour, checks)].map(([name, { id }]) => `${name} ${id}`)).toEqual(
      expect.arrayContaining(['red emission-r', 'green emission-g', 'blue emission-b']),
    );
  });
});

describe('what a test of guns comes to', () => {
  it('is said by the guns that are worn, in doubt, or good', () => {
    expect(verdictOf(gunWalk(all, logOf(...test(900))))).toBe('red is worn');
    expect(verdictOf(gunWalk(all, logOf(...test(2950))))).toBe('The guns are good');
    const worn = gunWalk(all, logOf(...test(900))).judged.get('red')!;
    expect(markOfGun(worn)).toBe('low');
    expect(markOfGun(undefined)).toBe('unread');
    expect(worn.signs.map(signWords)).toContain('30 % of the strongest other gun');
  });

  it('goes to the bench once, and again only where it is news', () => {
    const log = logOf(...test(900));
    const { walk, bench } = stands(log);
    const lines = evidenceOf(walk, colour, bench, checks);
    expect(lines.map((line) => line.kind === 'reading' && line.check)).toEqual([
      'emission-r',
      'emission-g',
      'emission-b',
    ]);
    const after = logOf(...test(900), ...lines);
    expect(evidenceOf(gunWalk(all, after), colour, stands(after).bench, checks)).toEqual([]);
  });

  it('tells driver from tube by the cathode volts of the bench, and names those that are wanting', () => {
    const without = stands(logOf(...test(2950)));
    const asked = weaknessOf(without.walk, colour, without.bench, checks);
    expect(asked.weak).toEqual([]);
    expect(asked.toRead.map(({ id }) => id)).toEqual(['kr-dc', 'kg-dc', 'kb-dc']);
    const { walk, bench } = stands(logOf(...test(2950), read('kr-dc', 80), read('kg-dc', 55), read('kb-dc', 56)));
    const { weak } = weaknessOf(walk, colour, bench, checks);
    expect(weaknessWords(weak.find(({ gun: name }) => name === 'red')!)).toMatch(/^weak by its driver: its gun gives/);
    expect(weaknessWords(weak.find(({ gun: name }) => name === 'green')!)).toMatch(/^not weak/);
  });
});
