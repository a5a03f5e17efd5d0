import { describe, expect, it } from 'vitest';
import { changeFor, dictionaryOf, type CircuitFaultMode, operatingPoint, readNetlist, System } from '..';
import { thermalVolts } from '../elements';

const systemOf = (...lines: string[]) => new System(readNetlist(['* test', ...lines].join('\n')));
const voltsOf = (system: System) => {
  const volts = system.voltsAt(operatingPoint(system));
  return (node: string) => volts.get(node)!;
};
/** The volts of a node with a fault, as the dictionary has it. */
const broken = (system: System, ref: string, mode: CircuitFaultMode, node: string) => {
  const { entries } = dictionaryOf(system, operatingPoint(system), { faults: [{ ref, mode }] });
  return system.voltsAt(entries[0]!.point).get(node)!;
};

describe('a diode', () => {
  it('takes the current its voltage asks for, Is·(e^(V/nVt) − 1)', () => {
    const at = voltsOf(systemOf('V1 a 0 5', 'R1 a k 1k', 'D1 k 0 DX', '.model DX D(IS=1e-12 N=1.5)'));
    const through = (at('a') - at('k')) / 1000;
    expect(through / (1e-12 * Math.expm1(at('k') / (1.5 * thermalVolts)))).toBeCloseTo(1, 4);
  });

  it('breaks down at its voltage with its current, and blocks below it', () => {
    const zener = '.model DZ D(IS=1e-12 BV=12 IBV=5m)';
    const held = voltsOf(systemOf('V1 a 0 17', 'R1 a k 1k', 'D1 0 k DZ', zener));
    expect(held('k')).toBeCloseTo(12, 2);
    expect(voltsOf(systemOf('V1 a 0 9', 'R1 a k 1k', 'D1 0 k DZ', zener))('k')).toBeCloseTo(9, 4);
  });

  it('opened lets go, shorted holds down', () => {
    const system = systemOf('V1 a 0 5', 'R1 a k 1k', 'D1 k 0 DX', '.model DX D(IS=1e-12)');
    expect(broken(system, 'D1', 'open', 'k')).toBeCloseTo(5, 4);
    expect(broken(system, 'D1', 'short', 'k')).toBeLessThan(1e-3);
  });
});

describe('a bipolar transistor', () => {
  const stage = (sign: 1 | -1, type: 'NPN' | 'PNP', legs = '') =>
    systemOf(
      `VC cc 0 ${12 * sign}`,
      `VB in 0 ${2 * sign}`,
      'RB in b 1k',
      'RE e 0 1k',
      'RC cc c 4.7k',
      'Q1 c b e QX',
      `.model QX ${type}(IS=1e-14 BF=100 BR=2 ${legs})`,
    );

  it('carries beta times its base current, the emitter both', () => {
    const at = voltsOf(stage(1, 'NPN'));
    const [base, emitter, collector] = [(2 - at('b')) / 1000, at('e') / 1000, (12 - at('c')) / 4700];
    expect(collector / base).toBeCloseTo(100, 1);
    expect(emitter / (base + collector)).toBeCloseTo(1, 6);
    expect((at('b') - at('e')) / (thermalVolts * Math.log(collector / 1e-14))).toBeCloseTo(1, 4);
  });

  it('is the same upside down', () => {
    const [npn, pnp] = [voltsOf(stage(1, 'NPN')), voltsOf(stage(-1, 'PNP'))];
    for (const node of ['b', 'e', 'c']) expect(pnp(node)).toBeCloseTo(-npn(node), 6);
  });

  it('carries more at more volts by the Early effect', () => {
    const current = (early: string) => {
      const at = voltsOf(
        systemOf('VC c 0 50', 'VB b 0 0.62', 'Q1 m b 0 QX', 'RC c m 1', `.model QX NPN(IS=1e-14 BF=100 ${early})`),
      );
      return 50 - at('m');
    };
    expect(current('VAF=100') / current('')).toBeCloseTo(1 + (50 - 0.62) / 100, 2);
  });

  it.each([
    ['without resistance of its own', ''],
    ['with it', 'RB=10 RC=1 RE=0.5'],
  ])('%s opens at each leg and shorts at each pair', (_, legs) => {
    const system = stage(1, 'NPN', legs);
    for (const leg of ['open-b', 'open-c', 'open-e'] as const)
      expect(broken(system, 'Q1', leg, 'c'), leg).toBeGreaterThan(11.9);
    expect(broken(system, 'Q1', 'open-b', 'e')).toBeLessThan(0.01);
    // With the collector open the base alone feeds the emitter, through its diode.
    expect(broken(system, 'Q1', 'open-c', 'e')).toBeGreaterThan(0.5);
    const chain = (12 * 1000) / 5700;
    expect(broken(system, 'Q1', 'short-ce', 'c')).toBeCloseTo(chain, 1);
    expect(broken(system, 'Q1', 'short-be', 'c')).toBeGreaterThan(11.9);
    expect(broken(system, 'Q1', 'short-be', 'e')).toBeCloseTo(1, 2);
  });
});

describe('a MOSFET', () => {
  const switched = (gate: number, load: number) =>
    systemOf('VD dd 0 20', `VG g 0 ${gate}`, `RD dd d ${load}`, 'M1 d g 0 0 MX', '.model MX NMOS(VTO=3 KP=0.2)');

  it('is off below its threshold, square above it, a resistance when it is driven hard', () => {
    expect(voltsOf(switched(2.5, 100))('d')).toBeCloseTo(20, 3);
    // In saturation K/2·(Vgs − Vt)².
    expect(voltsOf(switched(4, 100))('d')).toBeCloseTo(20 - 100 * 0.1, 3);
    // Far into the triode region about 1/(K·(Vgs − Vt)).
    const hard = voltsOf(switched(13, 100))('d');
    expect(hard / (20 - hard) / (1 / (0.2 * 10) / 100)).toBeCloseTo(1, 1);
  });

  it('conducts backwards through its bulk', () => {
    const at = voltsOf(systemOf('VS s 0 5', 'RL d 0 100', 'M1 d s s s MX', '.model MX NMOS(VTO=3 KP=0.2)'));
    expect(at('d')).toBeGreaterThan(4);
    expect(at('d')).toBeLessThan(4.5);
  });

  it('takes its bulk with it when the source opens', () => {
    const system = switched(13, 100);
    expect(broken(system, 'M1', 'open-s', 'd')).toBeCloseTo(20, 2);
    expect(broken(system, 'M1', 'open-d', 'd')).toBeCloseTo(20, 2);
    expect(broken(system, 'M1', 'short-ds', 'd')).toBeLessThan(0.01);
    // Ten amperes through the short's ten milliohms.
    expect(broken(system, 'M1', 'short-gd', 'd')).toBeCloseTo(12.9, 1);
  });
});

describe('a fault that a part cannot have', () => {
  const system = systemOf('V1 a 0 5', 'R1 a 0 1k', 'C1 a 0 10u', 'D1 a 0 DX', '.model DX D(IS=1e-15)');
  it.each([
    [{ ref: 'R9', mode: 'open' }, /no element "R9"/],
    [{ ref: 'R1', mode: 'open-b' }, /"R1" cannot be open-b/],
    [{ ref: 'R1', mode: 'value' }, /cannot be value/],
    [{ ref: 'D1', mode: 'value', factor: 2 }, /cannot be value/],
    [{ ref: 'C1', mode: 'open' }, /cannot be open/],
    [{ ref: 'V1', mode: 'short' }, /cannot be short/],
  ] as const)('%o is refused', (fault, message) => {
    expect(() => changeFor(system, fault)).toThrow(message);
  });
});
