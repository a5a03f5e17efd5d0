import { describe, expect, it } from 'vitest';
import { liveCold, Predictions, compileSheet, type Context, withConnector, withIntervention } from '../behaviour';
import { shippedSheets } from '@/sheets';
import { harmMinutes, harmsOf, minutesOn } from '.';

const sheets = shippedSheets();
const tube = new Predictions(compileSheet(sheets.get('generic-crt-colour')!));
const lamp = new Predictions(compileSheet(sheets.get('generic-projection-lamp')!));
const harms = (predictions: Predictions, fault: string | undefined, context: Context = liveCold) =>
  harmsOf(predictions.behaviour(fault === undefined ? undefined : predictions.model.sheet.faults.get(fault)!, context));
const kinds = (...of: Parameters<typeof harms>) => harms(...of).map(({ kind }) => kind);

describe('harm of a set that is live', () => {
  it.each([...sheets.values()].map((sheet) => [sheet.title, sheet] as const))('%s, good, is none', (_, sheet) => {
    expect(harms(new Predictions(compileSheet(sheet)), undefined)).toEqual([]);
  });

  it.each(['RETRACE-C.open', 'RETRACE-C.drifted', 'SMPS-OC.worn', 'BPLUS-VR.dirty'])(
    '%s drives the high voltage beyond its limit, though a protection cuts it off at once',
    (fault) => {
      expect(kinds(tube, fault)).toContain('x-rays');
    },
  );

  it('says by how much the high voltage is up, and weighs more the more it is', () => {
    const [open] = harms(tube, 'RETRACE-C.open');
    const [drifted] = harms(tube, 'RETRACE-C.drifted');
    expect(open!.reason).toMatch(
      /high voltage may be 35 % high \(X-rays\): do not switch on again; retrace capacitors/,
    );
    expect(open!.once).toBeGreaterThan(drifted!.once);
    expect(drifted!.once).toBeGreaterThan(10);
  });

  it('is none with the link to the line stage open: nothing makes high voltage then', () => {
    expect(kinds(tube, 'SMPS-OC.worn', withConnector(liveCold, 'LINK-B', true))).not.toContain('x-rays');
  });

  it('burns by the minute where a dot or a line stands, a dot the fastest', () => {
    const burning = ['YOKE-ALL.missing', 'YOKE-H.open', 'V-OUT.dead'].map(
      (fault) => harms(tube, fault).find(({ kind }) => kind === 'burn')!.perMinute,
    );
    expect(burning).toEqual([...burning].sort((a, b) => b - a));
    expect(kinds(tube, 'SMPS-IC.dead')).toEqual([]);
  });

  it('is none with the plug out', () => {
    expect(harms(tube, 'RETRACE-C.open', { ...liveCold, power: 'proven' })).toEqual([]);
  });

  it('counts a lamp that burns without air, and one with its interlock bridged', () => {
    const { faults } = lamp.model.sheet;
    const airless = [...faults.values()].filter(({ sets }) => (sets.get('cool') ?? 1) < 0.8);
    expect(airless.length).toBeGreaterThan(0);
    expect(airless.some(({ id }) => kinds(lamp, id).includes('air'))).toBe(true);
    expect(kinds(lamp, undefined, withIntervention(liveCold, 'bridged', 'LOCK-SW', true))).toEqual(['uncovered']);
  });

  it('counts a new fuse before a short that took the last one, and not behind a lamp', () => {
    const short = tube.model.sheet.faults.get('SMPS-FET.short')!;
    const renewed = new Set(['FUSE']);
    const [harm] = harmsOf(tube.behaviour(short, liveCold), renewed);
    expect(harm).toMatchObject({ kind: 'short', reason: expect.stringMatching(/would take Main fuse again.*lamp/) });
    expect(harmsOf(tube.behaviour(short, liveCold))).toEqual([]);
    expect(harmsOf(tube.behaviour(short, { ...liveCold, lamp: true }), renewed)).toEqual([]);
    expect(kinds(tube, 'SMPS-FET.short', withIntervention(liveCold, 'bridged', 'FUSE', true))).toEqual(['short']);
  });

  it('adds up over the minutes on, those of warming up among them', () => {
    const harm = harms(tube, 'YOKE-ALL.missing');
    expect(minutesOn(liveCold, { ...liveCold, warm: true }, 1)).toBe(11);
    expect(minutesOn(liveCold, { ...liveCold, power: 'proven' }, 5)).toBe(0);
    expect(harmMinutes(harm, 11) - harmMinutes(harm, 1)).toBeCloseTo(10 * harm[0]!.perMinute);
  });
});
