import { type Box, circle, ink, path, polygon, rect, round, type Shape } from './shapes';

/** A disturbance of the picture that no single brightness or size describes. */
interface MarkRow {
  /** Its name on tiles and in notes. */
  readonly title: string;
  /** What of the picture it changes besides, as ratios. */
  readonly changes?: Partial<Readonly<Record<'light' | 'width' | 'red' | 'green' | 'blue', number>>>;
  /** It is the damage itself: whatever shows it is the part that has it, and nothing beside it. */
  readonly damage?: true;
  /** What it draws over the scenery in its box. */
  readonly over?: (box: Box) => readonly Shape[];
}

const times = (count: number, shape: (index: number) => Shape): Shape[] =>
  Array.from({ length: count }, (_, at) => shape(at));
const filled = (d: string): Shape => ({ tag: 'path', attrs: { d, fill: ink } });
const fold = 'rgba(244,247,248,0.85)';
/** How much of the height folds over. */
export const foldedShare = 0.14;

function wave(x: number, y: number, h: number, swing: number): string {
  const steps = Array.from(
    { length: 13 },
    (_, step) => `L${round(x + swing * Math.sin(step * 1.05))} ${round(y + (step * h) / 12)}`,
  );
  return steps.join(' ');
}

const clouds = [
  [0.24, 0.3, 0.3],
  [0.7, 0.5, 0.38],
  [0.4, 0.8, 0.26],
] as const;

const scrambled = ({ x, y, w, h }: Box): Shape[] => [
  rect(x, y, w, h, 'rgba(11,14,17,0.72)'),
  ...times(6, (line) => {
    const level = y + ((line + 0.5) * h) / 6;
    return path(
      `M${x} ${round(level)} Q${round(x + w / 4)} ${round(level - 12)} ${round(x + w / 2)} ${round(level)} T${x + w} ${round(level)}`,
      '#c8d4da',
      1.3,
    );
  }),
];

const bentColours = ({ x, y, w, h }: Box): Shape[] =>
  ['#e05a5a', '#5ac46e', '#5a86e0'].flatMap((colour, index) =>
    [0.3, 0.6, 0.85].map((level) =>
      path(
        `M${x} ${round(y + level * h - index * 3)} Q${round(x + w / 2)} ${round(y + level * h + (index - 1) * 12)} ${x + w} ${round(y + level * h + index * 3)}`,
        colour,
        1.8,
      ),
    ),
  );

