import { describe, expect, it } from 'vitest';
import { compileSheet, liveCold, simulate } from '@/core/behaviour';
import { symptomsOf } from '@/core/picture';
import { readSheet } from '@/core/sheet';
import { shippedTexts } from '.';
import { netlistOf } from './stages';

const models = new Map<string, ReturnType<typeof compileSheet>>();

type Choices = Readonly<Record<string, string>>;

function modelOf(id: string, choices: Choices) {
  const key = id + JSON.stringify(choices);
  const found =
    models.get(key) ??
    compileSheet(
      readSheet(shippedTexts().get(id)!, { textOf: (base) => shippedTexts().get(base), netlistOf, choices }),
    );
  models.set(key, found);
  return found;
}

/** What a set of a generic sheet with one fault does from cold: its picture’s symptoms, its code, and its signs. */
function shown(id: string, choices: Choices, fault: string) {
  const model = modelOf(id, choices);
  const { picture, blinks, signs } = simulate(model, [model.sheet.faults.get(fault)!], liveCold);
  return { symptoms: [...symptomsOf(picture)].sort().join(' '), blinks, signs };
}

describe('tube sets', () => {
  it.each([
    ['X-CAP.short', 'dark'],
    ['MOV.short', 'dark'],
    ['FB-C.dry', 'brief'],
    ['GUARD-R.drifted', 'brief'],
    ['H-DRV-C.dry', 'narrow'],
    ['G2-C.leaky', 'dim'],
    ['G2-C.short', 'dark'],
    ['TUBE.worn', 'dim faint'],
    ['TUBE.open', 'dark'],
    ['GUN-R.worn', 'weak_red'],
    ['GUN-B.leaky', 'flood_blue retrace_lines'],
    ['DEG-COIL.open', 'purity'],
  ])('of colour with %s: %s', (fault, symptoms) => {
    expect(shown('generic-crt-colour', {}, fault).symptoms).toBe(symptoms);
  });

  it.each([
    ['SENSE-R.open', 'dark'],
    ['EW-Q.short', 'bowed'],
    ['EW-Q.open', 'bowed narrow'],
    ['EW-C.dry', 'bowed'],
  ])('whose processor sets cut-off and whose sides are corrected, with %s: %s', (fault, symptoms) => {
    expect(shown('generic-crt-colour', { cutoff: 'auto', pincushion: 'modulator' }, fault).symptoms).toBe(symptoms);
  });

  it('that blank themselves for a gun keep their high voltage, unlike those without', () => {
    expect(shown('generic-crt-colour', { cutoff: 'auto' }, 'SENSE-R.open').signs.get('rustle')).toBe('yes');
  });

  it.each([
    ['FOCUS-C.open', 'soft_corners'],
    ['PASS-R.open', 'narrow'],
    ['PASS-Q.short', 'brief'],
    ['S-SW.short', 'narrow'],
    ['RATE-IC.dead', 'tearing'],
    ['SEP-C.leaky', 'rolls'],
    ['CLAMP-CG.dry', 'weak_green'],
  ])('that are monitors with %s: %s', (fault, symptoms) => {
    expect(
      shown('generic-crt-monitor', { size: 'large', rates: 'two', synced: 'composite', regulation: 'linear' }, fault)
        .symptoms,
    ).toBe(symptoms);
  });

  it.each([
    ['DROPPER.open', 'dark', 'no'],
    ['CHAIN-V.leaky', 'dark', 'weak'],
    ['SMOOTH-R.open', 'dark', 'yes'],
    ['V-OSC-V.worn', 'horizontal_line retrace_lines', 'yes'],
    ['LINE-V.worn', 'narrow small_picture', 'yes'],
    ['BOOST-C.short', 'dark', 'yes'],
    ['FIELD-CG.leaky', 'folded_bottom short_picture', 'yes'],
    ['HEIGHT-R.drifted', 'short_picture', 'yes'],
  ])('with valves and %s: %s, valves glow: %s', (fault, symptoms, glow) => {
    const set = shown('generic-crt-mono', { regulation: 'valves' }, fault);
    expect([set.symptoms, set.signs.get('glow')]).toEqual([symptoms, glow]);
  });
});

