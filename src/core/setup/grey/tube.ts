import { type Bar } from '../../log';
import { gaussian, type Random } from '../../statistics';
import { type Light } from './light';

export const greyControls = ['red cut-off', 'blue cut-off', 'red drive', 'blue drive'] as const;
export type GreyControl = (typeof greyControls)[number];

/** A colour tube whose guns are not alike, with the controls of its neck board. */
export interface GreyTube {
  readonly light: (bar: Bar) => Light;
  /** What a colour meter reads of it. */
  readonly read: (bar: Bar) => Light;
  readonly turn: (control: GreyControl, turns: number) => void;
}

/** Beam current goes with the drive above cut-off to this power. */
const gamma = 2.4;
const signal: Readonly<Record<Bar, number>> = { dark: 0.22, bright: 1 };
/** A colour meter repeats to this share. */
const meterNoise = 0.004;

/** Draws a tube with random cut-offs and drives: off by up to a fifth of the drive of white. */
export function drawGreyTube(random: Random): GreyTube {
  const draw = (most: number) => most * (2 * random() - 1);
  const guns = {
    red: { bias: draw(0.06), gain: 1 + draw(0.2) },
    green: { bias: 0, gain: 1 },
    blue: { bias: draw(0.06), gain: 1 + draw(0.2) },
  };
  const perTurn = Object.fromEntries(
    greyControls.map((control) => [control, (control.endsWith('drive') ? 0.25 : 0.08) * (0.6 + 0.8 * random())]),
  ) as Record<GreyControl, number>;
  const of = (bar: Bar, { bias, gain }: { readonly bias: number; readonly gain: number }) =>
    Math.max(0.01, gain * signal[bar] + bias) ** gamma / signal[bar] ** gamma;
  const light = (bar: Bar): Light => ({ red: of(bar, guns.red), green: of(bar, guns.green), blue: of(bar, guns.blue) });
  return {
    light,
    read(bar) {
      const { red, green, blue } = light(bar);
      const noisy = (value: number) => value * (1 + meterNoise * gaussian(random));
      return { red: noisy(red), green: noisy(green), blue: noisy(blue) };
    },
    turn(control, turns) {
      const [colour, what] = control.split(' ') as ['red' | 'blue', 'cut-off' | 'drive'];
      if (what === 'drive') guns[colour].gain += perTurn[control] * turns;
      else guns[colour].bias += perTurn[control] * turns;
    },
  };
}
