import { describe, expect, it } from 'vitest';
import { shippedSheets } from '@/sheets';
import { symptomsOf } from '../picture';
import { readSheet, type Sheet } from '../sheet';
import { smallSheet } from '../../../tests/fixtures/smallSheet';
import {
  asBuilt,
  compileSheet,
  type Context,
  contextKey,
  expect as expectationOf,
  joined,
  liveCold,
  Predictions,
  simulate,
  withConnector,
  withIntervention,
} from '.';

const small = compileSheet(readSheet(smallSheet));
const faultOf = (sheet: Sheet, id: string) => sheet.faults.get(id)!;
const plasma = compileSheet(shippedSheets().get('halvane-hp-42')!);
const tube = compileSheet(shippedSheets().get('pellisar-tc-14')!);

const netOf = (model: typeof small, faults: readonly string[], context: Context, net: string) =>
  simulate(
    model,
    faults.map((id) => faultOf(model.sheet, id)),
    context,
  ).nets[model.netIndex.get(net)!]!;

describe('a good set', () => {
  it.each([...shippedSheets().values()].map((sheet) => [sheet.title, compileSheet(sheet)] as const))(
    '%s has every net right, shows a right picture and does not blink',
    (_, model) => {
      const good = simulate(model, [], liveCold);
      const wrong = [...model.netIndex]
        .filter(([, index]) => Math.abs(good.nets[index]!.ratio - 1) > 1e-9)
        .map(([id]) => id);
      expect(wrong).toEqual([]);
      expect([...symptomsOf(good.picture)]).toEqual(['normal']);
      expect(good.blinks).toBe(0);
      expect(good.tripped).toEqual([]);
    },
  );

  it('is dead and silent with the plug out', () => {
    const off = simulate(plasma, [], { ...liveCold, power: 'unplugged' });
    expect(off.nets.every(({ ratio }) => ratio === 0)).toBe(true);
    expect([...off.signs.values()].every((state) => state === 'no')).toBe(true);
    expect([...symptomsOf(off.picture)]).toEqual(['dark']);
  });
});

describe('a shorted rail', () => {
  const pulled = withConnector(liveCold, 'CN1', true);

  it('takes its supply down after a brief rise, with the code', () => {
    const shorted = simulate(small, [faultOf(small.sheet, 'Q1.short')], liveCold);
    expect(shorted.nets[small.netIndex.get('vs')!]).toMatchObject({ ratio: 0, shorted: true });
    expect(shorted.blinks).toBe(3);
  });

  it('comes back when the connector in between is pulled', () => {
    expect(netOf(small, ['Q1.short'], pulled, 'vs')).toMatchObject({ ratio: 1, brief: false, shorted: false });
  });

  it('shows other rails of the same supply as brief: up, then taken away', () => {
    expect(netOf(plasma, ['Q511.short'], liveCold, 'va')).toMatchObject({ brief: true, ratio: 0, peak: 1 });
    expect(simulate(plasma, [faultOf(plasma.sheet, 'Q511.short')], liveCold).blinks).toBe(3);
  });

  it('changes the code once the load is isolated, since that board then makes nothing', () => {
    const isolated = simulate(plasma, [faultOf(plasma.sheet, 'Q511.short')], withConnector(liveCold, 'CN802', true));
    expect(isolated.blinks).toBe(4);
    expect(isolated.nets[plasma.netIndex.get('vs')!]!.shorted).toBe(false);
  });

  it('reads next to nothing cold, until its connector is pulled', () => {
    const predictions = new Predictions(small);
    const ohms = predictions.checks.get('vs-ohms')!;
    const cold: Context = { ...liveCold, power: 'proven' };
    const read = (context: Context) => {
      const found = predictions.expectation(faultOf(small.sheet, 'Q1.short'), ohms, context);
      return found.kind === 'number' ? found.components[0]!.value : NaN;
    };
    expect(read(cold)).toBeLessThan(2);
    expect(read(withConnector(cold, 'CN1', true))).toBe(22000);
  });
});

