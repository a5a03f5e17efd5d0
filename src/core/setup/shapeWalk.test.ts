import { describe, expect, it } from 'vitest';
import { type LogBody, type LogEntry } from '../log';
import { type Shape, shapeLine, shapeWalk } from '.';

const shape = (width: number, height: number): Shape => ({
  off: Math.hypot(width, height) / 3,
  furthest: Math.max(width, height),
  unexplained: 0.05,
  terms: new Map([
    ['width', { percent: width, spread: 0.05 }],
    ['height', { percent: height, spread: 0.05 }],
  ]),
});
const measured = (width: number, height: number) => shapeLine({ shape: shape(width, height), convergence: undefined });
const turned = (control: string, end = false): LogBody => ({ kind: 'turned', control, end });
const log = (...bodies: LogBody[]): LogEntry[] =>
  bodies.map((body, index) => ({ id: `line-${index}`, at: '2026-03-01T10:00:00Z', body }));

describe('the record of a picture’s shape', () => {
  it('is empty before anything was measured', () => {
    expect(shapeWalk([])).toMatchObject({ first: undefined, latest: undefined, touches: [], open: [] });
  });

  it('comes back from its line as it was measured', () => {
    const { first, latest } = shapeWalk(log(measured(3, 1)));
    expect(first).toEqual(shape(3, 1));
    expect(latest).toBe(first);
  });

  it('a control turned between two photographs is a touch with both', () => {
    const { first, latest, touches, open } = shapeWalk(log(measured(3, 1), turned('width'), measured(0.2, 1.3)));
    expect(first!.terms.get('width')!.percent).toBe(3);
    expect(latest!.terms.get('width')!.percent).toBe(0.2);
    expect(touches).toEqual([{ ...turned('width'), before: first, after: latest }]);
    expect(open).toEqual([]);
  });

  it('what was turned since the last photograph is open', () => {
    expect(shapeWalk(log(measured(3, 1), turned('width'))).open).toEqual(['width']);
  });

  it('two controls turned between two photographs teach nothing of either', () => {
    const { touches } = shapeWalk(log(measured(3, 1), turned('width'), turned('height'), measured(0.2, 0.1)));
    expect(touches).toEqual([]);
  });

  it('passes over controls that are none of the picture’s, and lines that were taken back', () => {
    const all = log(measured(3, 1), turned('VR841'), turned('width'), measured(0.2, 1.3));
    const { touches } = shapeWalk(all);
    expect(touches.map(({ control }) => control)).toEqual(['width']);
    const back: LogEntry = {
      id: 'back',
      at: '2026-03-01T10:01:00Z',
      supersedes: 'line-3',
      body: { kind: 'withdrawn' },
    };
    expect(shapeWalk([...all, back]).open).toEqual(['width']);
  });

  it('a corrected line stands where it was wrong', () => {
    const all = log(measured(3, 1), turned('height'), measured(2.9, 0.1));
    const corrected: LogEntry = { ...all[1]!, id: 'right', supersedes: 'line-1', body: turned('width') };
    expect(shapeWalk([...all, corrected]).touches.map(({ control }) => control)).toEqual(['width']);
  });

  it('a photograph without corners is not compared with one that has them', () => {
    const without = { ...measured(3, 1), terms: measured(3, 1).terms.slice(1) };
    expect(shapeWalk(log(without, turned('width'), measured(0.2, 1.3))).touches).toEqual([]);
  });

  it('keeps how far the colours lay apart, first and last', () => {
    const with_ = (millimetres: number): LogBody => ({ ...measured(1, 1), colours: millimetres });
    expect(shapeWalk(log(with_(2.4), with_(0.6))).colours).toEqual([2.4, 0.6]);
    expect(shapeWalk(log(measured(1, 1), with_(0.6))).colours).toEqual([0.6, 0.6]);
  });
});
