import { describe, expect, it } from 'vitest';
import { readNetlist, Stage, transient } from '.';
import { thermalVolts } from './elements';

const deck = (...lines: string[]) => Stage.open(['a deck', ...lines].join('\n'));
const at = (stage: Stage, node: string) => stage.system.voltsAt(stage.point).get(node)!;
/** Where a function falls through 0, by halving. */
const root = (f: (x: number) => number, low: number, high: number): number => {
  let [a, b] = [low, high];
  for (let turn = 0; turn < 200; turn += 1) {
    const middle = (a + b) / 2;
    if (f(middle) > 0 === f(a) > 0) a = middle;
    else b = middle;
  }
  return a;
};
const junction =
  (is: number, n = 1) =>
  (volts: number) =>
    is * Math.expm1(volts / (n * thermalVolts));

/** Decks whose operating point has a closed form: title, lines, node, volts. */
const closed: readonly (readonly [string, readonly string[], string, number])[] = [
  [
    'a polynomial of one control with one coefficient is a gain',
    ['V1 a 0 5', 'E1 o 0 POLY(1) a 0 2', 'R1 o 0 1k'],
    'o',
    10,
  ],
  ['a polynomial of one control', ['V1 a 0 3', 'E1 o 0 POLY(1) a 0 1 2 0.5', 'R1 o 0 1k'], 'o', 1 + 6 + 4.5],
  [
    'a polynomial of two controls begins with their products',
    ['V1 a 0 2', 'V2 b 0 3', 'E1 o 0 POLY(2) a 0 b 0 0 1 10 100 1000 10000', 'R1 o 0 1k'],
    'o',
    2 + 30 + 400 + 6000 + 90000,
  ],
  ['an adder of three', ['V1 a 0 1', 'V2 b 0 2', 'V3 c 0 4', 'E1 o 0 POLY(3) a 0 b 0 c 0 0 1 1 1', 'R1 o 0 1'], 'o', 7],
  ['a polynomial conductance', ['V1 a 0 2', 'G1 0 o POLY(1) a 0 0 0 1m', 'R1 o 0 1k'], 'o', 4],
  [
    'a polynomial of a current',
    ['V1 a 0 10', 'V2 a b 0', 'R1 b 0 10', 'H1 o 0 POLY(1) V2 1 2 3', 'R2 o 0 1k'],
    'o',
    1 + 2 + 3,
  ],
  [
    'a polynomial of two currents',
    ['V1 a 0 2', 'VA a b 0', 'R1 b 0 1', 'VB a c 0', 'R2 c 0 2', 'F1 0 o POLY(2) VA VB 0 1 1', 'R3 o 0 2'],
    'o',
    6,
  ],
  ['an expression for volts', ['V1 a 0 3', 'B1 o 0 V=v(a)^2 + sin(0)*4', 'R1 o 0 1k'], 'o', 9],
  ['an expression for amperes', ['V1 a 0 3', 'B1 0 o I={v(a)*1m}', 'R1 o 0 1k'], 'o', 3],
  ['an expression of a difference', ['V1 a 0 5', 'V2 b 0 3', 'B1 o 0 V=2*v(a,b)', 'R1 o 0 1k'], 'o', 4],
  ['an expression of a current', ['V1 a 0 5', 'R1 a 0 10', 'B1 o 0 V=-10*i(v1)', 'R2 o 0 1k'], 'o', 5],
  ['an expression that chooses', ['V1 a 0 5', 'B1 o 0 V=v(a) > 2 ? 7 : 1', 'R1 o 0 1k'], 'o', 7],
  ['a value in braces', ['.param k=3', 'V1 a 0 2', 'E1 o 0 value={k*v(a)}', 'R1 o 0 1k'], 'o', 6],
  ['a value in quotes', ['V1 a 0 2', "E1 o 0 vol='v(a)+1'", 'R1 o 0 1k'], 'o', 3],
  ['a current in quotes', ['V1 a 0 2', "G1 0 o cur='v(a)*1m'", 'R1 o 0 1k'], 'o', 2],
  ['an expression that looks at itself', ['B1 o 0 V=10 - v(o)', 'R1 o 0 1k'], 'o', 5],
  ['a resistor of a sheet', ['.model rs R(rsh=50)', 'V1 a 0 2', 'R1 a b rs l=20u w=2u', 'R2 b 0 500'], 'b', 1],
  ['a resistor with coefficients', ['V1 a 0 2', 'R1 a b 1k tc=0.01,0.002', 'R2 b 0 1k tc1=1'], 'b', 1],
  [
    'a resistor with a model of its temperature',
    ['.model rt R(tc1=4m)', 'V1 a 0 3', 'R1 a b 2k rt', 'R2 b 0 1k'],
    'b',
    1,
  ],
  ['resistors side by side', ['V1 a 0 3', 'R1 a b 2k m=4', 'R2 b 0 1k'], 'b', 2],
  ['a resistance by name', ['V1 a 0 3', 'R1 a b r=2k', 'R2 b 0 1k'], 'b', 1],
  ['sources side by side', ['I1 0 a 1m m=3', 'R1 a 0 1k'], 'a', 3],
  ['a controlled current, many', ['V1 a 0 1', 'G1 0 o a 0 1m m=5', 'R1 o 0 1k'], 'o', 5],
  ['a source that waves at rest', ['V1 a 0 SIN(2 1 1k)', 'R1 a 0 1k'], 'a', 2],
  ['a source with a value and a wave', ['V1 a 0 DC 5 PULSE(1 2 0 1n 1n 1u 2u)', 'R1 a 0 1k'], 'a', 5],
  [
    'a global node',
    ['.global vcc', 'V1 vcc 0 6', 'X1 o half', 'R9 o 0 1k', '.subckt half o', 'R1 vcc o 1k', '.ends'],
    'o',
    3,
  ],
  [
    'a parameter within a subcircuit',
    ['V1 a 0 6', 'X1 a o part', 'R9 o 0 1k', '.subckt part i o', '.param r=2k', 'R1 i o r', '.ends'],
    'o',
    2,
  ],
  [
    'models of one name in two subcircuits',
    [
      ...['V1 a 0 6', 'X1 a o one', 'X2 o 0 two'],
      ...['.subckt one i o', '.model z R(rsh=10)', 'R1 i o z l=2 w=1', '.ends'],
      ...['.subckt two i o', '.model z R(rsh=10)', 'R1 i o z l=4 w=1', '.ends'],
    ],
    'o',
    4,
  ],
  ['a switch that a voltage closes', ['.model s SW(vt=2 ron=1k)', 'V1 a 0 4', 'S1 a o a 0 s', 'R1 o 0 1k'], 'o', 2],
  ['a switch that stays open', ['.model s SW(vt=5 roff=3k)', 'V1 a 0 4', 'S1 a o a 0 s', 'R1 o 0 1k'], 'o', 1],
  [
    'a switch within its band stays as it began',
    ['.model s SW(vt=4 vh=1 ron=1k roff=3k)', 'V1 a 0 4', 'S1 a o a 0 s ON', 'R1 o 0 1k'],
    'o',
    2,
  ],
  [
    'a switch that a current closes',
    [
      '.model s CSW(it=1m ron=1k)',
      'V1 a 0 4',
      'R1 a 0 1k',
      'W1 a o V1 s',
      'W2 o 0 V1 s',
      '.model never CSW(it=1)',
      'R2 o 0 1k',
    ],
    'o',
    // The source delivers, so the current through it is below 0 and both stay open.
    4 / (1 + 1e12 * (1 / 1e3 + 1e-12)),
  ],
  [
    'a JFET in saturation, β(Vgs − Vto)²',
    ['.model j NJF(vto=-2 beta=1m)', 'VD d 0 12', 'RD d o 1k', 'J1 o 0 0 j'],
    'o',
    12 - 4,
  ],
  [
    'a p-channel JFET is the same upside down',
    ['.model j PJF(vto=-2 beta=1m)', 'VD d 0 -12', 'RD d o 1k', 'J1 o 0 0 j'],
    'o',
    -8,
  ],
  [
    'a JFET biased by its source, in 2 squared areas',
    ['.model j NJF(vto=-2 beta=0.5m)', 'VD d 0 12', 'J1 d 0 s j 2', 'RS s 0 1k'],
    's',
    root((v) => 1e-3 * (2 - v) ** 2 - v / 1e3, 0, 2),
  ],
  [
    'a JFET off',
    ['.model j NJF(vto=-2 beta=1m)', 'VD d 0 12', 'VG g 0 -3', 'RD d o 1k', 'J1 o g 0 j'],
    'o',
    12 - 1e3 * (1e-14 * 2 + 1e-12 * 15),
  ],
  [
    'a MOSFET without width or length is of one square',
    ['.model n NMOS(vto=1 kp=2m)', 'VD d 0 10', 'RD d o 1k', 'VG g 0 3', 'M1 o g 0 0 n'],
    'o',
    6,
  ],
  [
    'a MOSFET with a width alone takes the usual length of 100 µ',
    ['.model n NMOS(vto=1 kp=20u)', 'VD d 0 10', 'RD d o 1k', 'VG g 0 3', 'M1 o g 0 0 n w=10m'],
    'o',
    6,
  ],
  [
    'lateral diffusion shortens the channel on both sides',
    ['.model n NMOS(vto=1 kp=20u ld=0.5u)', 'VD d 0 10', 'RD d o 1k', 'VG g 0 3', 'M1 o g 0 0 n w=100u l=2u'],
    'o',
    10 - 1e3 * 20e-6 * 100 * 0.5 * 4,
  ],
  [
    'the bulk raises the threshold by γ(√(φ+Vsb) − √φ)',
    ['.model n NMOS(vto=1 kp=1m gamma=0.5 phi=0.6)', 'VD d 0 10', 'RD d o 1k', 'VG g 0 4', 'VB b 0 -2', 'M1 o g 0 b n'],
    'o',
    10 - 0.5 * (4 - 1 - 0.5 * (Math.sqrt(2.6) - Math.sqrt(0.6))) ** 2,
  ],
  [
    'two MOSFETs side by side',
    ['.model n NMOS(vto=1 kp=1m)', 'VD d 0 10', 'RD d o 1k', 'VG g 0 3', 'M1 o g 0 0 n m=2'],
    'o',
    6,
  ],
  [
    'gain of an oxide: mobility by its capacitance',
    ['.model n NMOS(vto=1 tox=100n uo=600)', 'VD d 0 10', 'RD d o 1k', 'VG g 0 3', 'M1 o g 0 0 n w=1m l=10u'],
    'o',
    10 - 1e3 * 0.5 * ((0.06 * 3.9 * 8.854214871e-12) / 100e-9) * 100 * 4,
  ],
  [
    'a bulk junction that conducts',
    ['.model n NMOS(vto=1 kp=1m is=1e-12)', 'VB v 0 5', 'RB v b 10k', 'M1 0 0 0 b n'],
    'b',
    root((v) => (5 - v) / 1e4 - 2 * junction(1e-12)(v), 0, 1),
  ],
  [
    'a bulk junction by its area and density',
    ['.model n NMOS(vto=1 kp=1m js=1m)', 'VB v 0 5', 'RB v b 10k', 'M1 0 0 0 b n ad=1n as=2n'],
    'b',
    root((v) => (5 - v) / 1e4 - junction(3e-12)(v), 0, 1),
  ],
  [
    'a diode of twice the area',
    ['.model d D(is=1p)', 'V1 a 0 5', 'R1 a k 1k', 'D1 k 0 d area=2'],
    'k',
    root((v) => (5 - v) / 1e3 - junction(2e-12)(v), 0, 1),
  ],
  [
    'two diodes side by side, off at first',
    ['.model d D(is=1p)', 'V1 a 0 5', 'R1 a k 1k', 'D1 k 0 d m=2 off'],
    'k',
    root((v) => (5 - v) / 1e3 - junction(2e-12)(v), 0, 1),
  ],
  [
    'a diode in high injection, I/(1 + √(I/knee))',
    ['.model d D(is=1p ikf=1m)', 'V1 a 0 5', 'R1 a k 100', 'D1 k 0 d'],
    'k',
    root(
      (v) => {
        const low = junction(1e-12)(v);
        return (5 - v) / 100 - low / (1 + Math.sqrt(low / 1e-3));
      },
      0,
      1.5,
    ),
  ],
  [
    'a transistor whose Early voltage is named va',
    ['.model q NPN(is=1f bf=100 va=50)', 'VC c 0 10', 'RC c o 1k', 'IB 0 b 20u', 'Q1 o b 0 q'],
    'o',
    // ib = I/β and ic = I·(1 − Vbc/Va); Vbe from the base current.
    root(
      (v) => {
        const base = thermalVolts * Math.log1p(20e-6 / (1e-15 / 100));
        return (10 - v) / 1e3 - 20e-6 * 100 * (1 - (base - v) / 50);
      },
      0,
      10,
    ),
  ],
  [
    'a transistor with leakage of its emitter',
    ['.model q NPN(is=1f bf=100 ise=1p ne=2)', 'VC c 0 10', 'RC c o 1k', 'VB b 0 0.65', 'RB b q 10k', 'Q1 o q 0 q'],
    'q',
    root((v) => (0.65 - v) / 1e4 - junction(1e-15)(v) / 100 - junction(1e-12, 2)(v), 0.2, 0.65),
  ],
  [
    'a transistor in high injection, from its knee current on',
    ['.model q NPN(is=1f bf=100 ikf=1m)', 'VC c 0 10', 'RC c o 1k', 'VB b 0 0.75', 'Q1 o b 0 q'],
    'o',
    10 - (1e3 * 2 * junction(1e-15)(0.75)) / (1 + Math.sqrt(1 + 4 * (junction(1e-15)(0.75) / 1e-3))),
  ],
  [
    'a fourth node of a transistor',
    ['.model q NPN(is=1f)', 'VC c 0 5', 'RC c o 1k', 'Q1 o 0 0 sub q', 'RS sub 0 1'],
    'o',
    5,
  ],
  ['options that change nothing', ['.options reltol=1e-4 abstol=1p', '.temp 27', 'V1 a 0 1', 'R1 a 0 1'], 'a', 1],
];

