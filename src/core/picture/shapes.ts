/** A piece of a drawing: an SVG element by name with its attributes. */
export interface Shape {
  readonly tag: 'rect' | 'path' | 'circle' | 'polygon' | 'line';
  readonly attrs: Readonly<Record<string, string | number>>;
}

/** Where on the drawing something lies. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** The colour of what is not lit. */
export const ink = '#0b0e11';

export const rect = (x: number, y: number, w: number, h: number, fill: string): Shape => ({
  tag: 'rect',
  attrs: { x: round(x), y: round(y), width: round(w), height: round(h), fill },
});

export const path = (d: string, stroke: string, strokeWidth = 1): Shape => ({
  tag: 'path',
  attrs: { d, fill: 'none', stroke, 'stroke-width': strokeWidth },
});

export const circle = (cx: number, cy: number, r: number, fill: string): Shape => ({
  tag: 'circle',
  attrs: { cx: round(cx), cy: round(cy), r: round(r), fill },
});

export const polygon = (points: readonly (readonly [number, number])[], fill: string): Shape => ({
  tag: 'polygon',
  attrs: { points: points.map(([x, y]) => `${round(x)},${round(y)}`).join(' '), fill },
});

export function round(value: number): number {
  return Math.round(value * 100) / 100;
}
