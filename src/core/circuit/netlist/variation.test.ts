import { describe, expect, it } from 'vitest';
import { dried, operatingPoint, readNetlist, scaled, smallSignal, System, turnable } from '..';

const circuit = readNetlist(`* filter
.param top=10k
V1 a 0 DC 12 AC 1
V2 s 0 PULSE(0 5 0 1u 1u 1m 2m)
R1 a b {top}
C1 b 0 100u
R2 b 0 10k
D1 0 b DX
RS s 0 1k
.model DX D(IS=1e-14)
* red
R3 b 0 1meg`);
const of = (name: string) => circuit.elements.find((element) => element.name === name)!;

describe('turning the values of a circuit', () => {
  it('turns what has a value that stands still, and nothing else', () => {
    expect(turnable(of('r1'))).toBe(10_000);
    expect(turnable(of('v1'))).toBe(12);
    expect(turnable(of('v2'))).toBeUndefined();
    expect(turnable(of('d1'))).toBeUndefined();
  });

  it('multiplies what was asked for and leaves the circuit it came from', () => {
    const turned = scaled(
      circuit,
      new Map([
        ['r1', 2],
        ['v1', 0.5],
        ['v2', 3],
      ]),
    );
    expect(turned.elements.find(({ name }) => name === 'r1')).toMatchObject({ value: 20_000 });
    expect(turned.elements.find(({ name }) => name === 'v1')).toMatchObject({ dc: 6 });
    expect(turned.elements.find(({ name }) => name === 'v2')).toEqual(of('v2'));
    expect(of('r1')).toMatchObject({ value: 10_000 });
  });

  it('knows the parameters of the text and the comment a part stands under', () => {
    expect(circuit.parameters).toEqual(new Map([['top', 10_000]]));
    expect(of('r3').section).toBe('red');
    expect(of('r1').section).toBe('');
    expect(readNetlist('* t\n.param top=1k\nR1 a 0 {top}\nV1 a 0 1', new Map([['top', 5]])).elements[0]).toMatchObject({
      value: 5,
    });
  });
});

describe('a dried-out capacitor', () => {
  it('passes what it should take away, and leaves direct volts as they were', () => {
    const through = (one: typeof circuit) => {
      const system = new System(one);
      const point = operatingPoint(system);
      const { magnitude } = smallSignal(system, point, { kind: 'ac', scale: 'lin', points: 1, from: 100, to: 100 }, [
        'b',
      ]);
      return { volts: point[system.indexOf('b')!]!, ripple: magnitude.get('b')![0]! };
    };
    const [good, dry] = [through(circuit), through(dried(circuit, 'C1'))];
    expect(dry.volts).toBeCloseTo(good.volts, 6);
    expect(dry.ripple / good.ripple).toBeGreaterThan(5);
  });

  it('must be one', () => {
    expect(() => dried(circuit, 'R1')).toThrow(/no capacitor "R1"/);
  });
});
