import { type Picture } from './picture';

/** A piece of a drawing: an SVG element by name with its attributes. */
export interface Shape {
  readonly tag: 'rect' | 'path' | 'circle' | 'polygon' | 'line';
  readonly attrs: Readonly<Record<string, string | number>>;
}

/** The drawing is made in this box. */
const width = 160;
const height = 110;
const ink = '#0b0e11';

type Colour = readonly [number, number, number];

/** A landscape of flat bands: sky, cliff, sea; enough to show what is missing of it. */
const scenery: readonly { readonly top: number; readonly colour: Colour }[] = [
  { top: 0, colour: [150, 178, 196] },
  { top: 0.46, colour: [122, 148, 138] },
  { top: 0.68, colour: [88, 122, 148] },
];

const rect = (x: number, y: number, w: number, h: number, fill: string, more: Shape['attrs'] = {}): Shape => ({
  tag: 'rect',
  attrs: { x: round(x), y: round(y), width: round(w), height: round(h), fill, ...more },
});

const path = (d: string, stroke: string, strokeWidth = 1): Shape => ({
  tag: 'path',
  attrs: { d, fill: 'none', stroke, 'stroke-width': strokeWidth },
});

function round(value: number): number {
  return Math.round(value * 100) / 100;
}

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
  const cliff: Shape = {
    tag: 'polygon',
    attrs: {
      points: [
        [0.52, 0.68],
        [0.7, 0.2],
        [1, 0.14],
        [1, 0.68],
      ]
        .map(([px, py]) => `${round(x + px! * w)},${round(y + py! * h)}`)
        .join(' '),
      fill: shown([150, 122, 96], picture),
    },
  };
  const track = path(
    `M${round(x + 0.5 * w)} ${round(y + 0.72 * h)} L${round(x + 0.78 * w)} ${round(y + 0.2 * h)}`,
    shown([236, 232, 220], picture),
    2,
  );
  const sun: Shape = {
    tag: 'circle',
    attrs: {
      cx: round(x + 0.2 * w),
      cy: round(y + 0.22 * h),
      r: round(0.08 * h),
      fill: shown([240, 226, 176], picture),
    },
  };
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

  const folded = picture.marks.has('folded_top') ? 0.14 : 0;
  shapes.push(...scene(picture, x, y + folded * h, w, h * (1 - folded)));
  shapes.push(...marksOver(picture, x, y, w, h));
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
    { tag: 'polygon', attrs: { points: `${width},22 ${width},${height} 52,${height}`, fill: ink } },
    { tag: 'circle', attrs: { ...dial, fill: 'none', stroke: '#f2f4f5', 'stroke-width': 2 } },
    path(`M${dial.cx} ${dial.cy - 10} L${dial.cx} ${dial.cy} L${dial.cx + 8} ${dial.cy}`, '#f2f4f5', 2),
  ];
}

function collapsed(picture: Picture): Shape[] {
  const glow = '#f4f7f8';
  if (picture.height < 0.1 && picture.width < 0.1) {
    return [
      { tag: 'circle', attrs: { cx: width / 2, cy: height / 2, r: 7, fill: 'rgba(244,247,248,0.25)' } },
      { tag: 'circle', attrs: { cx: width / 2, cy: height / 2, r: 3, fill: glow } },
    ];
  }
  return picture.height < 0.1
    ? [rect(0, height / 2 - 3, width, 6, 'rgba(244,247,248,0.2)'), rect(0, height / 2 - 1, width, 2, glow)]
    : [rect(width / 2 - 3, 0, 6, height, 'rgba(244,247,248,0.2)'), rect(width / 2 - 1, 0, 2, height, glow)];
}

function wave(x: number, y: number, h: number, swing: number): string {
  const steps = Array.from(
    { length: 13 },
    (_, step) => `L${round(x + swing * Math.sin(step * 1.05))} ${round(y + (step * h) / 12)}`,
  );
  return steps.join(' ');
}

