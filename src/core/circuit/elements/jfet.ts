import { Channel } from './channel';
import { resistanceBehind } from './diode';
import { type Common, type ElementKind, type Modelled } from './element';
import { JunctionDevice } from './junctionDevice';
import { junctionOf } from './junctions';
import { type ModelKind } from './model';

/** Drain, gate, source. */
export type Jfet = Common &
  Modelled & {
    readonly kind: 'j';
    readonly nodes: readonly [string, string, string];
    readonly off?: true;
  };

export const jfetModel: ModelKind = {
  types: ['njf', 'pjf'],
  honoured: ['vto', 'beta', 'lambda', 'rd', 'rs', 'is', 'n'],
  alike: { vt0: 'vto' },
  atRest: ['cgs', 'cgd', 'pb', 'fc', 'kf', 'af', 'm', 'vtotc', 'betatce', 'xti', 'eg'],
};

/** The channel's law, of the square of what is above the threshold (Shichman and Hodges 1968). */
function lawOf(threshold: number, beta: number, lambda: number): ConstructorParameters<typeof Channel>[3] {
  return (gate, drain, _, into) => {
    const over = gate - threshold;
    into.byBulk = 0;
    if (over <= 0) {
      into.amperes = into.byGate = into.byDrain = 0;
      return;
    }
    const modulated = beta * (1 + lambda * drain);
    if (drain < over) {
      const shape = drain * (2 * over - drain);
      into.amperes = modulated * shape;
      into.byGate = 2 * modulated * drain;
      into.byDrain = 2 * modulated * (over - drain) + beta * lambda * shape;
    } else {
      into.amperes = modulated * over * over;
      into.byGate = 2 * modulated * over;
      into.byDrain = beta * lambda * over * over;
    }
  };
}

export const jfet: ElementKind<Jfet> = {
  read(card) {
    const nodes = [card.node(), card.node(), card.node()] as const;
    const model = card.model('njf', 'pjf');
    const area = card.area();
    const off = card.take('off');
    card.passOver('ic');
    return { kind: 'j', nodes, model, area, ...(off ? { off } : {}) };
  },
  write: ({ nodes, model, area, off }) =>
    `${nodes.join(' ')} ${model.name}${area === 1 ? '' : ` ${area}`}${off ? ' OFF' : ''}`,
  passes: ({ nodes: [drain, gate, source] }) => [
    [drain, source],
    [gate, source],
  ],
  behind: (element) => [resistanceBehind(element, 'rd'), undefined, resistanceBehind(element, 'rs')],
  devices({ model: { values, type }, area, off }, [drain = 0, gate = 0, source = 0]) {
    const sign = type === 'pjf' ? -1 : 1;
    const threshold = values.get('vto') ?? -2;
    const law = lawOf(threshold, (values.get('beta') ?? 1e-4) * area, values.get('lambda') ?? 0);
    const junction = junctionOf((values.get('is') ?? 1e-14) * area, values.get('n') ?? 1);
    const gateTo = (end: number, leg: number) =>
      sign > 0
        ? { device: new JunctionDevice([gate, end], junction, true), legs: [1, leg] }
        : { device: new JunctionDevice([end, gate], junction, true), legs: [leg, 1] };
    return [
      {
        device: new Channel([drain, gate, source, source], sign, off ? threshold : 0, law),
        legs: [0, 1, 2, 2],
      },
      gateTo(drain, 0),
      gateTo(source, 2),
    ];
  },
  legs: 'dgs',
  failures: () => (['open-d', 'open-s', 'short-gs', 'short-gd', 'short-ds'] as const).map((mode) => ({ mode })),
  cold: 'junctions',
};
