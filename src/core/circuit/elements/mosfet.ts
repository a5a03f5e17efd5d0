import { Channel } from './channel';
import { type Common, type ElementKind, type Laid } from './element';
import { JunctionDevice } from './junctionDevice';
import { junctionOf, thermalVolts } from './junctions';
import { type Model, type ModelKind, temperature } from './model';

/** Drain, gate, source, bulk. */
export type Mosfet = Common & {
  readonly kind: 'm';
  readonly nodes: readonly [string, string, string, string];
  readonly model: Model;
  /** Metres; a model's lateral diffusion is not yet taken off the length. */
  readonly width: number;
  readonly length: number;
  /** How many stand side by side. */
  readonly count: number;
  /** Square metres of drain and source, and how many squares of sheet lead to each. */
  readonly areas: readonly [number, number];
  readonly squares: readonly [number, number];
};

export const mosfetModel: ModelKind = {
  types: ['nmos', 'pmos'],
  honoured: [
    ...['vto', 'kp', 'gamma', 'phi', 'lambda', 'rd', 'rs', 'rsh', 'is', 'js', 'ld'],
    ...['tox', 'nsub', 'nss', 'tpg', 'uo'],
  ],
  alike: { vt0: 'vto', u0: 'uo' },
  atRest: [
    ...['cbd', 'cbs', 'cgso', 'cgdo', 'cgbo', 'cj', 'mj', 'cjsw', 'mjsw', 'pb', 'fc', 'kf', 'af'],
    // They belong to other levels, and level 1 has no use for them.
    ...['xj', 'delta', 'ucrit', 'uexp', 'utra', 'vmax', 'neff', 'nfs', 'theta', 'eta', 'kappa'],
  ],
};

/** Usual width and length of a channel, in metres. */
const usualSize = 1e-4;

/** Permittivities of silicon and of its oxide, in farads per metre; charge of an electron, in coulombs. */
const silicon = 11.7 * 8.854214871e-12;
const oxide = 3.9 * 8.854214871e-12;
const electron = 1.6021766208e-19;
/** Free carriers of silicon by itself, per cubic metre. */
const intrinsic = 1.45e16;

interface Process {
  readonly threshold: number;
  /** Amperes per square volt of a square channel. */
  readonly gain: number;
  readonly gamma: number;
  readonly phi: number;
}

/**
 * Threshold and gain of a model, from what it gives or from its oxide and doping (Shichman and Hodges
 * 1968; Vladimirescu and Liu 1980, level 1). The threshold is that of an n-channel: positive when off.
 */
function processOf({ values, type }: Model): Process {
  const sign = type === 'pmos' ? -1 : 1;
  const perArea = values.has('tox') ? oxide / values.get('tox')! : undefined;
  const doping = (values.get('nsub') ?? 0) * 1e6;
  let gamma = values.get('gamma');
  let phi = values.get('phi');
  let threshold = values.get('vto');
  if (perArea !== undefined && doping > intrinsic) {
    const kelvin = temperature + 273.15;
    const gap = 1.16 - (7.02e-4 * kelvin * kelvin) / (kelvin + 1108);
    phi ??= Math.max(0.1, 2 * thermalVolts * Math.log(doping / intrinsic));
    gamma ??= Math.sqrt(2 * silicon * electron * doping) / perArea;
    const gate = values.get('tpg') ?? 1;
    const work = gate === 0 ? 3.2 : 3.25 + gap / 2 - (sign * gate * gap) / 2;
    const flat = work - (3.25 + gap / 2 + (sign * phi) / 2) - ((values.get('nss') ?? 0) * 1e4 * electron) / perArea;
    threshold ??= flat + sign * (gamma * Math.sqrt(phi) + phi);
  }
  return {
    threshold: sign * (threshold ?? 0),
    gain: values.get('kp') ?? (perArea === undefined ? 2e-5 : (values.get('uo') ?? 600) * 1e-4 * perArea),
    gamma: gamma ?? 0,
    phi: phi ?? 0.6,
  };
}

