import { foldedShare, marksOver } from './marks';
import { type Picture } from './picture';
import { circle, ink, path, polygon, rect, round, type Shape } from './shapes';

/** The drawing is made in this box. */
const width = 160;
const height = 110;

type Colour = readonly [number, number, number];

/** A landscape of flat bands: sky, cliff, sea; enough to show what is missing of it. */
const scenery: readonly { readonly top: number; readonly colour: Colour }[] = [
  { top: 0, colour: [150, 178, 196] },
  { top: 0.46, colour: [122, 148, 138] },
  { top: 0.68, colour: [88, 122, 148] },
];

/** A colour as the guns of the picture would show it. */
function shown(colour: Colour, picture: Picture): string {
  const beams = [picture.red, picture.green, picture.blue];
  const flood = Math.max(...beams) >= 1.6;
  const grey = 0.3 * colour[0] + 0.59 * colour[1] + 0.11 * colour[2];
  const parts = colour.map((level, index) => {
    const beam = beams[index]!;
    if (picture.marks.has('no_colour')) return Math.round(Math.min(255, grey * picture.light));
    const lit = beam >= 1.6 ? 245 : level * Math.min(beam, 1.1) * (flood ? 0.45 : 1);
    return Math.round(Math.min(255, lit * picture.light));
  });
  return `rgb(${parts.join(',')})`;
}

/** Scenery within a box, with the sun and a funicular track so that direction and cut-offs show. */
function scene(picture: Picture, x: number, y: number, w: number, h: number): Shape[] {
  if (picture.empty) return [rect(x, y, w, h, shown([52, 66, 92], picture))];
  const bands = scenery.map(({ top, colour }, index) => {
    const next = scenery[index + 1]?.top ?? 1;
    return rect(x, y + top * h, w, (next - top) * h, shown(colour, picture));
  });
  const cliff = polygon(
    [
      [0.52, 0.68],
      [0.7, 0.2],
      [1, 0.14],
      [1, 0.68],
    ].map(([px, py]) => [x + px! * w, y + py! * h] as const),
    shown([150, 122, 96], picture),
  );
  const track = path(
    `M${round(x + 0.5 * w)} ${round(y + 0.72 * h)} L${round(x + 0.78 * w)} ${round(y + 0.2 * h)}`,
    shown([236, 232, 220], picture),
    2,
  );
  const sun = circle(x + 0.2 * w, y + 0.22 * h, 0.08 * h, shown([240, 226, 176], picture));
  return [...bands, cliff, track, sun];
}

/** Slanting lines left by the returning beam. */
function retraceLines(x: number, y: number, w: number, h: number): Shape[] {
  return Array.from({ length: 7 }, (_, line) =>
    path(
      `M${x} ${round(y + ((line + 1) * h) / 7)} L${x + w} ${round(y + ((line + 0.35) * h) / 7)}`,
      'rgba(235,240,244,0.8)',
      0.9,
    ),
  );
}

/**
 * Draws what the screen shows, in a box 160 wide and 110 high.
 *
 * @returns shapes from back to front
 */
export function drawPicture(picture: Picture): Shape[] {
  const shapes: Shape[] = [rect(0, 0, width, height, ink)];
  if (picture.light < 0.1) return shapes;
  const w = picture.width * width;
  const h = picture.height * height;
  const x = (width - w) / 2;
  const y = (height - h) / 2;
  if (picture.height < 0.1 || picture.width < 0.1) return [...shapes, ...collapsed(picture)];

  const folded = picture.marks.has('folded_top') ? foldedShare : 0;
  shapes.push(...scene(picture, x, y + folded * h, w, h * (1 - folded)));
  shapes.push(...marksOver(picture.marks, { x, y, w, h }));
  if (picture.retrace) shapes.push(...retraceLines(x, y, w, h));
  if (picture.upper < 0.5) shapes.push(rect(0, 0, width, height / 2, ink));
  if (picture.lower < 0.5) shapes.push(rect(0, height / 2, width, height / 2, ink));
  if (picture.left < 0.5) shapes.push(rect(0, 0, width / 2, height, ink));
  if (picture.right < 0.5) shapes.push(rect(width / 2, 0, width / 2, height, ink));
  if (picture.goesOff) shapes.push(...goingOff());
  if (picture.sharpness < 0.85) shapes.push(rect(x, y, w, h, 'rgba(170,182,190,0.42)'));
  return shapes;
}

/** A clock face over a corner that has gone dark: it runs, then stops. */
function goingOff(): Shape[] {
  const dial = { cx: width - 26, cy: height - 26, r: 15 };
  return [
    polygon(
      [
        [width, 22],
        [width, height],
        [52, height],
      ],
      ink,
    ),
    { tag: 'circle', attrs: { ...dial, fill: 'none', stroke: '#f2f4f5', 'stroke-width': 2 } },
    path(`M${dial.cx} ${dial.cy - 10} L${dial.cx} ${dial.cy} L${dial.cx + 8} ${dial.cy}`, '#f2f4f5', 2),
  ];
}

function collapsed(picture: Picture): Shape[] {
  const glow = '#f4f7f8';
  if (picture.height < 0.1 && picture.width < 0.1) {
    return [circle(width / 2, height / 2, 7, 'rgba(244,247,248,0.25)'), circle(width / 2, height / 2, 3, glow)];
  }
  return picture.height < 0.1
    ? [rect(0, height / 2 - 3, width, 6, 'rgba(244,247,248,0.2)'), rect(0, height / 2 - 1, width, 2, glow)]
    : [rect(width / 2 - 3, 0, 6, height, 'rgba(244,247,248,0.2)'), rect(width / 2 - 1, 0, 2, height, glow)];
}
