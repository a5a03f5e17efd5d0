import { stampBranch } from './branch';
import { type Common, type ElementKind, type Pair } from './element';
import { type ModelKind } from './model';

export type Inductor = Common & {
  readonly kind: 'l';
  readonly nodes: Pair;
  /** Henries. */
  readonly value: number;
  /** Amperes at the start. */
  readonly initial?: number;
};

/** The other coils and the factor are the coupling's own. */
export type Coupling = Common & {
  readonly kind: 'k';
  /** It hangs on coils, not on nodes. */
  readonly nodes: readonly [];
  readonly coils: Pair;
  readonly factor: number;
};

export const inductorModel: ModelKind = {
  types: ['l', 'ind'],
  honoured: ['ind'],
  alike: { l: 'ind' },
  atRest: ['tc1', 'tc2'],
};

export const inductor: ElementKind<Inductor> = {
  read(card) {
    const nodes = card.pair();
    const written = card.setting('l', 'inductance') ?? (card.atModel ? undefined : card.value());
    const model = card.atModel ? card.model('l', 'ind') : undefined;
    const given = written ?? model?.values.get('ind');
    if (given === undefined) throw card.refuse(`${card.own} has no value: give henries`);
    card.passOver('tc1', 'tc2');
    if (card.setting('tc') !== undefined) card.numbers();
    const value = (given * (card.setting('scale') ?? 1)) / card.multiplier();
    if (!(value > 0)) throw card.refuse(`${card.own} has the value ${value}: it must be above 0`);
    const initial = card.setting('ic');
    return { kind: 'l', nodes, value, ...(initial === undefined ? {} : { initial }) };
  },
  write: ({ nodes, value, initial }) => `${nodes.join(' ')} ${value}${initial === undefined ? '' : ` IC=${initial}`}`,
  hasCurrent: () => true,
  holds: ({ nodes }) => [nodes],
  stamp: ({ name, nodes }, equations, places) => void stampBranch(name, nodes, equations, places),
  turnable: ({ value }) => value,
  turned: (element, factor) => ({ ...element, value: element.value * factor }),
};

export const coupling: ElementKind<Coupling> = {
  read(card) {
    const coils = [card.element(), card.element()] as const;
    const factor = card.value();
    if (!(Math.abs(factor) <= 1)) throw card.refuse(`${card.own} couples by ${factor}: it lies between 0 and 1`);
    return { kind: 'k', nodes: [], coils, factor };
  },
  write: ({ coils, factor }, named) => `${coils.map((coil) => named('l', coil)).join(' ')} ${factor}`,
};