describe('projectors', () => {
  it.each([
    ['YOKE-G.open', 'colour_line', 0],
    ['FOCUS-BOX.dirty', 'soft_colour', 0],
    ['COOLANT.leaky', 'bent_colours', 0],
    ['GUN-G.open', 'no_green', 0],
    ['V-OUT.dead', 'brief', 3],
  ])('of three tubes with %s: %s, code %i', (fault, symptoms, code) => {
    const set = shown('generic-projection-tubes', {}, fault);
    expect([set.symptoms, set.blinks]).toEqual([symptoms, code]);
  });

  it.each([
    ['CUTOUT.worn', 'dark', 3],
    ['STATUS-OC.dead', 'goes_off', 3],
    ['BAL-C.dry', 'flicker', 0],
    ['LAMP-LEAD.leaky', 'dark', 3],
    ['WHEEL.loose', 'wrong_colours', 0],
    ['FAN1.dirty', 'goes_off', 7],
  ])('with a lamp and %s: %s, code %i', (fault, symptoms, code) => {
    const set = shown('generic-projection-lamp', {}, fault);
    expect([set.symptoms, set.blinks]).toEqual([symptoms, code]);
  });

  it.each([
    ['POLAR-B.worn', 'yellow', 0],
    ['PANEL-G.dead', 'no_green', 0],
    ['FAN1.stalled', 'dark', 5],
    ['FAN3.stalled', 'dark', 3],
  ])('with three panels and %s: %s, code %i', (fault, symptoms, code) => {
    const set = shown('generic-projection-lamp', { colours: 'panels', fans: 'three' }, fault);
    expect([set.symptoms, set.blinks]).toEqual([symptoms, code]);
  });
});

describe('plasma displays', () => {
  it.each([
    ['PFC-FET.short', 'dark', 0],
    ['PFC-IC.dead', 'flicker', 0],
    ['V15-D.open', 'dark', 4],
    ['VA-VR.misset', 'brief', 3],
    ['VSET-VR.misset', 'pink', 0],
    ['Y-FUSE.open', 'dark', 4],
    ['Y-RECL.open', 'faint', 0],
    ['RAMP-Q.open', 'sparkle', 0],
    ['ROW-NETL.open', 'row_band', 0],
    ['BUF-CL.short', 'lower_dark', 0],
    ['VA-FUSE.open', 'dark', 0],
    ['SCREWS-L.loose', 'flicker', 0],
  ])('with %s: %s, code %i', (fault, symptoms, code) => {
    const set = shown('generic-plasma', {}, fault);
    expect([set.symptoms, set.blinks]).toEqual([symptoms, code]);
  });

  it('light a board’s own lamp by what reaches that board', () => {
    const model = modelOf('generic-plasma', {});
    const lit = (unplugged: readonly string[], faults: readonly string[] = []) => {
      const { signs } = simulate(
        model,
        faults.map((id) => model.sheet.faults.get(id)!),
        { ...liveCold, unplugged },
      );
      return [signs.get('ylight'), signs.get('xlight')];
    };
    expect(lit([])).toEqual(['yes', 'yes']);
    expect(lit(['P-SCAN'])).toEqual(['no', 'brief']);
    expect(lit([], ['X-FUSE.open'])[1]).toBe('no');
  });

  it('without a booster have none of its parts', () => {
    const has = (supplied: string) => modelOf('generic-plasma', { supplied }).sheet.parts.has('PFC-IC');
    expect([has('boost'), has('plain')]).toEqual([true, false]);
  });
});

describe('a set whose lead is open', () => {
  it.each([...shippedTexts().keys()].filter((id) => id.startsWith('generic-')))(
    '%s reads nothing at whatever a rail feeds',
    (id) => {
      const model = modelOf(id, {});
      const { nets } = simulate(model, [model.sheet.faults.get('LEAD.open')!], liveCold);
      const fed = model.order.filter(({ powered }) => powered).flatMap(({ makes }) => makes.map(({ net }) => net));
      const standing = fed.filter((net) => nets[net]!.ratio > 0);
      expect(standing.map((net) => [...model.netIndex.keys()][net])).toEqual([]);
    },
  );
});
