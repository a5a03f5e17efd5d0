import { type ShapeError, shapeErrors } from '../../sheet';

/** A place of the pattern: -1 at the first line to 1 at the last, across and down. */
export interface Place {
  readonly u: number;
  readonly v: number;
}

/** Displacement on the screen, right and down, in the unit of the term. */
type Shift = readonly [number, number];

/** An error of a picture’s shape. */
export interface Term {
  readonly title: string;
  /** What its figure is: every figure is in percent of the screen’s width. */
  readonly is: string;
  /** What is wrong when the figure is above and below nought. */
  readonly over: string;
  readonly under: string;
  /** What is turned for it where the sheet names nothing, and which way when it is above nought. */
  readonly control: string;
  readonly lessen: string;
  readonly raise: string;
  /** What one unit does at a place; `tall` is the height of the pattern as a share of its width. */
  readonly shift: (place: Place, tall: number) => Shift;
  /** A camera that stands askew looks the same: without the corners of the glass it cannot be told. */
  readonly askew: boolean;
}

const peakOfCubic = 2 / (3 * Math.sqrt(3));
/** Nought in the middle and at both edges, one a little outside half way. */
const between = (at: number) => (at - at ** 3) / peakOfCubic;

/** Errors of shape, by name, in the order in which they are put right. */
export const terms = {
  acrossCentre: {
    title: 'Centre across',
    is: 'how far the middle between the outer lines lies to the right',
    over: 'picture too far right',
    under: 'picture too far left',
    control: 'horizontal centring',
    lessen: 'to the left',
    raise: 'to the right',
    shift: () => [1, 0],
    askew: true,
  },
  downCentre: {
    title: 'Centre down',
    is: 'how far the middle between the outer lines lies too low',
    over: 'picture too low',
    under: 'picture too high',
    control: 'vertical centring',
    lessen: 'upwards',
    raise: 'downwards',
    shift: () => [0, 1],
    askew: true,
  },
  tilt: {
    title: 'Tilt',
    is: 'how much lower the right end of the middle line is than its left',
    over: 'right side low',
    under: 'right side high',
    control: 'yoke, turned on the neck',
    lessen: 'counter-clockwise, seen from the front',
    raise: 'clockwise, seen from the front',
    shift: ({ u, v }, tall) => [(-v * tall) / 2, u / 2],
    askew: true,
  },
  width: {
    title: 'Width',
    is: 'how much too far apart the outer upright lines are, half way down',
    over: 'too wide',
    under: 'too narrow',
    control: 'width',
    lessen: 'narrower',
    raise: 'wider',
    shift: ({ u }) => [u / 2, 0],
    askew: true,
  },
  height: {
    title: 'Height',
    is: 'how much too far apart the outer level lines are, half way across',
    over: 'too high',
    under: 'too low',
    control: 'height',
    lessen: 'lower',
    raise: 'higher',
    shift: ({ v }) => [0, v / 2],
    askew: true,
  },
  acrossLinearity: {
    title: 'Linearity across',
    is: 'how far the middle upright line lies right of the middle between the outer ones',
    over: 'left side stretched',
    under: 'right side stretched',
    control: 'horizontal linearity',
    lessen: 'so that the left cells narrow',
    raise: 'so that the left cells widen',
    shift: ({ u }) => [1 - u * u, 0],
    askew: true,
  },
  downLinearity: {
    title: 'Linearity down',
    is: 'how far the middle level line lies below the middle between the outer ones',
    over: 'top stretched',
    under: 'bottom stretched',
    control: 'vertical linearity',
    lessen: 'so that the upper cells shrink',
    raise: 'so that the upper cells grow',
    shift: ({ v }) => [0, 1 - v * v],
    askew: true,
  },
  acrossS: {
    title: 'Edges against middle across',
    is: 'how far lines half way out lie too far out, the outer ones being right',
    over: 'middle cells wide, edges cramped',
    under: 'middle cells narrow, edges stretched',
    control: 'horizontal S capacitor',
    lessen: 'smaller',
    raise: 'larger',
    shift: ({ u }) => [between(u), 0],
    askew: false,
  },
  downS: {
    title: 'Edges against middle down',
    is: 'how far lines half way out lie too far out, the outer ones being right',
    over: 'middle cells high, top and bottom cramped',
    under: 'middle cells low, top and bottom stretched',
    control: 'vertical S correction',
    lessen: 'so that the middle cells shrink',
    raise: 'so that the middle cells grow',
    shift: ({ v }) => [0, between(v)],
    askew: false,
  },
  skew: {
    title: 'Uprights lean',
    is: 'how much further right the lower end of the middle upright is than its upper end',
    over: 'uprights lean to the left at the top',
    under: 'uprights lean to the right at the top',
    control: 'parallelogram',
    lessen: 'bottom to the left',
    raise: 'bottom to the right',
    shift: ({ v }) => [v / 2, 0],
    askew: true,
  },
  trapezium: {
    title: 'Trapezium',
    is: 'how much wider the lowest line is than the uppermost',
    over: 'wider below',
    under: 'wider above',
    control: 'trapezium',
    lessen: 'narrower below',
    raise: 'wider below',
    shift: ({ u, v }) => [(u * v) / 4, 0],
    askew: true,
  },
  sideHeights: {
    title: 'Heights of the sides',
    is: 'how much higher the picture is at its right than at its left',
    over: 'higher at the right',
    under: 'higher at the left',
    control: 'yoke, tilted sideways',
    lessen: 'so that the right side shrinks',
    raise: 'so that the right side grows',
    shift: ({ u, v }) => [0, (u * v) / 4],
    askew: true,
  },
  sidePincushion: {
    title: 'Pincushion of the sides',
    is: 'how far each corner lies further out than the middle of its side',
    over: 'sides bend inwards',
    under: 'sides bulge',
    control: 'east–west amplitude',
    lessen: 'sides bulge more',
    raise: 'sides bend in more',
    shift: ({ u, v }) => [u * v * v, 0],
    askew: false,
  },
  endPincushion: {
    title: 'Pincushion of top and bottom',
    is: 'how far each corner lies further out than the middle of the top and bottom line',
    over: 'top and bottom bend inwards',
    under: 'top and bottom bulge',
    control: 'north–south correction or the magnets above and below the yoke',
    lessen: 'ends bulge more',
    raise: 'ends bend in more',
    shift: ({ u, v }) => [0, v * u * u],
    askew: false,
  },
  sideBow: {
    title: 'Bow of the uprights',
    is: 'how far the ends of the middle upright lie right of its middle',
    over: 'uprights bow to the left',
    under: 'uprights bow to the right',
    control: 'bow, or the magnet at the side of the yoke',
    lessen: 'ends to the left',
    raise: 'ends to the right',
    shift: ({ v }) => [v * v, 0],
    askew: false,
  },
  endBow: {
    title: 'Bow of the levels',
    is: 'how far the ends of the middle level line lie below its middle',
    over: 'levels bow upwards',
    under: 'levels bow downwards',
    control: 'magnets above or below the yoke',
    lessen: 'ends upwards',
    raise: 'ends downwards',
    shift: ({ u }) => [0, u * u],
    askew: false,
  },
  corners: {
    title: 'Corners',
    is: 'how far the sides half way to the corners lie in from where corner and middle put them',
    over: 'corners turn out',
    under: 'corners turn in',
    control: 'corner correction',
    lessen: 'corners in',
    raise: 'corners out',
    shift: ({ u, v }) => [4 * u * (v ** 4 - v * v), 0],
    askew: false,
  },
} as const satisfies Record<ShapeError, Term>;

export type TermId = ShapeError;

export const termIds = shapeErrors;
