/** What a pattern is drawn on, in points. */
export interface Canvas {
  readonly width: number;
  readonly height: number;
  /** Lines of the crosshatch and its kin. */
  readonly across: number;
  readonly down: number;
}

/** A pattern that a set shows while it is set up. */
interface Pattern {
  readonly title: string;
  /** What it is for, in a few words. */
  readonly use: string;
  /** The marks of an SVG picture in points of the canvas, over black. */
  readonly draw: (canvas: Canvas) => string;
}

const fixed = (value: number) => String(Math.round(value * 100) / 100);
const rect = (x: number, y: number, width: number, height: number, fill = '#fff') =>
  `<rect x="${fixed(x)}" y="${fixed(y)}" width="${fixed(width)}" height="${fixed(height)}" fill="${fill}"/>`;
const field =
  (fill: string) =>
  ({ width, height }: Canvas) =>
    rect(0, 0, width, height, fill);
const range = (count: number) => Array.from({ length: count }, (_, i) => i);
/** Lines are as thick as an interlaced picture needs, so that they do not flicker. */
const thick = ({ height }: Canvas) => Math.max(2, Math.round(height / 240));
const grey = (share: number) => {
  const level = Math.round(255 * share);
  return `rgb(${level},${level},${level})`;
};

/** Middles of the lines: the outer ones lie half a cell inside the edges. */
const middles = (count: number, length: number) => range(count).map((i) => ((i + 0.5) * length) / count);

function crosshatch(canvas: Canvas): string {
  const { width, height, across, down } = canvas;
  const line = thick(canvas);
  return [
    ...middles(across, width).map((x) => rect(Math.round(x - line / 2), 0, line, height)),
    ...middles(down, height).map((y) => rect(0, Math.round(y - line / 2), width, line)),
  ].join('');
}

function dots(canvas: Canvas): string {
  const { width, height, across, down } = canvas;
  const radius = 1.5 * thick(canvas);
  return middles(across, width)
    .flatMap((x) =>
      middles(down, height).map((y) => `<circle cx="${fixed(x)}" cy="${fixed(y)}" r="${fixed(radius)}" fill="#fff"/>`),
    )
    .join('');
}

function centreCross(canvas: Canvas): string {
  const { width, height } = canvas;
  const line = thick(canvas);
  const marks = range(9).flatMap((i) => {
    const share = (i + 1) / 10;
    return [
      rect(width * share - line / 2, height / 2 - height / 40, line, height / 20),
      rect(width / 2 - height / 40, height * share - line / 2, height / 20, line),
    ];
  });
  return [rect(width / 2 - line / 2, 0, line, height), rect(0, height / 2 - line / 2, width, line), ...marks].join('');
}

function circle(canvas: Canvas): string {
  const { width, height } = canvas;
  const ring = (cx: number, cy: number, r: number) =>
    `<circle cx="${fixed(cx)}" cy="${fixed(cy)}" r="${fixed(r)}" fill="none" stroke="#fff" stroke-width="${thick(canvas)}"/>`;
  const [small, inset] = [height * 0.14, height * 0.17];
  return [
    ring(width / 2, height / 2, height * 0.46),
    ...[inset, width - inset].flatMap((x) => [inset, height - inset].map((y) => ring(x, y, small))),
  ].join('');
}

/** A dark and a bright square, for a grey that is to be the same at both ends. */
function windows({ width, height }: Canvas): string {
  const size = height * 0.28;
  return [
    rect(width * 0.3 - size / 2, height * 0.5 - size / 2, size, size, grey(0.2)),
    rect(width * 0.7 - size / 2, height * 0.5 - size / 2, size, size, grey(0.9)),
  ].join('');
}

const steps = ({ width, height }: Canvas) =>
  range(11)
    .map((i) => rect((i * width) / 11, height * 0.1, width / 11 + 0.5, height * 0.8, grey(i / 10)))
    .join('');

const ramp = ({ width, height }: Canvas) =>
  range(128)
    .map((i) => rect((i * width) / 128, height * 0.1, width / 128 + 0.5, height * 0.8, grey(i / 127)))
    .join('');

