import { stampBranch } from './branch';
import { type Common, type ElementKind, type Pair } from './element';

export type VoltageControlled = Common & {
  readonly kind: 'e' | 'g';
  readonly nodes: Pair;
  readonly control: Pair;
  readonly gain: number;
};
export type CurrentControlled = Common & {
  readonly kind: 'f' | 'h';
  readonly nodes: Pair;
  /** The voltage source whose current controls it. */
  readonly through: string;
  readonly gain: number;
};

const writeByVolts = ({ nodes, control, gain }: VoltageControlled) => `${nodes.join(' ')} ${control.join(' ')} ${gain}`;

export const voltageByVoltage: ElementKind<VoltageControlled> = {
  read: (card) => ({ kind: 'e', nodes: card.pair(), control: card.pair(), gain: card.value() }),
  write: writeByVolts,
  hasCurrent: () => true,
  holds: ({ nodes }) => [nodes],
  stamp({ name, nodes, control, gain }, equations, places) {
    const branch = stampBranch(name, nodes, equations, places);
    equations.add(branch, places.node(control[0]), -gain);
    equations.add(branch, places.node(control[1]), gain);
  },
};

export const currentByVoltage: ElementKind<VoltageControlled> = {
  read: (card) => ({
    kind: 'g',
    nodes: card.pair(),
    control: card.pair(),
    gain: card.value() * card.multiplier(),
  }),
  write: writeByVolts,
  // One that its own voltage controls is a conductance.
  passes: ({ nodes, control }) => (nodes.every((node) => control.includes(node)) ? [nodes] : []),
  stamp({ nodes, control, gain }, equations, places) {
    const [plus, minus] = [places.node(nodes[0]), places.node(nodes[1])];
    const [up, down] = [places.node(control[0]), places.node(control[1])];
    equations.add(plus, up, gain);
    equations.add(plus, down, -gain);
    equations.add(minus, up, -gain);
    equations.add(minus, down, gain);
  },
};

export const currentByCurrent: ElementKind<CurrentControlled> = {
  read: (card) => ({
    kind: 'f',
    nodes: card.pair(),
    through: card.element(),
    gain: card.value() * card.multiplier(),
  }),
  write: ({ nodes, through, gain }, named) => `${nodes.join(' ')} ${named('v', through)} ${gain}`,
  stamp({ nodes, through, gain }, equations, places) {
    const by = places.current(through);
    equations.add(places.node(nodes[0]), by, gain);
    equations.add(places.node(nodes[1]), by, -gain);
  },
};

export const voltageByCurrent: ElementKind<CurrentControlled> = {
  read: (card) => ({ kind: 'h', nodes: card.pair(), through: card.element(), gain: card.value() }),
  write: ({ nodes, through, gain }, named) => `${nodes.join(' ')} ${named('v', through)} ${gain}`,
  hasCurrent: () => true,
  holds: ({ nodes }) => [nodes],
  stamp({ name, nodes, through, gain }, equations, places) {
    const branch = stampBranch(name, nodes, equations, places);
    equations.add(branch, places.current(through), -gain);
  },
};
