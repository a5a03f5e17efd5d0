import { describe, expect, it } from 'vitest';
import {
  darkPicture,
  depict,
  drawPicture,
  goodPicture,
  likeness,
  type Symptom,
  symptoms,
  symptomsOf,
  symptomTitles,
} from '.';

describe('symptoms of a picture', () => {
  it('finds again every symptom it depicts', () => {
    const lost = symptoms.filter((symptom) => !symptomsOf(depict('panel', [symptom])).has(symptom));
    expect(lost).toEqual([]);
  });

  it('calls a collapsed raster by its shape', () => {
    expect([...symptomsOf({ ...goodPicture('tube'), height: 0 })]).toEqual(['horizontal_line']);
    expect([...symptomsOf({ ...goodPicture('tube'), width: 0 })]).toEqual(['vertical_line']);
    expect([...symptomsOf({ ...goodPicture('tube'), height: 0, width: 0 })]).toEqual(['dot']);
  });

  it('tells a set that starts and stops from one that never lights', () => {
    expect([...symptomsOf(darkPicture('panel', { brief: true }))]).toEqual(['brief']);
    expect([...symptomsOf(darkPicture('panel'))]).toEqual(['dark']);
  });

  it('names all of them', () => {
    expect(symptoms.filter((symptom) => symptomTitles[symptom] === '')).toEqual([]);
  });
});

describe('likeness', () => {
  const set = (...names: Symptom[]) => new Set(names);
  it('is one for the same, nought for nothing shared, between for some', () => {
    expect(likeness(set('dark'), set('dark'))).toBe(1);
    expect(likeness(set('dark'), set('pink'))).toBe(0);
    expect(likeness(set('horizontal_line', 'retrace_lines'), set('horizontal_line'))).toBeCloseTo(2 / 3);
  });
});

describe('drawing', () => {
  const bright = (fill: unknown) => /^rgb\((\d+),(\d+),(\d+)\)$/.exec(String(fill))?.slice(1).map(Number);

  it('covers the dark half and leaves the other', () => {
    const covers = drawPicture(depict('panel', ['upper_dark'])).filter(
      ({ attrs }) => attrs.y === 0 && attrs.height === 55,
    );
    expect(covers).toHaveLength(1);
    expect(drawPicture(depict('panel', []))).not.toContainEqual(covers[0]);
  });

  it('shows a missing gun as the mix of the other two', () => {
    const fills = drawPicture(depict('tube', ['no_red'])).flatMap(({ attrs }) => bright(attrs.fill) ?? []);
    expect(fills.filter((_, index) => index % 3 === 0).every((red) => red === 0)).toBe(true);
  });

  it('draws nothing of a dark set but the dark', () => {
    expect(drawPicture(darkPicture('tube'))).toHaveLength(1);
  });

  it('draws every symptom otherwise than a right picture', () => {
    const right = JSON.stringify(drawPicture(goodPicture('tube')));
    const same = symptoms.filter(
      (symptom) => symptom !== 'normal' && JSON.stringify(drawPicture(depict('tube', [symptom]))) === right,
    );
    expect(same).toEqual([]);
  });
});