/** Every mark, in the order they lie over one another. */
const rows = {
  row_band: { title: 'Dark band across', over: ({ x, y, w, h }) => [rect(x, y + 0.6 * h, w, 0.12 * h, ink)] },
  column_bar: {
    title: 'Upright bars',
    over: ({ x, y, w, h }) => [rect(x + 0.4 * w, y, 0.06 * w, h, '#c24a86'), rect(x + 0.48 * w, y, 0.04 * w, h, ink)],
  },
  reddish: {
    title: 'Dark, reddish, slow flash',
    changes: { light: 0.5 },
    over: ({ x, y, w, h }) => [rect(x, y, w, h, 'rgba(92,10,40,0.62)')],
  },
  pink: {
    title: 'Pink patches on white',
    over: ({ x, y, w, h }) => [
      rect(x, y, 0.46 * w, h, 'rgba(240,150,190,0.55)'),
      rect(x + 0.7 * w, y + 0.5 * h, 0.2 * w, 0.3 * h, 'rgba(240,150,190,0.4)'),
    ],
  },
  purity: {
    title: 'Colour patches',
    over: ({ x, y, w, h }) => [
      circle(x + w, y, 0.5 * h, 'rgba(70,170,90,0.5)'),
      circle(x, y + h, 0.42 * h, 'rgba(190,70,150,0.45)'),
    ],
  },
  wavy: {
    title: 'Sides bend in waves',
    over: ({ x, y, w, h }) =>
      [x, x + w].map((side) =>
        filled(`M${side} ${y} ${wave(side === x ? x + 5 : side - 5, y, h, 4)} L${side} ${y + h} Z`),
      ),
  },
  trapezium: {
    title: 'Narrower at one end',
    over: ({ x, y, w, h }) => [
      polygon(
        [
          [x, y],
          [x + 0.24 * w, y],
          [x, y + h],
        ],
        ink,
      ),
      polygon(
        [
          [x + w, y],
          [x + 0.76 * w, y],
          [x + w, y + h],
        ],
        ink,
      ),
    ],
  },
  bowed: {
    title: 'Sides bowed',
    over: ({ x, y, w, h }) =>
      [x, x + w].map((side) =>
        filled(
          `M${side} ${y} Q${round(side === x ? x + 0.18 * w : side - 0.18 * w)} ${round(y + h / 2)} ${side} ${y + h} Z`,
        ),
      ),
  },
  soft_corners: {
    title: 'Soft at the edges',
    over: ({ x, y, w, h }) =>
      [x, x + 0.84 * w].flatMap((left) =>
        times(3, (line) => rect(left, y + (0.2 + 0.28 * line) * h, 0.16 * w, 0.07 * h, 'rgba(200,208,214,0.4)')),
      ),
  },
  soft_colour: {
    title: 'One colour soft',
    over: ({ x, y, w, h }) =>
      // A wide red shadow along every edge of the scenery.
      [
        `M${x} ${round(y + 0.55 * h)} H${x + w}`,
        `M${x} ${round(y + 0.77 * h)} H${x + w}`,
        `M${round(x + 0.48 * w)} ${round(y + 0.77 * h)} L${round(x + 0.78 * w)} ${round(y + 0.34 * h)} L${x + w} ${round(y + 0.24 * h)}`,
      ].flatMap((edge) => [9, 5].map((width) => path(edge, 'rgba(232,70,70,0.3)', width))),
  },
  colour_line: {
    title: 'One colour is a line',
    over: ({ x, y, w, h }) => [rect(x, y + 0.49 * h, w, 0.02 * h, '#e05a5a')],
  },
  folded_top: { title: 'Folds at the top', over: ({ x, y, w, h }) => [rect(x, y, w, foldedShare * h, fold)] },
  folded_bottom: {
    title: 'Folds at the bottom',
    over: ({ x, y, w, h }) => [rect(x, y + h - foldedShare * h, w, foldedShare * h, fold)],
  },
  smeared: {
    title: 'Smears to the right',
    over: ({ x, y, w, h }) =>
      [0.22, 0.4, 0.62].map((at) => rect(x + 0.2 * w, y + at * h, 0.75 * w, 3, 'rgba(240,236,220,0.45)')),
  },
  tearing: {
    title: 'Tears sideways',
    over: ({ x, y, w, h }) => times(7, (line) => rect(x + (line % 2) * 18, y + (line * h) / 7, w - 18, h / 14, ink)),
  },
  rolls: {
    title: 'Rolls',
    over: ({ x, y, w, h }) => [rect(x, y + 0.42 * h, w, 0.13 * h, ink), rect(x, y + 0.42 * h + 2, w, 2, '#4a5560')],
  },
  scrambled: { title: 'Scrambled', over: scrambled },
  shoved: { title: 'Shoved to one edge', over: ({ x, y, w, h }) => [rect(x, y, w, 0.34 * h, ink)] },
  bent_colours: { title: 'Colours do not meet', over: bentColours },
  cloudy: {
    title: 'Cloudy, halos round lights',
    over: ({ x, y, w, h }) =>
      clouds.map(([cx, cy, r]) => circle(x + cx * w, y + cy * h, r * h, 'rgba(222,228,230,0.34)')),
  },
  flicker: {
    title: 'Flickers',
    over: ({ x, y, w, h }) =>
      times(5, (band) => rect(x, y + ((band * 2 + 1) * h) / 11, w, h / 11, 'rgba(11,14,17,0.5)')),
  },
  wrong_colours: {
    title: 'Colours swapped or striped',
    over: ({ x, y, w, h }) =>
      ['rgba(220,60,60,0.5)', 'rgba(60,190,80,0.5)', 'rgba(60,90,220,0.5)'].map((colour, index) =>
        rect(x + (index * w) / 3, y, w / 3, h, colour),
      ),
  },
  dusty: { title: 'Dull, dust in the picture', over: ({ x, y, w, h }) => [rect(x, y, w, h, 'rgba(120,118,110,0.4)')] },
  yellow: { title: 'Yellow and dull', over: ({ x, y, w, h }) => [rect(x, y, w, h, 'rgba(150,120,20,0.5)')] },
  spots: {
    title: 'White or black spots',
    over: ({ x, y, w, h }) =>
      times(16, (dot) =>
        rect(
          x + ((dot * 53) % 151) * (w / 160),
          y + ((dot * 71) % 101) * (h / 110),
          3,
          3,
          dot % 2 === 0 ? '#fff' : ink,
        ),
      ),
  },
  sparkle: {
    title: 'Sparkle, unsteady',
    over: ({ x, y, w, h }) =>
      times(42, (dot) =>
        rect(
          x + ((dot * 61) % 157) * (w / 160),
          y + ((dot * 37) % 107) * (h / 110),
          2,
          2,
          dot % 3 === 0 ? '#e05a7a' : '#f2f4f5',
        ),
      ),
  },
  cracked_glass: {
    title: 'Cracked glass',
    damage: true,
    over: ({ x, y, w, h }) => [
      path(
        `M${x + 20} ${y} L${round(x + 0.35 * w)} ${round(y + 0.4 * h)} L${round(x + 0.3 * w)} ${round(y + 0.62 * h)} L${round(x + 0.5 * w)} ${y + h}`,
        '#f2f4f5',
        1.6,
      ),
      path(`M${round(x + 0.35 * w)} ${round(y + 0.4 * h)} L${x + w} ${round(y + 0.3 * h)}`, '#f2f4f5', 1.1),
    ],
  },
  faint: {
    title: 'Faint, little contrast',
    changes: { light: 0.7 },
    over: ({ x, y, w, h }) => [rect(x, y, w, h, 'rgba(120,124,128,0.35)')],
  },
  narrow: { title: 'Too narrow', changes: { width: 0.8 } },
  no_red: { title: 'Red missing', changes: { red: 0 } },
  no_green: { title: 'Green missing', changes: { green: 0 } },
  no_blue: { title: 'Blue missing', changes: { blue: 0 } },
  weak_red: { title: 'Red weak', changes: { red: 0.5 } },
  weak_green: { title: 'Green weak', changes: { green: 0.5 } },
  weak_blue: { title: 'Blue weak', changes: { blue: 0.5 } },
  // The scenery itself is drawn in grey.
  no_colour: { title: 'Grey, no colour' },
} as const satisfies Readonly<Record<string, MarkRow>>;

export type Mark = keyof typeof rows;
export const markRows: Readonly<Record<Mark, MarkRow>> = rows;
/** All marks by name. */
export const marks = (Object.keys(rows) as Mark[]).sort();

/** What the marks of a picture draw over the scenery in its box. */
export const marksOver = (shown: ReadonlySet<Mark>, box: Box): Shape[] =>
  Object.entries(markRows).flatMap(([mark, { over }]) => (over && shown.has(mark as Mark) ? over(box) : []));
