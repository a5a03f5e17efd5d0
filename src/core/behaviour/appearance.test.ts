import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { symptomsOf } from '../picture';
import { compileSheet, liveCold, simulate } from '.';

const models = new Map([...shippedSheets().values()].map((sheet) => [sheet.id, compileSheet(sheet)]));

/** Symptoms of a set with a fault, in order. */
function seen(sheet: string, fault: string): string {
  const model = models.get(sheet)!;
  return [...symptomsOf(simulate(model, [model.sheet.faults.get(fault)!], liveCold).picture)].sort().join(' ');
}

describe('what faults of a tube look like', () => {
  it.each([
    ['IC501.dead', 'horizontal_line retrace_lines'],
    ['P301.loose', 'dot'],
    ['C415.open', 'vertical_line'],
    ['R421.open', 'white_flood'],
    ['R201.drifted', 'flood_green'],
    ['Q201.short', 'flood_green retrace_lines'],
    ['Q101.open', 'no_red'],
    ['R106.open', 'no_red'],
    ['TUBE.worn', 'weak_red'],
    ['VR402.misset', 'soft'],
    ['VR401.misset', 'dim'],
    ['R441.open', 'dark'],
    ['C831.dry', 'small_picture wavy'],
    ['C511.dry', 'folded_top short_picture'],
    ['R515.open', 'retrace_lines'],
    ['SRC.dead', 'no_signal'],
    ['TH801.cracked', 'purity'],
    ['LEAD.open', 'dark'],
    ['OC801.worn', 'brief'],
  ])('%s: %s', (fault, symptoms) => {
    expect(seen('pellisar-tc-14', fault)).toBe(symptoms);
  });
});

describe('what faults of any tube set look like', () => {
  it.each([
    ['generic-crt-mono', 'BIAS-R2.open', 'white_flood'],
    ['generic-crt-mono', 'BIAS-R2.drifted', 'white_flood'],
    ['generic-crt-mono', 'BIAS-R1.drifted', 'dim'],
    ['generic-crt-mono', 'BRT-VR.misset', 'normal'],
    ['generic-crt-mono', 'TUBE.worn', 'dim faint'],
    ['generic-crt-colour', 'ABL-R.drifted', 'dim faint'],
    ['generic-crt-colour', 'YOKE-H.open', 'vertical_line'],
  ])('%s %s: %s', (sheet, fault, symptoms) => {
    expect(seen(sheet, fault)).toBe(symptoms);
  });

  it('a set with one beam never shows a colour missing', () => {
    for (const model of [models.get('generic-crt-mono')!, models.get('corrowby-sm-9')!])
      for (const fault of model.sheet.faults.keys())
        expect(seen(model.sheet.id, fault)).not.toMatch(/_(red|green|blue)/);
  });
});

describe('what faults of a panel look like', () => {
  it.each([
    ['C547.dry', 'upper_dark'],
    ['C551.dry', 'lower_dark'],
    ['CN403.loose', 'left_dark'],
    ['CN404.loose', 'right_dark'],
    ['FX701.open', 'row_band'],
    ['IC751.dead', 'column_bar'],
    ['Q611.open', 'reddish'],
    ['C522.dry', 'pink'],
    ['VR531.misset', 'sparkle'],
    ['Q511.open', 'dark'],
    ['Q511.short', 'dark'],
    ['C861.dry', 'brief'],
    ['CN301.loose', 'no_signal'],
    ['SRC.dead', 'no_signal'],
    ['C841.dry', 'brief'],
    ['PANEL.cracked', 'cracked_glass'],
    ['IC901.dead', 'dark'],
  ])('%s: %s', (fault, symptoms) => {
    expect(seen('halvane-hp-42', fault)).toBe(symptoms);
  });
});

describe('what is heard and seen at start', () => {
  const signs = (sheet: string, fault: string) => {
    const model = models.get(sheet)!;
    return Object.fromEntries(simulate(model, [model.sheet.faults.get(fault)!], liveCold).signs);
  };

  it('follows the nets', () => {
    expect(signs('halvane-hp-42', 'Q511.short')).toMatchObject({
      light: 'yes',
      click: 'yes',
      pop: 'yes',
      sound: 'brief',
    });
    expect(signs('halvane-hp-42', 'IC901.dead')).toMatchObject({ light: 'no', click: 'no', buzz: 'no' });
    expect(signs('halvane-hp-42', 'RL801.worn')).toMatchObject({ light: 'yes', click: 'no' });
    expect(signs('halvane-hp-42', 'R512.drifted')).toMatchObject({ buzz: 'weak' });
  });

  it('includes what a protection and a fault do by themselves', () => {
    expect(signs('pellisar-tc-14', 'Q402.short')).toMatchObject({ tick: 'yes', light: 'brief', rustle: 'no' });
    expect(signs('pellisar-tc-14', 'SOCKET.dirty')).toMatchObject({ crackle: 'yes', rustle: 'yes' });
  });
});
