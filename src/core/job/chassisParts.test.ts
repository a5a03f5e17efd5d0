import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { parseQuantity } from '../quantity';
import { openSheet, readSheetChange } from '../sheet';
import { chassisParts, netOfRail, tracedRails } from '.';

const sheet = openSheet(shippedSheets().get('generic-crt-mono')!);
// A pass transistor between two rails, its base from a divider, a can across the output.
const lines = [
  'Q901 npn',
  'R901 470',
  'R902 1k',
  'R903 2k2',
  'C901 100u',
  'C902 10n',
  'D901 zener 5.6',
  'Q901.c +18',
  'Q901.e +12',
  'R901.1 +18',
  'R901.2 Q901.b',
  'R902.1 +12',
  'R902.2 R903.1',
  'R903.2 gnd',
  'C901.1 +12',
  'C901.2 gnd',
  'C902.1 R902.2',
  'C902.2 gnd',
  'D901.k Q901.b',
  'D901.a gnd',
];

describe('traced parts on the chassis', () => {
  const found = chassisParts(lines, sheet, { made: '+12', net: 'v12', block: 'regulators' });
  const of = (ref: string) => found.find((one) => one.ref === ref)!;

  it('are what they lie between says of them, to the rail that the stage makes', () => {
    expect(tracedRails(lines)).toEqual(['+12', '+18']);
    expect(Object.fromEntries(found.map(({ ref, change }) => [ref, change.role]))).toEqual({
      Q901: 'feeds',
      R901: 'drives',
      R902: 'senses',
      R903: 'drives',
      C901: 'shunts',
      C902: 'drives',
      D901: 'drives',
    });
    expect(of('Q901').between.split(' and ')).toEqual(expect.arrayContaining(['+18', '+12']));
  });

  it('have kind and value as traced, and are changes that a sheet takes', () => {
    expect(of('C901').change).toMatchObject({ is: 'electrolytic', value: '100µF', block: 'regulators', net: 'v12' });
    expect(of('C902').change).toMatchObject({ is: 'film', value: '10nF' });
    expect(of('D901').change).toMatchObject({ is: 'zener', value: '5.6V' });
    expect(parseQuantity(of('C901').change.value).value).toBeCloseTo(1e-4, 9);
    expect(parseQuantity(of('R903').change.value).value).toBe(2200);
    for (const { change } of found) expect(readSheetChange(change)).toEqual(change);
  });

  it('leave out what the sheet has already', () => {
    const [known] = [...sheet.parts.keys()].filter((id) => /^[A-Z]+\d/.test(id)).concat('V12-C');
    const own = sheet.parts.get(known!)?.id ?? known!;
    const less = { ...sheet, parts: new Map(sheet.parts).set('R902', sheet.parts.get(own)!) };
    expect(
      chassisParts(lines, less, { made: '+12', net: 'v12', block: 'regulators' }).map(({ ref }) => ref),
    ).not.toContain('R902');
  });

  it('belong to the rail of the sheet nearest in volts, and to none where none is near', () => {
    expect(netOfRail('+12', sheet)).toBe('v12');
    expect(netOfRail('+11.6', sheet)).toBe('v12');
    expect(netOfRail('+47', sheet)).toBeUndefined();
  });
});
