import { type Common, type ElementKind, type Modelled, type Pair } from './element';
import { JunctionDevice } from './junctionDevice';
import { diodeJunction } from './junctions';
import { type ModelKind } from './model';

export type Diode = Common &
  Modelled & {
    readonly kind: 'd';
    readonly nodes: Pair;
    /** Does the search begin with it not conducting? */
    readonly off?: true;
  };

export const diodeModel: ModelKind = {
  types: ['d'],
  honoured: ['is', 'n', 'rs', 'bv', 'ibv', 'cjo', 'vj', 'm', 'ikf'],
  alike: { cj0: 'cjo', cj: 'cjo', pb: 'vj', mj: 'm', js: 'is', vb: 'bv', ib: 'ibv', ik: 'ikf', jsat: 'is' },
  atRest: ['tt', 'eg', 'xti', 'fc', 'kf', 'af', 'trs', 'trs1', 'trs2', 'tcv', 'tbv1', 'cjsw', 'cjp', 'php', 'mjsw'],
};

/** Ohms of a model's resistance behind a terminal; undefined where it has none. */
export function resistanceBehind({ model, area }: Modelled, key: string): number | undefined {
  const ohms = model.values.get(key) ?? 0;
  return ohms > 0 ? ohms / area : undefined;
}

/** Capacitance of a junction's depletion layer at a voltage, in farads; linear beyond half the built-in voltage. */
function depletion({ model: { values }, area }: Modelled, volts: number): number {
  const zero = values.get('cjo')! * area;
  const [built, grading] = [values.get('vj') ?? 1, values.get('m') ?? 0.5];
  const share = volts / built;
  if (share < 0.5) return zero * (1 - share) ** -grading;
  return (zero / 0.5 ** (1 + grading)) * (1 - 0.5 * (1 + grading) + grading * share);
}

export const diode: ElementKind<Diode> = {
  read(card) {
    const nodes = card.pair();
    const model = card.model('d');
    const area = card.area();
    const off = card.take('off');
    card.passOver('ic');
    return { kind: 'd', nodes, model, area, ...(off ? { off } : {}) };
  },
  write: ({ nodes, model, area, off }) =>
    `${nodes.join(' ')} ${model.name}${area === 1 ? '' : ` ${area}`}${off ? ' OFF' : ''}`,
  passes: ({ nodes }) => [nodes],
  behind: (element) => [resistanceBehind(element, 'rs'), undefined],
  devices: ({ model, area, off }, [anode = 0, cathode = 0]) => [
    { device: new JunctionDevice([anode, cathode], diodeJunction(model, area), off ?? false), legs: [0, 1] },
  ],
  capacitances: (element, [a = 0, b = 0], point) =>
    element.model.values.has('cjo') ? [{ a, b, farads: depletion(element, point[a]! - point[b]!) }] : [],
  failures: () => [{ mode: 'open' }, { mode: 'short' }],
  cold: 'junctions',
};
