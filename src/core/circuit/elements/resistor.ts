import { type Common, type ElementKind, type Pair } from './element';
import { type ModelKind } from './model';

export type Resistor = Common & {
  readonly kind: 'r';
  readonly nodes: Pair;
  /** Ohms; below 0 for one that an active part is stood for by. */
  readonly value: number;
};

/** The drifts of a resistor, each half as much again as the one before; what lies between is near one of them. */
const drifts = [0.4, 0.65, 1.5, 2.2, 3.5];

export const resistorModel: ModelKind = {
  types: ['r', 'res'],
  honoured: ['rsh', 'narrow', 'defw', 'l', 'w', 'r'],
  alike: { dw: 'narrow' },
  atRest: ['tc1', 'tc2', 'tce', 'kf', 'af', 'ef', 'lf', 'wf'],
};

export const resistor: ElementKind<Resistor> = {
  read(card) {
    const nodes = card.pair();
    const written = card.setting('r', 'resistance') ?? (card.atModel ? undefined : card.value());
    const model = card.atModel ? card.model('r', 'res') : undefined;
    const of = (key: string) => model?.values.get(key);
    let value = written ?? of('r');
    const long = card.setting('l') ?? of('l');
    const wide = card.setting('w') ?? of('w') ?? of('defw');
    if (value === undefined) {
      const [sheet, narrow] = [of('rsh'), of('narrow') ?? 0];
      if (sheet === undefined || long === undefined || wide === undefined)
        throw card.refuse(`${card.own} has no value: give ohms, or a model with rsh and l= and w=`);
      value = (sheet * (long - narrow)) / (wide - narrow);
    }
    // Temperature coefficients change nothing at 27 °C.
    card.passOver('tc1', 'tc2', 'noisy', 'noise');
    if (card.setting('tc') !== undefined) card.numbers();
    value = (value * (card.setting('scale') ?? 1)) / card.multiplier();
    if (value === 0) throw card.refuse(`${card.own} has the value 0: a resistor of 0 Ω is a wire, join its nodes`);
    return { kind: 'r', nodes, value };
  },
  write: ({ nodes, value }) => `${nodes.join(' ')} ${value}`,
  passes: ({ nodes }) => [nodes],
  behind: () => [undefined, undefined],
  failures: () => [
    { mode: 'open' },
    { mode: 'short' },
    ...drifts.map((factor) => ({ mode: 'value' as const, factor })),
  ],
  cold: 'ohms',
  turnable: ({ value }) => value,
  turned: (element, factor) => ({ ...element, value: element.value * factor }),
};