/** Short words in five places: a spot that is sharp in the middle and not in the corners shows. */
function focus({ width, height }: Canvas): string {
  const size = height / 30;
  const word = (x: number, y: number) =>
    range(4)
      .map(
        (row) =>
          `<text x="${fixed(x)}" y="${fixed(y + (row - 1) * 1.3 * size)}" font-size="${fixed(size)}" font-family="monospace" text-anchor="middle" fill="#fff">${['hem 8B', 'mnw 3E', 'aeo 6G', 'HMN 0Q'][row]}</text>`,
      )
      .join('');
  return [
    [0.5, 0.5],
    [0.12, 0.12],
    [0.88, 0.12],
    [0.12, 0.88],
    [0.88, 0.88],
    [0.5, 0.12],
    [0.5, 0.88],
    [0.12, 0.5],
    [0.88, 0.5],
  ]
    .map(([x, y]) => word(width * x!, height * y!))
    .join('');
}

/** Frames at nought, five and ten per cent inside the edges, with their figures. */
function overscan(canvas: Canvas): string {
  const { width, height } = canvas;
  const line = thick(canvas);
  return [0, 0.025, 0.05, 0.1]
    .map((share) => {
      const [x, y] = [width * share + line / 2, height * share + line / 2];
      const label = `<text x="${fixed(width / 2)}" y="${fixed(y + height / 36)}" font-size="${fixed(height / 40)}" font-family="monospace" text-anchor="middle" fill="#fff">${share * 100} %</text>`;
      return `<rect x="${fixed(x)}" y="${fixed(y)}" width="${fixed(width - 2 * x)}" height="${fixed(height - 2 * y)}" fill="none" stroke="#fff" stroke-width="${line}"/>${share > 0 ? label : ''}`;
    })
    .join('');
}

const smallWindow = ({ width, height }: Canvas) => rect(width * 0.45, height * 0.45, width * 0.1, height * 0.1);

/** Patterns by name, in the order of the work. */
export const patterns = {
  crosshatch: { title: 'Crosshatch', use: 'size, shape, convergence', draw: crosshatch },
  dots: { title: 'Dots', use: 'static convergence', draw: dots },
  cross: { title: 'Centre cross', use: 'centring, tilt', draw: centreCross },
  circle: { title: 'Circles', use: 'linearity at a glance', draw: circle },
  overscan: { title: 'Frames', use: 'how far the picture reaches', draw: overscan },
  focus: { title: 'Small letters', use: 'focus, middle and corners', draw: focus },
  windows: { title: 'Two bars', use: 'grey scale, dark and bright', draw: windows },
  steps: { title: 'Steps', use: 'grey scale, crushed ends', draw: steps },
  ramp: { title: 'Ramp', use: 'banding, missing bits', draw: ramp },
  small: { title: 'Small window', use: 'plasma rails, black with a little light', draw: smallWindow },
  black: { title: 'Black', use: 'cut-off, main rail', draw: field('#000') },
  white: { title: 'White', use: 'full load, burn-in', draw: field('#fff') },
  red: { title: 'Red', use: 'purity', draw: field('#f00') },
  green: { title: 'Green', use: 'purity', draw: field('#0f0') },
  blue: { title: 'Blue', use: 'purity', draw: field('#00f') },
} as const satisfies Record<string, Pattern>;

export type PatternId = keyof typeof patterns;
export const patternIds = Object.keys(patterns) as PatternId[];

/** A raster that a converter or a second screen sends, with the shape of the screen it fills. */
export const rasters = {
  vga: { title: '640 × 480', width: 640, height: 480, aspect: 3 / 4 },
  line625: { title: '720 × 576, 4 : 3', width: 720, height: 576, aspect: 3 / 4 },
  line525: { title: '720 × 480, 4 : 3', width: 720, height: 480, aspect: 3 / 4 },
  arcade: { title: '320 × 240', width: 320, height: 240, aspect: 3 / 4 },
  wide: { title: '1024 × 768, 16 : 9', width: 1024, height: 768, aspect: 9 / 16 },
  panel: { title: '1366 × 768', width: 1366, height: 768, aspect: 9 / 16 },
  full: { title: '1920 × 1080', width: 1920, height: 1080, aspect: 9 / 16 },
} as const;
export type RasterId = keyof typeof rasters;

/** The whole picture of a pattern, as SVG: it stretches to whatever it is put in, as a set stretches its raster. */
export function patternPicture(id: PatternId, canvas: Canvas): string {
  const { width, height } = canvas;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" preserveAspectRatio="none">${rect(0, 0, width, height, '#000')}${patterns[id].draw(canvas)}</svg>`;
}
