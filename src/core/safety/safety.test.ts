import { Refusal } from '../quantity';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSheet } from '../sheet';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { checksOf, liveCold } from '../behaviour';
import {
  type CautionScene,
  behindLampCaution,
  cautionsFor,
  deference,
  peakPower,
  pictureCaution,
  powerCaution,
  seriesLampPoint,
  storedEnergy,
  storesToProve,
  timeConstant,
  timeToFall,
  voltsAfter,
} from '.';

const positive = fc.double({ min: 1e-3, max: 1e3, noNaN: true });

describe('discharge', () => {
  it('takes ln 10 time constants from 300 V to 30 V', () => {
    expect(timeToFall({ farads: 330e-6, volts: 300, ohms: 2200 }, 30)).toBeCloseTo(330e-6 * 2200 * Math.LN10, 9);
    expect(timeToFall({ farads: 330e-6, volts: 20, ohms: 2200 }, 30)).toBe(0);
  });

  it('has fallen to the target after the time it says', () => {
    fc.assert(
      fc.property(
        positive,
        positive,
        positive,
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (farads, volts, ohms, share) => {
          const target = volts * share;
          expect(voltsAfter({ farads, volts, ohms }, timeToFall({ farads, volts, ohms }, target)) / target).toBeCloseTo(
            1,
            6,
          );
        },
      ),
    );
  });

  it('agrees with stepping the differential equation', () => {
    let volts = 310;
    for (let step = 0; step < 20_000; step += 1) volts -= (volts / (680e3 * 330e-6)) * 0.005;
    expect(voltsAfter({ farads: 330e-6, volts: 310, ohms: 680e3 }, 100) / volts).toBeCloseTo(1, 3);
  });

  it('learns the time constant back from two readings', () => {
    const second = voltsAfter({ farads: 1e-3, volts: 200, ohms: 50_000 }, 20);
    expect(timeConstant(200, second, 20)).toBeCloseTo(50, 9);
    expect(() => timeConstant(100, 120, 5)).toThrow(/is no decay/);
  });

  it('knows energy and the first instant of the tool', () => {
    expect(storedEnergy({ farads: 330e-6, volts: 310 })).toBeCloseTo(15.86, 2);
    expect(peakPower({ volts: 310, ohms: 2200 })).toBeCloseTo(43.7, 1);
  });

  it.each([
    [{ farads: 0, volts: 1, ohms: 1 }],
    [{ farads: 1, volts: Infinity, ohms: 1 }],
    [{ farads: 1, volts: 1, ohms: -5 }],
  ])('refuses %j', (wrong) => {
    expect(() => timeToFall(wrong, 1)).toThrow(Refusal);
  });
});

