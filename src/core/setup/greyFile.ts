import * as yup from 'yup';
import { Refusal } from '../quantity';
import { readDocument, unknownKey } from '../supply';
import {
  bars,
  type Cathode,
  type Chromatic,
  greyControls,
  type GreyReading,
  type GreyStep,
  type GreyTouch,
  type Light,
  lightOf,
  tints,
} from './grey';

const amount = () =>
  yup.number().typeError('${path} is a number').positive('${path} is more than 0').required('${path} is missing');

const turn = yup.object({
  control: yup
    .string()
    .oneOf(greyControls, `\${path} is one of ${greyControls.join(', ')}`)
    .required('${path} is missing'),
  turn: yup.number().typeError('${path} is a number of turns, clockwise up').optional(),
});

/** A problem of the grey scale, by how it is looked at. */
export type GreyProblem =
  | { readonly by: 'meter'; readonly now: GreyReading; readonly touches: readonly GreyTouch[] }
  | { readonly by: 'eye'; readonly steps: readonly GreyStep[] }
  | {
      readonly by: 'cathodes';
      readonly cathodes: Readonly<Record<'red' | 'green' | 'blue', Cathode>>;
      readonly least: number;
    };

const ways = ['meter', 'eye', 'cathodes'] as const;
const head = yup
  .object({
    by: yup
      .string()
      .oneOf(ways, `by is ${ways.join(', ')}`)
      .required(`by is missing: ${ways.join(', ')}`),
  })
  .required();

const meter = yup
  .object({
    by: yup.string(),
    bars: yup.mixed().required('bars are missing: { dark: { red, green, blue }, bright: … } or { x, y, Y } each'),
    touches: yup
      .array(
        turn
          .concat(yup.object({ bars: yup.mixed().required('${path} is missing: what both bars read after it') }))
          .noUnknown(unknownKey),
      )
      .max(200, '${path} has 200 touches at most')
      .default([]),
  })
  .noUnknown(unknownKey);

const eye = yup
  .object({
    by: yup.string(),
    steps: yup
      .array(yup.mixed<Record<string, unknown>>().required())
      .max(400, '${path} has 400 steps at most')
      .required('steps are missing: [] to begin with'),
  })
  .noUnknown(unknownKey);

const cathode = yup.object({ cutOff: amount(), white: amount() }).noUnknown(unknownKey).required();
const cathodes = yup
  .object({
    by: yup.string(),
    red: cathode,
    green: cathode,
    blue: cathode,
    least: amount(),
  })
  .noUnknown(unknownKey);

function lightIn(bar: unknown, where: string): Light {
  const numbers = (names: readonly string[]) =>
    typeof bar === 'object' &&
    bar !== null &&
    names.every((name) => Number.isFinite((bar as Record<string, unknown>)[name]));
  if (numbers(['x', 'y', 'Y'])) return lightOf(bar as Chromatic);
  if (numbers(['red', 'green', 'blue'])) {
    const { red, green, blue } = bar as Light;
    if (Math.min(red, green, blue) > 0) return { red, green, blue };
  }
  throw new Refusal(`${where} is { red, green, blue } with 1 for the wished white, or { x, y, Y } of a colour meter`);
}

const readingIn = (both: unknown, where: string): GreyReading => {
  const all = (both ?? {}) as Record<string, unknown>;
  return { dark: lightIn(all.dark, `${where}.dark`), bright: lightIn(all.bright, `${where}.bright`) };
};

/** @throws Refusal with where and what would be right */
function stepIn(step: Record<string, unknown>, where: string): GreyStep {
  if (step.control !== undefined) {
    const control = greyControls.find((one) => one === step.control);
    const { turn: by } = step;
    if (!control) throw new Refusal(`${where}.control is one of ${greyControls.join(', ')}`);
    if (typeof by !== 'number' || !Number.isFinite(by))
      throw new Refusal(`${where}.turn is how far it was turned, clockwise up, like 0.25`);
    return { control, turn: by };
  }
  const bar = bars.find((one) => one === step.bar);
  const looks = ([...tints, 'grey'] as const).find((one) => one === step.looks);
  if (!bar || !looks)
    throw new Refusal(
      `${where} is { bar: dark or bright, looks: ${[...tints, 'grey'].join(', ')} } or { control, turn }`,
    );
  return { bar, looks };
}

/**
 * Reads a problem of the grey scale, as YAML or JSON.
 *
 * @throws Refusal with where something is wrong and what would be right
 */
export function readGrey(text: string): GreyProblem {
  const { by } = readDocument(text, head);
  if (by === 'cathodes') {
    const { red, green, blue, least } = readDocument(text, cathodes);
    for (const [gun, { cutOff, white }] of Object.entries({ red, green, blue }))
      if (white >= cutOff) throw new Refusal(`${gun}.white is below its cutOff: a cathode is pulled down for light`);
    return { by, cathodes: { red, green, blue }, least };
  }
  if (by === 'eye') return { by, steps: readDocument(text, eye).steps.map((step, i) => stepIn(step, `steps[${i}]`)) };
  const { bars: first, touches = [] } = readDocument(text, meter);
  let now = readingIn(first, 'bars');
  const read = touches.map((touch, i): GreyTouch => {
    const before = now;
    now = readingIn(touch.bars, `touches[${i}].bars`);
    return { control: touch.control, turn: touch.turn, before, after: now };
  });
  return { by, now, touches: read };
}