describe('propagation', () => {
  it('lets a regulated block hold its outputs until its input is too low', () => {
    expect(netOf(plasma, ['C812.dry'], liveCold, 'vs').ratio).toBe(1);
    expect(netOf(tube, ['C831.dry'], liveCold, 'v26').ratio).toBeCloseTo(0.9);
  });

  it('follows the rules of a block: no drive at the base turns the gun off', () => {
    expect(netOf(tube, ['R222.open'], liveCold, 'kg').ratio).toBeCloseTo(1.42);
    expect([...symptomsOf(simulate(tube, [faultOf(tube.sheet, 'R222.open')], liveCold).picture)]).toEqual(['no_green']);
  });

  it('feeds nothing behind an open connector, but all before it', () => {
    const predictions = new Predictions(plasma);
    const at = (id: string) => {
      const found = predictions.expectation(
        faultOf(plasma.sheet, 'CN501.loose'),
        predictions.checks.get(id)!,
        liveCold,
      );
      return found.kind === 'number' ? found.components[0]!.value : NaN;
    };
    expect(at('vfu-dc')).toBe(15);
    expect(at('vfu-buf-dc')).toBe(0);
    expect([...symptomsOf(predictions.behaviour(faultOf(plasma.sheet, 'CN501.loose'), liveCold).picture)]).toEqual([
      'upper_dark',
    ]);
  });

  it('lets heat cure what only fails cold', () => {
    expect(netOf(plasma, ['C547.dry'], liveCold, 'vfu').ratio).toBeCloseTo(0.6);
    expect(netOf(plasma, ['C547.dry'], { ...liveCold, warm: true }, 'vfu').ratio).toBe(1);
  });

  it('works out two faults at once', () => {
    const both = simulate(tube, [faultOf(tube.sheet, 'R101.drifted'), faultOf(tube.sheet, 'IC501.dead')], liveCold);
    expect([...symptomsOf(both.picture)]).toEqual(expect.arrayContaining(['horizontal_line', 'flood_red']));
  });
});

describe('expected readings', () => {
  const predictions = new Predictions(plasma);
  const expected = (fault: string | undefined, check: string) =>
    predictions.expectation(
      fault === undefined ? undefined : faultOf(plasma.sheet, fault),
      predictions.checks.get(check)!,
      liveCold,
    );

  it('catches a brief rail most of the time and misses it some of the time', () => {
    const found = expected('Q511.short', 'va-dc');
    expect(found.kind === 'number' && found.components.map(({ shape }) => shape)).toEqual(['brief', 'settled']);
    expect(found.kind === 'number' && found.components[0]).toMatchObject({ value: 63 });
  });

  it('puts the ESR of a dried capacitor several times over its limit, a good one under it', () => {
    const standard = predictions.standard(predictions.checks.get('C547-esr')!, liveCold);
    const limit = standard.kind === 'number' ? standard.highAbove : 0;
    const value = (fault?: string) => {
      const found = expected(fault, 'C547-esr');
      return found.kind === 'number' ? found.components[0]!.value : 0;
    };
    expect(value()).toBeLessThan(limit);
    expect(value('C547.dry')).toBeGreaterThan(4 * limit);
  });

  it('gives a good resistor in circuit a tail towards low readings only', () => {
    const found = new Predictions(tube).expectation(
      undefined,
      new Predictions(tube).checks.get('R101-ohms')!,
      liveCold,
    );
    const values = found.kind === 'number' ? found.components.map(({ value }) => value) : [];
    expect(Math.max(...values)).toBe(12000);
    expect(Math.min(...values)).toBeLessThan(12000);
  });

  it('has chances that sum to one for every choice of every fault', () => {
    for (const model of [plasma, tube]) {
      const all = new Predictions(model);
      for (const check of all.checks.values()) {
        for (const fault of [undefined, ...model.sheet.faults.values()]) {
          const found = all.expectation(fault, check, liveCold);
          const chances =
            found.kind === 'choice'
              ? [...found.chances.values()]
              : found.kind === 'number'
                ? found.components.map(({ chance }) => chance)
                : [1];
          expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9);
        }
      }
    }
  });
});

describe('contexts and connections', () => {
  it('treats unplugged and proven alike, and pulled connectors in any order', () => {
    expect(contextKey({ ...liveCold, power: 'unplugged' })).toBe(contextKey({ ...liveCold, power: 'proven' }));
    const one = withConnector(withConnector(liveCold, 'B', true), 'A', true);
    const other = withConnector(withConnector(liveCold, 'A', true), 'B', true);
    expect(contextKey(one)).toBe(contextKey(other));
    expect(withConnector(one, 'A', false).unplugged).toEqual(['B']);
  });

  it('joins boards that no connector reaches straight to their net', () => {
    const vs = small.netIndex.get('vs')!;
    expect(joined(small, vs, 'psu', 'load', new Set(['CN1']))).toBe(false);
    expect(joined(small, vs, 'psu', 'load', new Set())).toBe(true);
    expect(joined(small, small.netIndex.get('mains')!, 'psu', 'load', new Set(['CN1']))).toBe(true);
  });
});