/** The channel's law of level 1 for a channel of this many squares. */
function lawOf({ threshold, gain, gamma, phi }: Process, lambda: number): ConstructorParameters<typeof Channel>[3] {
  const root = Math.sqrt(phi);
  return (gate, drain, bulk, into) => {
    const depth = bulk <= 0 ? Math.sqrt(phi - bulk) : Math.max(0, root - bulk / (2 * root));
    const over = gate - threshold - gamma * (depth - root);
    if (over <= 0) {
      into.amperes = into.byGate = into.byDrain = into.byBulk = 0;
      return;
    }
    const modulated = gain * (1 + lambda * drain);
    if (drain < over) {
      const shape = drain * (over - drain / 2);
      into.amperes = modulated * shape;
      into.byGate = modulated * drain;
      into.byDrain = modulated * (over - drain) + gain * lambda * shape;
    } else {
      into.amperes = (modulated / 2) * over * over;
      into.byGate = modulated * over;
      into.byDrain = (gain / 2) * over * over * lambda;
    }
    into.byBulk = depth > 0 ? (into.byGate * gamma) / (2 * depth) : 0;
  };
}

export const mosfet: ElementKind<Mosfet> = {
  read(card) {
    const nodes = [card.node(), card.node(), card.node(), card.node()] as const;
    const model = card.model('nmos', 'pmos');
    const size = (key: string) => {
      const value = card.setting(key) ?? usualSize;
      if (!(value > 0)) throw card.refuse(`${card.own} has ${key}=${value}: it must be above 0`);
      return value;
    };
    const [length, width] = [size('l'), size('w')];
    if (!(length > 2 * (model.values.get('ld') ?? 0)))
      throw card.refuse(`${card.own} has l=${length}: its model's ld takes all of it`);
    const areas = [card.setting('ad') ?? 0, card.setting('as') ?? 0] as const;
    const squares = [card.setting('nrd') ?? 1, card.setting('nrs') ?? 1] as const;
    const count = card.multiplier();
    card.passOver('pd', 'ps', 'ic');
    card.take('off');
    return { kind: 'm', nodes, model, width, length, count, areas, squares };
  },
  write({ nodes, model, width, length, count, areas, squares }) {
    const given = (key: string, value: number, usual: number) => (value === usual ? '' : ` ${key}=${value}`);
    return [
      `${nodes.join(' ')} ${model.name}`,
      given('W', width, usualSize),
      given('L', length, usualSize),
      given('M', count, 1),
      given('AD', areas[0], 0),
      given('AS', areas[1], 0),
      given('NRD', squares[0], 1),
      given('NRS', squares[1], 1),
    ].join('');
  },
  passes: ({ nodes: [drain, , source, bulk] }) => [
    [drain, source],
    [source, bulk],
  ],
  behind({ model: { values }, squares, count }) {
    const ohms = (key: string, own: number) => {
      const all = values.get(key) ?? (values.get('rsh') ?? 0) * own;
      return all > 0 ? all / count : undefined;
    };
    return [ohms('rd', squares[0]), undefined, ohms('rs', squares[1]), undefined];
  },
  devices({ nodes, model, width, length, count, areas }, [drain = 0, gate = 0, source = 0, outerBulk = 0]) {
    const { values, type } = model;
    const sign = type === 'pmos' ? -1 : 1;
    // A bulk tied to the source lies behind the same resistance, and leaves with its leg.
    const tied = nodes[3] === nodes[2];
    const bulk = tied ? source : outerBulk;
    const bulkLeg = tied ? 2 : 3;
    const process = processOf(model);
    const squares = (width * count) / (length - 2 * (values.get('ld') ?? 0));
    const law = lawOf({ ...process, gain: process.gain * squares }, values.get('lambda') ?? 0);
    const dense = values.get('js') ?? 0;
    const byArea = dense > 0 && areas[0] > 0 && areas[1] > 0;
    const junction = (end: number, leg: number, area: number): Laid[] => {
      if (end === bulk) return [];
      const { home, legs } =
        sign > 0
          ? { home: [bulk, end] as const, legs: [bulkLeg, leg] }
          : { home: [end, bulk] as const, legs: [leg, bulkLeg] };
      const saturation = (byArea ? dense * area : (values.get('is') ?? 1e-14)) * count;
      return [{ device: new JunctionDevice(home, junctionOf(saturation, 1)), legs }];
    };
    return [
      {
        device: new Channel([drain, gate, source, bulk], sign, process.threshold, law),
        legs: [0, 1, 2, bulkLeg],
      },
      ...junction(drain, 0, areas[0]),
      ...junction(source, 2, areas[1]),
    ];
  },
  legs: 'dgs',
  failures: () => (['open-d', 'open-s', 'short-gs', 'short-gd', 'short-ds'] as const).map((mode) => ({ mode })),
  cold: 'junctions',
};
