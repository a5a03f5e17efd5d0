import { describe, expect, it } from 'vitest';
import { patternIds, patternPicture, restOf } from '.';

const canvas = { width: 640, height: 480, across: 15, down: 11 };
const rects = (svg: string) =>
  [...svg.matchAll(/<rect x="(.+?)" y="(.+?)" width="(.+?)" height="(.+?)"/g)].map((one) => one.slice(1).map(Number));

describe('patterns', () => {
  it('are each a picture of their own that keeps within its raster', () => {
    const all = patternIds.map((id) => patternPicture(id, canvas));
    expect(new Set(all).size).toBe(patternIds.length);
    for (const svg of all)
      for (const [x, y, width, height] of rects(svg)) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(x! + width!).toBeLessThanOrEqual(641);
        expect(y! + height!).toBeLessThanOrEqual(481);
      }
  });

  it('a crosshatch has its lines at even distances, the outer ones half a cell inside', () => {
    const lines = rects(patternPicture('crosshatch', canvas)).slice(1);
    const uprights = lines.filter(([, , , height]) => height === 480).map(([x, , width]) => x! + width! / 2);
    expect(uprights).toHaveLength(15);
    uprights.forEach((x, i) => expect(Math.abs(x - ((i + 0.5) * 640) / 15)).toBeLessThanOrEqual(0.5));
  });
});

describe('a pattern that stands still', () => {
  it('is left alone for its time, then dimmed and moved on and on', () => {
    expect(restOf(179, 180)).toEqual({ x: 0, y: 0, light: 1 });
    const places = [180, 200, 220, 240].map((seconds) => restOf(seconds, 180));
    expect(new Set(places.map(({ x, y }) => `${x} ${y}`)).size).toBe(4);
    for (const { light } of places) expect(light).toBeLessThan(0.5);
  });
});