describe('changes made for a try', () => {
  const vs = (context: Context) => netOf(small, ['Q1.short'], context, 'vs');

  it('lifting the shorted part lets the rail up, and leaves what it drove dead', () => {
    expect(vs(liveCold)).toMatchObject({ brief: false, ratio: 0 });
    const lifted = withIntervention(liveCold, 'lifted', 'Q1', true);
    expect(vs(lifted).ratio).toBe(1);
    expect(contextKey(lifted)).not.toBe(contextKey(liveCold));
    expect(contextKey(asBuilt(lifted))).toBe(contextKey(liveCold));
  });

  it('a wire across an open fuse brings the set to life, across a short it does nothing', () => {
    const bridged = (part: string) => withIntervention(liveCold, 'bridged', part, true);
    expect(netOf(small, ['F1.open'], bridged('F1'), 'mains').ratio).toBe(1);
    expect(vs(bridged('Q1')).ratio).toBe(0);
  });

  it('a donor board takes along the faults of the board it replaces, and only those', () => {
    expect(vs(withIntervention(liveCold, 'donors', 'load', true)).ratio).toBe(1);
    expect(vs(withIntervention(liveCold, 'donors', 'psu', true)).ratio).toBe(0);
  });
});

describe('what takes its time', () => {
  const lamp = compileSheet(shippedSheets().get('generic-projection-lamp')!);

  it('a slow protection leaves the rails up to be measured and shows in the picture', () => {
    const blocked = simulate(lamp, [faultOf(lamp.sheet, 'DUCT.dirty')], liveCold);
    expect([...symptomsOf(blocked.picture)]).toEqual(['goes_off']);
    expect(blocked.blinks).toBe(7);
    expect(blocked.nets[lamp.netIndex.get('v12')!]!.ratio).toBe(1);
    const quick = simulate(lamp, [faultOf(lamp.sheet, 'V12-C.dry')], liveCold);
    expect(quick.nets[lamp.netIndex.get('v12')!]).toMatchObject({ brief: true, ratio: 0 });
  });

  it('interlock, fans and wheel must prove themselves before the lamp is lit', () => {
    for (const id of ['DOOR-SW.worn', 'FAN2.stalled', 'WHEEL.stalled', 'THERMO.worn'])
      expect(netOf(lamp, [id], liveCold, 'strike').ratio, id).toBe(0);
    expect(netOf(lamp, ['CHIP.worn'], liveCold, 'strike').ratio).toBe(1);
  });
});

describe('ripple', () => {
  it('is read many times higher behind a dried capacitor, at the same DC', () => {
    const model = compileSheet(shippedSheets().get('generic-crt-colour')!);
    const check = new Predictions(model).checks.get('bplus-ripple')!;
    const read = (faults: string[]) => {
      const expected = expectationOf(
        simulate(
          model,
          faults.map((id) => faultOf(model.sheet, id)),
          liveCold,
        ),
        check,
      );
      return expected.kind === 'number' ? expected.components[0]!.value : NaN;
    };
    expect(read(['RES-C.dry'])).toBeGreaterThan(8 * read([]));
  });
});

describe('a rail that was found in a block, of which nobody knows what it feeds', () => {
  const model = compileSheet(
    readSheet(`format: tovrik-sheet/1
id: found
title: Found
technology: plasma
boards: { logic: { title: Logic, side: cold } }
nets:
  v5: { title: 5 V, volts: 5 }
  on: { title: On, signal: control, volts: 3.3 }
  link: { title: Link, signal: video, volts: 1.2 }
  frame: { title: Frame, signal: video, volts: 1 }
  v33: { title: v33, volts: 3.3, partial: true }
blocks:
  supply:
    title: Supply
    board: logic
    makes: [v5, on]
    parts:
      C1: { kind: electrolytic, title: C1, faults: { dry: { sets: { v5: 0.5 } } } }
      Q1: { kind: transistor, title: Q1, faults: { open: { sets: { on: dead } } } }
  scaler:
    title: Scaler
    board: logic
    needs: [v5]
    makes: [link]
    parts: { U1: { kind: ic, title: U1, faults: { dead: { sets: { link: dead } } } } }
  logic: { title: Logic, board: logic, needs: [v5, on, link], makes: [frame, v33], parts: {} }
points: {}
`),
  );

  it('is made of rails and commands, whatever else the block lacks', () => {
    const ratios = (...faults: string[]) => ['frame', 'v33'].map((net) => netOf(model, faults, liveCold, net).ratio);
    expect(ratios()).toEqual([1, 1]);
    expect(ratios('U1.dead')).toEqual([0, 1]);
    expect(ratios('C1.dry')).toEqual([0.5, 0.5]);
    expect(ratios('Q1.open')).toEqual([0, 0]);
  });
});