describe('cautions', () => {
  const plasma = shippedSheets().get('halvane-hp-42')!;
  const tube = shippedSheets().get('pellisar-tc-14')!;
  const cautions = (
    sheet: typeof plasma,
    check: string,
    power: 'live' | 'unplugged' | 'proven' = 'live',
    scene: Partial<CautionScene> = {},
  ) =>
    cautionsFor(sheet, checksOf(sheet).get(check)!, {
      context: { ...liveCold, power },
      isolated: false,
      ...scene,
    }).join(' ');

  const generic = (id: string, choices: Readonly<Record<string, string>>) =>
    readSheet(shippedTexts().get(id)!, { textOf: (base) => shippedTexts().get(base), netlistOf, choices });

  it('come when they matter', () => {
    expect(cautions(plasma, 'res-dc')).toMatch(/isolating transformer in first.*one hand/);
    expect(cautions(plasma, 'res-dc', 'live', { isolated: true })).toMatch(/transformer is in; it does not make it/);
    expect(cautions(plasma, 'vscan-dc')).toMatch(/never on the frame/);
    expect(cautions(tube, 'eht-dc')).toMatch(/X-radiation/);
    expect(cautions(tube, 'kg-dc')).toMatch(/One hand/);
    expect(cautions(plasma, 'C547-esr')).toMatch(/discharge through a resistor/);
    expect(cautions(tube, 'R201-ohms', 'unplugged')).toMatch(/discharge it twice/);
    expect(cautions(tube, 'R201-ohms', 'proven')).toBe('');
    expect(cautions(plasma, 'v5m-dc')).toBe('');
  });

  it('count the most dangerous points too, and know pulses, floating sides and the screen control', () => {
    expect(cautions(tube, 'mains-ac')).toMatch(/One hand/);
    expect(cautions(tube, 'hyoke-ac')).toMatch(/100:1 probe, never a meter/);
    expect(cautions(tube, 'g2-dc')).toMatch(/10 MΩ meter loads this point/);
    expect(cautions(tube, 'g2-dc')).not.toMatch(/Kilovolts/);
    expect(cautions(plasma, 'vscan-dc')).toMatch(/on batteries/);
    expect(cautions(plasma, 'up-ac')).toMatch(/earthed sampler shorts it/);
  });

  it('know a chassis that hangs on the mains, and ask for the isolating transformer at each of its points', () => {
    const mono = generic('generic-crt-mono', { chassis: 'live' });
    expect(cautions(mono, 'v12-dc')).toMatch(/whole chassis is on the mains: isolating transformer in first/);
    expect(cautions(generic('generic-crt-mono', {}), 'v12-dc')).toBe('');
  });

  it('say to unplug before moving connectors where one is moved', () => {
    const wanted = { ...liveCold, unplugged: ['LK401'] };
    expect(cautions(tube, 'bplus-dc', 'live', { wanted })).toMatch(/before moving connectors.*what drains it/);
    expect(cautions(tube, 'bplus-dc')).not.toMatch(/moving connectors/);
  });

  it('say before it is pulled that a plug takes a command with it', () => {
    const plug = [...plasma.connectors.values()].find(
      ({ unplug, carries }) => unplug && carries.some((net) => plasma.nets.get(net)!.signal === 'control'),
    )!;
    const [check] = [...checksOf(plasma).values()].filter(({ state }) => state === 'live');
    const said = (unplugged: readonly string[]) =>
      cautions(plasma, check!.id, 'proven', { wanted: { ...liveCold, unplugged } });
    expect(said([plug.id])).toMatch(new RegExp(`${plug.id} takes “.*” with it: strap that`));
    expect(said([])).not.toMatch(/takes “/);
  });

  it('keep ohms and ESR off a part that still holds a few volts', () => {
    const stores = [{ store: 'C802', volts: 12 }];
    expect(cautions(tube, 'C802-esr', 'proven', { stores })).toMatch(/C802 was left at 12 V: below 2 V/);
    expect(cautions(tube, 'C802-esr', 'proven', { stores: [{ store: 'C802', volts: 1 }] })).not.toMatch(/was left/);
  });

  it('have the degauss coil unplugged behind a lamp, where there is one', () => {
    expect(behindLampCaution(tube)).toMatch(/degauss coil.*like a short/);
    expect(behindLampCaution(plasma)).toBeUndefined();
  });

  it('know what a lamp can do', () => {
    const lamp = shippedSheets().get('generic-projection-lamp')!;
    expect(cautions(lamp, 'look-lamp', 'proven')).toMatch(/hour to cool.*mercury.*never a vacuum/);
    expect(cautions(lamp, 'strike-ac')).toMatch(/clamp is placed before power.*ultraviolet/);
  });

  it('say to switch a bright line off at once', () => {
    expect(pictureCaution(['horizontal_line', 'retrace_lines'])).toMatch(/switch off at once/);
    expect(pictureCaution(['upper_dark'])).toBeUndefined();
  });

  it('never call anything safe, and defer to codes and licensed practice', () => {
    const checks = [...checksOf(tube).keys()].map((id) => cautions(tube, id)).join(' ');
    expect(`${checks} ${deference} ${powerCaution('live')} ${powerCaution('unplugged')}`).not.toMatch(/\bsafe\b/i);
    expect(deference).toMatch(/Local codes and licensed practice come first/);
  });
});

describe('stores to prove', () => {
  it('ask for the most energetic first, and only for those not measured low', () => {
    const sheet = shippedSheets().get('halvane-hp-42')!;
    expect(storesToProve(sheet, []).map(({ id }) => id)[0]).toBe('C812');
    expect(storesToProve(sheet, [{ store: 'C812', volts: 3 }]).map(({ id }) => id)).not.toContain('C812');
    expect(storesToProve(sheet, [{ store: 'C812', volts: 210 }]).map(({ id }) => id)).toContain('C812');
  });
});

describe('a lamp in series', () => {
  const lamp = { watts: 60, volts: 230 };

  it('takes the mains where the load is shorted, and next to nothing before a light load', () => {
    const short = seriesLampPoint(lamp, 230, { kind: 'short' })!;
    expect(short).toMatchObject({ lampVolts: 230, loadVolts: 0, brightness: 1 });
    expect(short.amperes).toBeCloseTo(60 / 230, 9);
    expect(seriesLampPoint(lamp, 230, { kind: 'ohms', ohms: 1e6 })!.loadVolts).toBeGreaterThan(229);
  });

  it('settles where lamp and load carry one current', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 20_000, noNaN: true }),
        fc.double({ min: 15, max: 200, noNaN: true }),
        (ohms, watts) => {
          const { loadVolts, amperes, lampVolts } = seriesLampPoint({ ...lamp, watts }, 230, { kind: 'ohms', ohms })!;
          expect(loadVolts / ohms / amperes).toBeCloseTo(1, 6);
          expect(loadVolts + lampVolts).toBeCloseTo(230, 9);
        },
      ),
    );
  });

  it('lets a supply of few watts run and one of too many not start', () => {
    const runs = seriesLampPoint(lamp, 230, { kind: 'watts', watts: 15 })!;
    expect(runs.loadVolts * runs.amperes).toBeCloseTo(15, 6);
    expect(runs.loadVolts).toBeGreaterThan(150);
    expect(seriesLampPoint(lamp, 230, { kind: 'watts', watts: 90 })).toBeUndefined();
  });
});
