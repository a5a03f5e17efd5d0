import { type Common, type ElementKind, type Pair } from './element';
import { type ModelKind } from './model';

export type Capacitor = Common & {
  readonly kind: 'c';
  readonly nodes: Pair;
  /** Farads. */
  readonly value: number;
  /** Volts at the start. */
  readonly initial?: number;
};

/** From this capacitance on a capacitor is taken for an electrolytic, in farads. */
const electrolytic = 0.9e-6;

export const isElectrolytic = (element: { readonly kind: string; readonly value?: number }): boolean =>
  element.kind === 'c' && (element.value ?? 0) >= electrolytic;

export const capacitorModel: ModelKind = {
  types: ['c', 'cap'],
  honoured: ['cap', 'cj', 'cjsw', 'narrow', 'defw', 'defl'],
  alike: { c: 'cap' },
  atRest: ['tc1', 'tc2'],
};

export const capacitor: ElementKind<Capacitor> = {
  read(card) {
    const nodes = card.pair();
    const written = card.setting('c', 'capacitance') ?? (card.atModel ? undefined : card.value());
    const model = card.atModel ? card.model('c', 'cap') : undefined;
    const of = (key: string) => model?.values.get(key);
    let value = written ?? of('cap');
    const long = card.setting('l') ?? of('defl');
    const wide = card.setting('w') ?? of('defw');
    if (value === undefined) {
      const narrow = of('narrow') ?? 0;
      if (of('cj') === undefined || long === undefined || wide === undefined)
        throw card.refuse(`${card.own} has no value: give farads, or a model with cj and l= and w=`);
      const [a, b] = [long - narrow, wide - narrow];
      value = of('cj')! * a * b + 2 * (of('cjsw') ?? 0) * (a + b);
    }
    card.passOver('tc1', 'tc2');
    if (card.setting('tc') !== undefined) card.numbers();
    value *= (card.setting('scale') ?? 1) * card.multiplier();
    if (!(value > 0)) throw card.refuse(`${card.own} has the value ${value}: it must be above 0`);
    const initial = card.setting('ic');
    return { kind: 'c', nodes, value, ...(initial === undefined ? {} : { initial }) };
  },
  write: ({ nodes, value, initial }) => `${nodes.join(' ')} ${value}${initial === undefined ? '' : ` IC=${initial}`}`,
  capacitances: ({ value, initial }, [a = 0, b = 0]) => [
    { a, b, farads: value, ...(initial === undefined ? {} : { initial }) },
  ],
  // A capacitor that has dried out shows in nothing but ripple.
  failures: (element, overTime) => [
    { mode: 'short' },
    ...(overTime && isElectrolytic(element) ? [{ mode: 'dry' as const }] : []),
  ],
  cold: 'capacitor',
  turnable: ({ value }) => value,
  turned: (element, factor) => ({ ...element, value: element.value * factor }),
};
