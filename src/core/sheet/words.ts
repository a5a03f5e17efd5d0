export const sheetFormat = 'tovrik-sheet/1';

/** How a set makes its picture. */
export const technologies = ['crt-colour', 'crt-mono', 'plasma', 'projection-lamp', 'projection-tubes'] as const;
export type Technology = (typeof technologies)[number];

/** Which side of the isolation barrier something is on; `both` where the barrier runs through it. */
export const sides = ['hot', 'cold', 'floating', 'both'] as const;
export type Side = (typeof sides)[number];

/** What the black lead is on. */
export const grounds = ['hot', 'chassis', 'floating', 'none'] as const;
export type Ground = (typeof grounds)[number];

/** Where an expected value comes from. */
export const sources = ['label', 'manual', 'good set', 'guess'] as const;
export type Source = (typeof sources)[number];

/** What the set must be doing for a check. */
export const setStates = ['live', 'cold'] as const;
export type SetState = (typeof setStates)[number];

/** A named band of a net's ratio. */
export const levels = ['dead', 'low', 'good', 'high'] as const;
export type Level = (typeof levels)[number];

/** What a level stands for where a fault or a rule names it without a number. */
export const levelRatio: Readonly<Record<Level, number>> = { dead: 0, low: 0.72, good: 1, high: 1.3 };

/** `rail` is power; `signal` is all the rest. */
export const netKinds = ['rail', 'signal'] as const;
export type NetKind = (typeof netKinds)[number];

/** What a signal carries. */
export const signalClasses = [
  'control',
  'data',
  'drive',
  'sync',
  'deflection',
  'eht',
  'beam',
  'sustain',
  'scan',
  'light',
  'motion',
  'sound',
  'video',
] as const;
export type SignalClass = (typeof signalClasses)[number];

/** The parts a net may play in the picture of a tube, a panel or a lamp. */
export const pictureRoles = {
  tube: [
    'vertical',
    'horizontal',
    'eht',
    'heater',
    'screen',
    'focus',
    'cathode_r',
    'cathode_g',
    'cathode_b',
    'blanking',
    'sync',
    'content',
    'size',
    'convergence',
  ],
  light: ['lamp', 'air', 'wheel', 'image', 'content'],
  panel: ['glow_y', 'glow_x', 'upper', 'lower', 'left', 'right', 'setup', 'scan', 'image', 'content'],
} as const satisfies Record<string, readonly string[]>;

/** How sets of a technology make their picture. */
export function familyOf(technology: Technology): keyof typeof pictureRoles {
  if (technology === 'plasma') return 'panel';
  return technology === 'projection-lamp' ? 'light' : 'tube';
}

/** Errors of a picture’s shape that a control of a chassis may be there for. */
export const shapeErrors = [
  'acrossCentre',
  'downCentre',
  'tilt',
  'width',
  'height',
  'acrossLinearity',
  'downLinearity',
  'acrossS',
  'downS',
  'skew',
  'trapezium',
  'sideHeights',
  'sidePincushion',
  'endPincushion',
  'sideBow',
  'endBow',
  'corners',
] as const;
export type ShapeError = (typeof shapeErrors)[number];
