import { Matrix } from 'ml-matrix';
import { gaussian, type Random } from '../../statistics';
import { type Seen, type Shape, shapeOf, type Wanted, wantedOf } from './fit';
import { leastSquares, type ShapeControl, valuesOf } from './advise';
import { type TermId } from './terms';

/** A tube set whose picture is out of shape, with the controls it has. */
export interface Misadjusted {
  readonly wanted: Wanted;
  readonly controls: readonly ShapeControl[];
  /** The crossings as they are read off the screen now. */
  readonly seen: () => Seen[];
  /** Turns a control, watching the screen, until its own error is about an aim in percent of the width. */
  readonly turnTo: (control: string, aim: number) => void;
  /** How far crossings are off at the best setting of its controls, in percent of the width. */
  readonly best: () => number;
}

/** How far each control may be out, on its own scale. */
const scales = {
  hCentre: 0.03,
  vCentre: 0.02,
  rotation: 0.03,
  width: 0.06,
  height: 0.08,
  hLinearity: 0.03,
  vLinearity: 0.08,
  vS: 0.08,
  trapezium: 0.02,
  pincushion: 0.05,
  bow: 0.01,
} as const;
type Control = keyof typeof scales;

const own: Readonly<Record<Control, TermId>> = {
  hCentre: 'acrossCentre',
  vCentre: 'downCentre',
  rotation: 'tilt',
  width: 'width',
  height: 'height',
  hLinearity: 'acrossLinearity',
  vLinearity: 'downLinearity',
  vS: 'downS',
  trapezium: 'trapezium',
  pincushion: 'sidePincushion',
  bow: 'sideBow',
};

const lines = { across: 15, down: 11 };
/** A line is read so well, and a hand leaves a control so far from where it should be, in shares of the width. */
const reader = 0.0006;
const hand = 0.001;

/**
 * Draws a misadjusted tube. Deflection is written as currents: the field’s sawtooth gets a parabola and a cube from its
 * linearity and S controls, which change its size and middle with it; the line’s size follows the east–west waveform.
 */
export function drawMisadjusted(random: Random): Misadjusted {
  const draw = (most: number) => most * (2 * random() - 1);
  const at = Object.fromEntries(Object.entries(scales).map(([id, most]) => [id, draw(most)])) as Record<
    Control,
    number
  >;
  const wanted = wantedOf(lines.across, lines.down, 0.75);
  // What this tube and its yoke do that no control reaches.
  const rest = Array.from({ length: 5 }, () => draw(0.004));
  const follows = { vLinearity: 0.5 + 0.4 * random(), vS: 0.5 + 0.5 * random(), pincushion: 0.3 + 0.4 * random() };
  const place = (u: number, v: number, of: Record<Control, number>) => {
    const { vLinearity: l, vS: s, pincushion: p } = of;
    const size = (1 + of.width) * (1 + p * (v * v - follows.pincushion) + of.trapezium * v);
    const x0 = (wanted.wide / 2) * size * (u + of.hLinearity * (1 - u * u)) + of.hCentre + of.bow * v * v;
    const sweep = v * (1 - follows.vS * s) + l * (v * v - 0.3) + follows.vLinearity * l * v - s * (v ** 3 - v);
    const y0 = (wanted.high / 2) * (1 + of.height) * sweep + of.vCentre;
    const x = x0 + rest[0]! * u * v * v * v + rest[1]! * u * u * v;
    const y = y0 + rest[2]! * v * u * u + rest[3]! * u * u + rest[4]! * u * v;
    return { x: x - of.rotation * y, y: y + of.rotation * x };
  };
  const read = (of: Record<Control, number>, noise: number): Seen[] =>
    Array.from({ length: lines.across * lines.down }, (_, i) => {
      const u = (2 * (i % lines.across)) / (lines.across - 1) - 1;
      const v = (2 * Math.floor(i / lines.across)) / (lines.down - 1) - 1;
      const { x, y } = place(u, v, of);
      return { u, v, x: x + noise * gaussian(random), y: y + noise * gaussian(random) };
    });
  const shape = (of: Record<Control, number>): Shape => shapeOf(read(of, 0), wanted);
  const ids = Object.keys(scales) as Control[];
  return {
    wanted,
    controls: ids.map((control) => ({ control, term: own[control] })),
    seen: () => read(at, reader),
    turnTo(control, aim) {
      const id = control as Control;
      const figure = (value: number) => shape({ ...at, [id]: value }).terms.get(own[id])!.percent;
      const step = scales[id] / 50;
      for (let round = 0; round < 4; round += 1) {
        const slope = (figure(at[id] + step) - figure(at[id])) / step;
        at[id] += (aim - figure(at[id])) / slope;
      }
      at[id] += (hand * gaussian(random) * 100) / ((figure(at[id] + step) - figure(at[id])) / step);
    },
    best() {
      const set = { ...at };
      // Gauss and Newton: what every control does where they all stand now, then all of them at once.
      for (let round = 0; round < 5; round += 1) {
        const now = valuesOf(shape(set));
        const columns = ids.map((id) => {
          const step = scales[id] / 50;
          return valuesOf(shape({ ...set, [id]: set[id] + step })).map((value, i) => (value - now[i]!) / step);
        });
        const does = new Matrix(columns).transpose();
        const by = leastSquares(does, Matrix.columnVector(now)).to1DArray();
        ids.forEach((id, k) => (set[id] += by[k]!));
      }
      return shape(set).off;
    },
  };
}
