import { resistanceBehind } from './diode';
import { type Common, type Device, type ElementKind, type Equations, type Modelled } from './element';
import { junctionShunt } from './junctionDevice';
import { type Junction, junctionCurrent, junctionOf, limited, type Operating } from './junctions';
import { type ModelKind } from './model';

/** Collector, base, emitter. */
export type Bipolar = Common &
  Modelled & {
    readonly kind: 'q';
    readonly nodes: readonly [string, string, string];
    readonly off?: true;
  };

export const bipolarModel: ModelKind = {
  types: ['npn', 'pnp'],
  honoured: [
    'is',
    'bf',
    'br',
    'nf',
    'nr',
    'vaf',
    'var',
    'ikf',
    'ikr',
    'ise',
    'ne',
    'isc',
    'nc',
    'rb',
    'rbm',
    'rc',
    're',
  ],
  alike: {
    va: 'vaf',
    vbf: 'vaf',
    vb: 'var',
    vbr: 'var',
    ik: 'ikf',
    jbf: 'ikf',
    jbr: 'ikr',
    jle: 'ise',
    jlc: 'isc',
    bfm: 'bf',
    brm: 'br',
  },
  atRest: [
    ...['cje', 'vje', 'mje', 'cjc', 'vjc', 'mjc', 'cjs', 'vjs', 'mjs', 'ccs', 'ms', 'ps', 'pe', 'pc', 'me', 'mc'],
    ...[
      'xcjc',
      'fc',
      'tf',
      'xtf',
      'vtf',
      'itf',
      'ptf',
      'tr',
      'eg',
      'xtb',
      'xti',
      'pt',
      'tb',
      'kf',
      'af',
      'cjo',
      'cjcs',
    ],
  ],
};

const terminals = { collector: 0, base: 1, emitter: 2, outerBase: 3 } as const;
const scratch: Operating = { amperes: 0, siemens: 0 };

/** What a transistor's model comes to for its area; conductances and currents in siemens and amperes. */
interface Figures {
  /** 1 for NPN, -1 for PNP. */
  readonly sign: number;
  readonly emitting: Junction;
  readonly collecting: Junction;
  readonly forwardGain: number;
  readonly reverseGain: number;
  /** 1 over the Early voltages. */
  readonly early: number;
  readonly reverseEarly: number;
  /** 1 over the knee currents, forward and reverse. */
  readonly knees: readonly [number, number];
  /** Leakage of both junctions; undefined where there is none. */
  readonly leaks: readonly [Junction | undefined, Junction | undefined];
  /** Ohms of the base: at rest, and what is left of them at large currents. */
  readonly base: { readonly whole: number; readonly least: number } | undefined;
  readonly off: boolean;
}

/** Gummel and Poon 1970, with high injection and leakage of both junctions; at rest, without capacitances. */
class Transistor implements Device {
  private heldBe = 0;
  private heldBc = 0;

  /** Collector, base and emitter; then the outer base where the resistance between varies. */
  constructor(
    readonly home: readonly number[],
    private readonly figures: Figures,
  ) {}

  hold(at: Int32Array, first: number, from?: Float64Array): void {
    const { sign, emitting, off } = this.figures;
    const base = from ? from[at[first + terminals.base]!]! : 0;
    const volts = (other: number) => sign * (base - from![at[first + other]!]!);
    this.heldBe = from ? volts(terminals.emitter) : off ? 0 : emitting.critical;
    this.heldBc = from ? volts(terminals.collector) : 0;
  }

  near(at: Int32Array, first: number, x: Float64Array, volts: number): boolean {
    const { sign } = this.figures;
    const base = x[at[first + terminals.base]!]!;
    const moved = (other: number, held: number) => Math.abs(sign * (base - x[at[first + other]!]!) - held) > volts;
    return !moved(terminals.emitter, this.heldBe) && !moved(terminals.collector, this.heldBc);
  }

