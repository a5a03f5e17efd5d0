import { type Mark } from './marks';

/** What the screen of a set shows. Brightness and size are ratios: 1 is as it should be. */
export interface Picture {
  /** Beams on a tube, cells on a panel, or light through a wheel. */
  readonly family: 'tube' | 'panel' | 'light';
  /** Brightness of the whole screen; 0 is black. */
  readonly light: number;
  /** Lit for a second or two at start, then off. */
  readonly brief: boolean;
  /** Never lit, but the set is heard or seen to start and to switch itself off. */
  readonly trips: boolean;
  /** As it should be for a minute or so, then off. */
  readonly goesOff: boolean;
  readonly upper: number;
  readonly lower: number;
  readonly left: number;
  readonly right: number;
  readonly height: number;
  readonly width: number;
  readonly red: number;
  readonly green: number;
  readonly blue: number;
  readonly sharpness: number;
  /** Retrace lines across the picture. */
  readonly retrace: boolean;
  /** Nothing from the source: a plain or "no signal" screen. */
  readonly empty: boolean;
  readonly marks: ReadonlySet<Mark>;
}

/** The picture of a good set of the family. */
export const goodPicture = (family: Picture['family']): Picture => ({
  family,
  light: 1,
  brief: false,
  trips: false,
  goesOff: false,
  upper: 1,
  lower: 1,
  left: 1,
  right: 1,
  height: 1,
  width: 1,
  red: 1,
  green: 1,
  blue: 1,
  sharpness: 1,
  retrace: false,
  empty: false,
  marks: new Set(),
});

/** A screen with nothing on it. */
export const darkPicture = (
  family: Picture['family'],
  { brief = false, trips = false }: Partial<Pick<Picture, 'brief' | 'trips'>> = {},
): Picture => ({
  ...goodPicture(family),
  light: 0,
  brief,
  trips,
});