describe('decks of others', () => {
  it.each(closed)('%s', (_, lines, node, volts) => {
    expect(Math.abs(at(deck(...lines), node) - volts)).toBeLessThan(1e-3 * Math.abs(volts) + 1e-6);
  });

  it('a guess of a node decides which of two states is found', () => {
    const flipFlop = (guess: string) =>
      deck(
        ...['.model q NPN(is=1f bf=100)', 'VC c 0 5', 'R1 c a 1k', 'R2 c b 1k', 'R3 a x 10k', 'R4 b y 10k'],
        ...['Q1 a y 0 q', 'Q2 b x 0 q', `.nodeset v(${guess})=0`],
      );
    expect(at(flipFlop('a'), 'a')).toBeLessThan(0.3);
    expect(at(flipFlop('b'), 'a')).toBeGreaterThan(3);
  });

  it.each<readonly [string, readonly string[], RegExp]>([
    ['a parameter of a model', ['.model q NPN(is=1f iss=1f)'], /line 2: .model q: "iss" is not reckoned with for npn/],
    ['a word of a model', ['.model q NPN(is=1f fast)'], /line 2: .model q: "fast" is no parameter/],
    ['another level', ['.model n NMOS(level=3)'], /line 2: .model n: level 3 is not known here, only level 1/],
    ['another temperature', ['.temp 50'], /line 2: .temp: everything is at 27 °C here/],
    ['a temperature of a model', ['.model d D(tnom=50)'], /line 2: .model d: tnom=50 is not reckoned with/],
    ['a temperature of a part', ['R1 a 0 1k temp=60'], /line 2: r1 has a temperature of its own/],
    ['an option', ['.options scale=1u'], /line 2: .options scale is not reckoned with/],
    ['a word of a part', ['R1 a 0 1k fusible'], /line 2: r1: "fusible" is not reckoned with here/],
    ['a setting of a part', ['D1 a 0 d pj=3', '.model d D()'], /line 2: d1: "pj=3" is not reckoned with here/],
    ['a file', ['.include parts.lib'], /line 2: .include: write the text of that file here/],
    ['a transmission line', ['T1 a 0 b 0 z0=50 td=1n'], /line 2: "t1" is no element: transmission lines are not known/],
    ['a digital part', ['A1 [a] [b] inv'], /line 2: "a1" is no element: digital and behavioural blocks/],
    ['a phase of a sine', ['V1 a 0 SIN(0 1 1k 0 0 90)'], /line 2: SIN has five values here/],
    ['a function that is none', ['B1 a 0 V=gauss(1)', 'R1 a 0 1'], /line 2: "gauss" is no function here/],
    ['a current of no source', ['B1 a 0 V=i(r1)', 'R1 a 0 1'], /line 2: b1 follows the current of "r1"/i],
    ['a guess of no node', ['R1 a 0 1', '.nodeset v(z)=1'], /line 3: there is no node "z"; there are a, 0/],
  ])('are refused where %s is not reckoned with', (_, lines, message) => {
    expect(() => readNetlist(['a deck', ...lines].join('\n'))).toThrow(message);
  });

  it('say what was passed over, and whether it would change a run', () => {
    const { notes } = readNetlist(
      [
        ...['a deck', 'V1 a 0 1', 'R1 a b 1', 'D1 b 0 d', '.model d D(is=1p tt=5n eg=1.1)', '.options reltol=1m'],
        ...['.plot v(a)', '.control', 'run', 'R9 is no part here', '.endc'],
      ].join('\n'),
    );
    expect(notes).toEqual([
      { line: 8, text: 'the commands of .control are passed over', moving: false },
      { line: 5, text: '.model d: tt, eg change nothing at rest', moving: true },
      { line: 6, text: '.options reltol: this program has its own', moving: false },
      { line: 7, text: '.plot is passed over', moving: false },
    ]);
  });

  it('a switch closes when its control gets there, not when a step that was not taken went beyond', () => {
    const stage = deck(
      ...['V1 in 0 PULSE(0 10 0 1n 1n 1 2)', 'R1 in c 1k', 'C1 c 0 1u', '.model s SW(vt=0 vh=8 ron=1)'],
      ...['V2 d 0 1', 'S1 d o c 0 s', 'R2 o 0 1k', '.tran 1u 4m'],
    );
    const [analysis] = stage.circuit.analyses;
    const run = transient(stage.system, analysis as Extract<typeof analysis, { kind: 'tran' }>, ['o']);
    const closed = run.seconds[run.volts.get('o')!.findIndex((volts) => volts > 0.5)]!;
    expect(closed / (1e-3 * Math.log(5))).toBeCloseTo(1, 2);
  });

  it('a source that follows an expression follows it through time', () => {
    const stage = deck('V1 a 0 PWL(0 0 1m 4)', 'B1 o 0 V=v(a)*v(a)', 'R1 o c 1', 'C1 c 0 1n', '.tran 10u 1m');
    const [analysis] = stage.circuit.analyses;
    const run = transient(stage.system, analysis as Extract<typeof analysis, { kind: 'tran' }>, ['o']);
    const last = run.seconds.length - 1;
    expect(run.volts.get('o')![last]).toBeCloseTo(16, 3);
    const half = run.seconds.findIndex((time) => time >= 0.5e-3);
    expect(run.volts.get('o')![half]! / (4e3 * run.seconds[half]!) ** 2).toBeCloseTo(1, 3);
  });
});