  stamp(at: Int32Array, first: number, equations: Equations, x: Float64Array): boolean {
    const { sign, emitting, collecting, forwardGain, reverseGain, early, reverseEarly, knees, leaks } = this.figures;
    const { right } = equations;
    const [c, b, e] = [at[first]!, at[first + 1]!, at[first + 2]!];
    const [wantedBe, wantedBc] = [sign * (x[b]! - x[e]!), sign * (x[b]! - x[c]!)];
    const vbe = limited(emitting, wantedBe, this.heldBe);
    const vbc = limited(collecting, wantedBc, this.heldBc);
    this.heldBe = vbe;
    this.heldBc = vbc;
    junctionCurrent(emitting, vbe, scratch);
    const { amperes: forward, siemens: forwardSlope } = scratch;
    junctionCurrent(collecting, vbc, scratch);
    const { amperes: reverse, siemens: reverseSlope } = scratch;
    // One over the base charge: the Early effect, then high injection.
    const charge = Math.max(1e-3, 1 - vbc * early - vbe * reverseEarly);
    let [share, shareBe, shareBc] = [charge, -reverseEarly, -early];
    if (knees[0] !== 0 || knees[1] !== 0) {
      const root = Math.sqrt(Math.max(1e-12, 1 + 4 * (forward * knees[0] + reverse * knees[1])));
      const injected = 2 / (1 + root);
      const slope = -4 / (root * (1 + root) * (1 + root));
      share = charge * injected;
      shareBe = -reverseEarly * injected + charge * slope * forwardSlope * knees[0];
      shareBc = -early * injected + charge * slope * reverseSlope * knees[1];
    }
    const across = forward - reverse;
    let ic = across * share - reverse / reverseGain;
    let ib = forward / forwardGain + reverse / reverseGain;
    const icBe = forwardSlope * share + across * shareBe;
    let icBc = -reverseSlope * share + across * shareBc - reverseSlope / reverseGain;
    let ibBe = forwardSlope / forwardGain;
    let ibBc = reverseSlope / reverseGain;
    if (leaks[0]) {
      junctionCurrent(leaks[0], vbe, scratch);
      ib += scratch.amperes;
      ibBe += scratch.siemens;
    }
    if (leaks[1]) {
      junctionCurrent(leaks[1], vbc, scratch);
      ib += scratch.amperes;
      ibBc += scratch.siemens;
      ic -= scratch.amperes;
      icBc -= scratch.siemens;
    }
    const intoC = sign * (ic - icBe * vbe - icBc * vbc);
    const intoB = sign * (ib - ibBe * vbe - ibBc * vbc);
    equations.add(c, b, icBe + icBc - junctionShunt);
    equations.add(c, e, -icBe);
    equations.add(c, c, junctionShunt - icBc);
    equations.add(b, b, ibBe + ibBc + 2 * junctionShunt);
    equations.add(b, e, -ibBe - junctionShunt);
    equations.add(b, c, -ibBc - junctionShunt);
    equations.add(e, b, -(icBe + icBc + ibBe + ibBc) - junctionShunt);
    equations.add(e, e, icBe + ibBe + junctionShunt);
    equations.add(e, c, icBc + ibBc);
    right[c]! -= intoC;
    right[b]! -= intoB;
    right[e]! += intoC + intoB;
    const { base } = this.figures;
    if (base) {
      // The resistance at rest stands beside it; what high injection takes off is added here.
      const now = base.least + (base.whole - base.least) * share;
      equations.conductance(at[first + terminals.outerBase]!, b, 1 / Math.max(now, 1e-3) - 1 / base.whole);
    }
    return Math.abs(vbe - wantedBe) > 1e-9 || Math.abs(vbc - wantedBc) > 1e-9;
  }

  among(place: (unknown: number) => number): Transistor {
    return new Transistor(this.home.map(place), this.figures);
  }
}

const inverse = (value: number | undefined): number => (value !== undefined && value > 0 ? 1 / value : 0);

function figuresOf({ model: { values, type }, area, off }: Bipolar): Figures {
  const value = (key: string, usual: number) => values.get(key) ?? usual;
  const saturation = value('is', 1e-16) * area;
  const leak = (key: string, emission: string, usual: number) => {
    const amperes = value(key, 0) * area;
    return amperes > 0 ? junctionOf(amperes, value(emission, usual)) : undefined;
  };
  const whole = value('rb', 0) / area;
  const least = value('rbm', value('rb', 0)) / area;
  return {
    sign: type === 'pnp' ? -1 : 1,
    emitting: junctionOf(saturation, value('nf', 1)),
    collecting: junctionOf(saturation, value('nr', 1)),
    forwardGain: value('bf', 100),
    reverseGain: value('br', 1),
    early: inverse(values.get('vaf')),
    reverseEarly: inverse(values.get('var')),
    knees: [inverse(value('ikf', 0) * area), inverse(value('ikr', 0) * area)],
    leaks: [leak('ise', 'ne', 1.5), leak('isc', 'nc', 2)],
    base: whole > 0 && least < whole ? { whole, least } : undefined,
    off: off ?? false,
  };
}

export const bipolar: ElementKind<Bipolar> = {
  read(card) {
    const nodes = [card.node(), card.node(), card.node()] as const;
    // A fourth node, the substrate, carries nothing at rest.
    if (!card.atModel && card.modelAfterNext) card.word();
    const model = card.model('npn', 'pnp');
    const area = card.area();
    const off = card.take('off');
    card.passOver('ic');
    return { kind: 'q', nodes, model, area, ...(off ? { off } : {}) };
  },
  write: ({ nodes, model, area, off }) =>
    `${nodes.join(' ')} ${model.name}${area === 1 ? '' : ` ${area}`}${off ? ' OFF' : ''}`,
  passes: ({ nodes: [c, b, e] }) => [
    [c, b],
    [b, e],
  ],
  behind: (element) => ['rc', 'rb', 're'].map((key) => resistanceBehind(element, key)),
  devices(element, at, places) {
    const figures = figuresOf(element);
    const home = [...at, ...(figures.base ? [places.node(element.nodes[1])] : [])];
    return [{ device: new Transistor(home, figures), legs: [0, 1, 2, ...(figures.base ? [undefined] : [])] }];
  },
  legs: 'cbe',
  failures: ({ model: { values } }) => [
    // With a base that varies nothing constant could be taken away for an open one.
    ...(values.has('rbm') ? [] : [{ mode: 'open-b' as const }]),
    { mode: 'open-c' },
    { mode: 'open-e' },
    { mode: 'short-be' },
    { mode: 'short-bc' },
    { mode: 'short-ce' },
  ],
  cold: 'junctions',
};