function marksOver(picture: Picture, x: number, y: number, w: number, h: number): Shape[] {
  const over: Shape[] = [];
  const has = picture.marks;
  const bottom = y + h;
  const right = x + w;
  if (has.has('row_band')) over.push(rect(x, y + 0.6 * h, w, 0.12 * h, ink));
  if (has.has('column_bar'))
    over.push(rect(x + 0.4 * w, y, 0.06 * w, h, '#c24a86'), rect(x + 0.48 * w, y, 0.04 * w, h, ink));
  if (has.has('reddish')) over.push(rect(x, y, w, h, 'rgba(92,10,40,0.62)'));
  if (has.has('pink'))
    over.push(
      rect(x, y, 0.46 * w, h, 'rgba(240,150,190,0.55)'),
      rect(x + 0.7 * w, y + 0.5 * h, 0.2 * w, 0.3 * h, 'rgba(240,150,190,0.4)'),
    );
  if (has.has('purity'))
    over.push(
      { tag: 'circle', attrs: { cx: right, cy: y, r: round(0.5 * h), fill: 'rgba(70,170,90,0.5)' } },
      { tag: 'circle', attrs: { cx: x, cy: bottom, r: round(0.42 * h), fill: 'rgba(190,70,150,0.45)' } },
    );
  if (has.has('wavy')) {
    over.push({ tag: 'path', attrs: { d: `M${x} ${y} ${wave(x + 5, y, h, 4)} L${x} ${bottom} Z`, fill: ink } });
    over.push({
      tag: 'path',
      attrs: { d: `M${right} ${y} ${wave(right - 5, y, h, 4)} L${right} ${bottom} Z`, fill: ink },
    });
  }
  if (has.has('trapezium')) {
    over.push({ tag: 'polygon', attrs: { points: `${x},${y} ${round(x + 0.24 * w)},${y} ${x},${bottom}`, fill: ink } });
    over.push({
      tag: 'polygon',
      attrs: { points: `${right},${y} ${round(right - 0.24 * w)},${y} ${right},${bottom}`, fill: ink },
    });
  }
  if (has.has('folded_top')) over.push(rect(x, y, w, 0.14 * h, 'rgba(244,247,248,0.85)'));
  if (has.has('folded_bottom')) over.push(rect(x, bottom - 0.14 * h, w, 0.14 * h, 'rgba(244,247,248,0.85)'));
  if (has.has('smeared'))
    for (const at of [0.22, 0.4, 0.62]) over.push(rect(x + 0.2 * w, y + at * h, 0.75 * w, 3, 'rgba(240,236,220,0.45)'));
  if (has.has('tearing'))
    for (let line = 0; line < 7; line += 1)
      over.push(rect(x + (line % 2) * 18, y + (line * h) / 7, w - 18, h / 14, ink));
  if (has.has('rolls')) over.push(rect(x, y + 0.42 * h, w, 0.13 * h, ink), rect(x, y + 0.42 * h + 2, w, 2, '#4a5560'));
  if (has.has('scrambled')) {
    over.push(rect(x, y, w, h, 'rgba(11,14,17,0.72)'));
    for (let line = 0; line < 6; line += 1) {
      const level = y + ((line + 0.5) * h) / 6;
      over.push(
        path(
          `M${x} ${round(level)} Q${round(x + w / 4)} ${round(level - 12)} ${round(x + w / 2)} ${round(level)} T${right} ${round(level)}`,
          '#c8d4da',
          1.3,
        ),
      );
    }
  }
  if (has.has('shoved')) over.push(rect(x, y, w, 0.34 * h, ink));
  if (has.has('bent_colours'))
    for (const [index, colour] of ['#e05a5a', '#5ac46e', '#5a86e0'].entries())
      for (const level of [0.3, 0.6, 0.85])
        over.push(
          path(
            `M${x} ${round(y + level * h - index * 3)} Q${round(x + w / 2)} ${round(y + level * h + (index - 1) * 12)} ${right} ${round(y + level * h + index * 3)}`,
            colour,
            1.8,
          ),
        );
  if (has.has('cloudy'))
    for (const [cx, cy, r] of [
      [0.24, 0.3, 0.3],
      [0.7, 0.5, 0.38],
      [0.4, 0.8, 0.26],
    ])
      over.push({
        tag: 'circle',
        attrs: { cx: round(x + cx! * w), cy: round(y + cy! * h), r: round(r! * h), fill: 'rgba(222,228,230,0.34)' },
      });
  if (has.has('flicker'))
    for (let band = 0; band < 5; band += 1)
      over.push(rect(x, y + ((band * 2 + 1) * h) / 11, w, h / 11, 'rgba(11,14,17,0.5)'));
  if (has.has('wrong_colours'))
    for (const [index, colour] of ['rgba(220,60,60,0.5)', 'rgba(60,190,80,0.5)', 'rgba(60,90,220,0.5)'].entries())
      over.push(rect(x + (index * w) / 3, y, w / 3, h, colour));
  if (has.has('dusty')) over.push(rect(x, y, w, h, 'rgba(120,118,110,0.4)'));
  if (has.has('yellow')) over.push(rect(x, y, w, h, 'rgba(150,120,20,0.5)'));
  if (has.has('spots'))
    for (let dot = 0; dot < 16; dot += 1)
      over.push(
        rect(
          x + ((dot * 53) % 151) * (w / 160),
          y + ((dot * 71) % 101) * (h / 110),
          3,
          3,
          dot % 2 === 0 ? '#fff' : ink,
        ),
      );
  if (has.has('sparkle')) {
    for (let dot = 0; dot < 42; dot += 1)
      over.push(
        rect(
          x + ((dot * 61) % 157) * (w / 160),
          y + ((dot * 37) % 107) * (h / 110),
          2,
          2,
          dot % 3 === 0 ? '#e05a7a' : '#f2f4f5',
        ),
      );
  }
  if (has.has('cracked_glass'))
    over.push(
      path(
        `M${x + 20} ${y} L${round(x + 0.35 * w)} ${round(y + 0.4 * h)} L${round(x + 0.3 * w)} ${round(y + 0.62 * h)} L${round(x + 0.5 * w)} ${bottom}`,
        '#f2f4f5',
        1.6,
      ),
      path(`M${round(x + 0.35 * w)} ${round(y + 0.4 * h)} L${right} ${round(y + 0.3 * h)}`, '#f2f4f5', 1.1),
    );
  return over;
}
