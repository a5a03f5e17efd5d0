import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Circuit, operatingPoint, readNetlist, System, writeNetlist } from '..';

const node = fc.constantFrom('0', 'a', 'b', 'out', 'n4');
const pair = fc.tuple(node, node);
const size = fc.double({ min: 1e-12, max: 1e9, noNaN: true });
const any = fc.double({ min: -1e4, max: 1e4, noNaN: true }).filter((value) => !Object.is(value, -0));
const source = fc.oneof(
  fc.constant(''),
  fc.tuple(any, any, size, size, size, size, size).map((values) => `PULSE(${values.join(' ')})`),
  fc.tuple(any, any).map((values) => `PULSE(${values.join(' ')} 0 1u 1u)`),
  fc.tuple(any, any, size).map((values) => `SIN(${values.join(', ')})`),
  fc.array(fc.tuple(size, any), { minLength: 1, maxLength: 5 }).map((points) => `PWL(${points.flat().join(' ')})`),
);
/** A line without its name: its letter, then the rest. */
const line = fc.oneof(
  fc
    .tuple(fc.constantFrom('R', 'C', 'L'), pair, size)
    .map(([kind, nodes, value]) => [kind, `${nodes.join(' ')} ${value}`]),
  fc.tuple(pair, size, any).map(([nodes, value, volts]) => ['C', `${nodes.join(' ')} ${value} IC=${volts}`]),
  fc
    .tuple(fc.constantFrom('V', 'I'), pair, any, source, fc.boolean())
    .map(([kind, nodes, dc, wave, ac]) => [kind, `${nodes.join(' ')} DC ${dc} ${ac ? 'AC 2 45' : ''} ${wave}`]),
  fc
    .tuple(fc.constantFrom('E', 'G'), pair, pair, any)
    .map(([kind, out, by, gain]) => [kind, `${[...out, ...by].join(' ')} ${gain}`]),
  fc.tuple(pair, size).map(([nodes, area]) => ['D', `${nodes.join(' ')} DX ${area}`]),
  fc.tuple(node, pair).map(([one, two]) => ['Q', `${one} ${two.join(' ')} QX`]),
  fc.tuple(pair, pair).map(([one, two]) => ['M', `${[...one, ...two].join(' ')} MX W=20u L=5u`]),
);
const netlist = fc
  .array(line, { minLength: 1, maxLength: 20 })
  .map((lines) =>
    [
      '* a stage',
      ...lines.map(([kind, rest], index) => `${kind}${index} ${rest}`),
      'VS s 0 1',
      'FX a 0 VS 3',
      'LA s a 1m',
      'LB s b 2m',
      'KX LA LB 0.5',
      '.model DX D(IS=1e-12 BV=12)',
      '.model QX PNP(BF=120)',
      '.model MX NMOS(VTO=3 KP=0.5)',
      '.ic v(a)=3.5',
      '.tran 1u 1m 0 2u uic',
      '.ac dec 10 1 1meg',
    ].join('\n'),
  );

/** A circuit without the places its parts stand in. */
const bare = ({ title, elements, analyses, initial }: Circuit) => ({
  title,
  analyses,
  initial: [...initial],
  elements: elements.map((element) => ({
    ...element,
    line: 0,
    ...('model' in element ? { model: { ...element.model, values: [...element.model.values] } } : {}),
  })),
});

describe('writing a netlist', () => {
  it('says again what was read, whatever it is', () => {
    fc.assert(
      fc.property(netlist, (text) => {
        const circuit = readNetlist(text);
        expect(bare(readNetlist(writeNetlist(circuit)))).toEqual(bare(circuit));
      }),
      { numRuns: 80 },
    );
  });

  it('writes subcircuits and parameters flat, with the same voltages', () => {
    const circuit = readNetlist(`* halves
.param top=2k
.subckt half in out r=1k
VM in m 0
R1 m out {r}
R2 out 0 {r}
F1 0 out VM 0.1
.ends
V1 a 0 10
X1 a b half
X2 b c half r={top*2}
`);
    const again = readNetlist(writeNetlist(circuit));
    const [one, other] = [circuit, again].map((each) => {
      const system = new System(each);
      return system.voltsAt(operatingPoint(system));
    }) as [Map<string, number>, Map<string, number>];
    expect([...other]).toEqual([...one]);
    expect(writeNetlist(again)).toBe(writeNetlist(circuit));
  });
});
