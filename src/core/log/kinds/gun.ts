import * as yup from 'yup';
import { type LineKind, type LineOf, text } from '../line';

/** The guns of a picture tube by their colour; `only` is that of a tube with one. */
export const guns = ['red', 'green', 'blue', 'only'] as const;
export type Gun = (typeof guns)[number];

/** What is measured of a gun, with the unit it is kept in. */
export const gunUnits = {
  /** Cathode current with the grid at the cathode, heater as it should be. */
  emission: 'µA',
  /** The same with the heater a tenth lower. */
  starved: 'µA',
  /** Cathode above grid at which the current just ceases. */
  cutOff: 'V',
  /** From heater on to half of the emission. */
  warmUp: 's',
} as const;
export type GunMeasure = keyof typeof gunUnits;

const fields = yup.object({
  /** The gun, or `good`: one of another tube of the type that is known to be good. */
  gun: yup
    .string()
    .oneOf([...guns, 'good'] as const)
    .required(),
  measure: yup
    .string()
    .oneOf(Object.keys(gunUnits) as GunMeasure[])
    .required(),
  /** A dead gun emits nothing. */
  value: yup.number().min(0).max(100_000).required(),
  /** Heater, screen and grid as they stood: only what was measured alike is compared. */
  settings: text(60).optional(),
});

/** A gun of the picture tube, measured at the tube bench. */
export type GunLine = LineOf<'gun', typeof fields>;

/** What a measure of a gun is called. */
export const gunMeasures: Readonly<Record<GunMeasure, string>> = {
  emission: 'emission',
  starved: 'emission at a tenth less heater',
  cutOff: 'cut-off',
  warmUp: 'warm-up to half',
};

export const gun: LineKind<GunLine> = {
  work: 'measuring',
  fields,
  said: (line) =>
    `${line.gun === 'only' ? 'gun' : `${line.gun} gun`}, ${gunMeasures[line.measure]} ${line.value} ${gunUnits[line.measure]}`,
};
