import { type Common, type Device, type ElementKind, type Equations, type Pair } from './element';
import { type Model, type ModelKind } from './model';

/** A switch that a voltage closes (S), or the current through a voltage source (W). */
export type Switch = Common & {
  readonly kind: 's' | 'w';
  readonly nodes: Pair;
  readonly model: Model;
  readonly control: Pair | { readonly through: string };
  /** Is it closed at first, between its two thresholds? */
  readonly closed: boolean;
};

export const voltageSwitchModel: ModelKind = { types: ['sw'], honoured: ['vt', 'vh', 'ron', 'roff'] };
export const currentSwitchModel: ModelKind = { types: ['csw'], honoured: ['it', 'ih', 'ron', 'roff'] };

const usual = { on: 1, off: 1e12 };

interface Figures {
  readonly threshold: number;
  /** Half the band within which it stays as it was. */
  readonly band: number;
  /** Siemens. */
  readonly on: number;
  readonly off: number;
  readonly closed: boolean;
}

class SwitchDevice implements Device {
  private closed: boolean;
  /** As it stood at the last moment that was taken: within its band it stays so, whatever an iteration tries. */
  private settled: boolean;
  /** Does it stand as the netlist says until voltages are known? */
  private fresh = true;

  /** Its two ends, then its control: two nodes, or a current and ground. */
  constructor(
    readonly home: readonly number[],
    private readonly figures: Figures,
  ) {
    this.closed = this.settled = figures.closed;
  }

  hold(at: Int32Array, first: number, from?: Float64Array): void {
    this.fresh = !from;
    this.settled = from ? this.wanted(at, first, from) : this.figures.closed;
    this.closed = this.settled;
  }

  near(at: Int32Array, first: number, x: Float64Array): boolean {
    return this.wanted(at, first, x) === this.closed;
  }

  stamp(at: Int32Array, first: number, equations: Equations, x: Float64Array): boolean {
    const { closed: before, fresh } = this;
    if (!fresh) this.closed = this.wanted(at, first, x);
    this.fresh = false;
    equations.conductance(at[first]!, at[first + 1]!, this.closed ? this.figures.on : this.figures.off);
    return fresh || this.closed !== before;
  }

  among(place: (unknown: number) => number): SwitchDevice {
    return new SwitchDevice(this.home.map(place), this.figures);
  }

  private wanted(at: Int32Array, first: number, x: Float64Array): boolean {
    const { threshold, band } = this.figures;
    const control = x[at[first + 2]!]! - x[at[first + 3]!]!;
    return control > threshold + band || (control >= threshold - band && this.settled);
  }
}

function switchOf(kind: 's' | 'w', threshold: string, band: string): ElementKind<Switch> {
  return {
    read(card) {
      const nodes = card.pair();
      const control = kind === 's' ? card.pair() : { through: card.element() };
      const model = card.model(kind === 's' ? 'sw' : 'csw');
      if ((model.values.get(band) ?? 0) < 0)
        throw card.refuse(`model "${model.name}" has ${band} below 0; half the band of a switch is 0 or above`);
      const closed = card.take('on');
      if (!closed) card.take('off');
      return { kind, nodes, model, control, closed };
    },
    write: ({ nodes, control, model, closed }, named) =>
      `${nodes.join(' ')} ${'through' in control ? named('v', control.through) : control.join(' ')} ${model.name}${closed ? ' ON' : ''}`,
    passes: ({ nodes }) => [nodes],
    devices({ nodes, control, model: { values }, closed }, _, places) {
      const ends = nodes.map((node) => places.node(node));
      const by =
        'through' in control
          ? [places.current(control.through), places.node('0')]
          : control.map((node) => places.node(node));
      const figures: Figures = {
        threshold: values.get(threshold) ?? 0,
        band: values.get(band) ?? 0,
        on: 1 / (values.get('ron') ?? usual.on),
        off: 1 / (values.get('roff') ?? usual.off),
        closed,
      };
      const device = new SwitchDevice([...ends, ...by], figures);
      return [{ device, legs: [0, 1, undefined, undefined] }];
    },
  };
}

export const voltageSwitch = switchOf('s', 'vt', 'vh');
export const currentSwitch = switchOf('w', 'it', 'ih');
