import { describe, expect, it } from 'vitest';
import { type LogBody, type LogEntry } from '../log';
import { shippedSheets } from '@/sheets';
import { adviseShape, anyControls, shapeControls, type Shape, shapeLine, shapeWalk } from '.';

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

const walk = (...bodies: LogBody[]) => shapeWalk(log(...bodies), anyControls);

describe('the record of a picture’s shape', () => {
  it('is empty before anything was measured', () => {
    expect(walk()).toMatchObject({ first: undefined, latest: undefined, touches: [], open: [] });
  });

  it('comes back from its line as it was measured', () => {
    const { first, latest } = walk(measured(3, 1));
    expect(first).toEqual(shape(3, 1));
    expect(latest).toBe(first);
  });

  it('a control turned between two photographs is a touch with both', () => {
    const { first, latest, touches, open } = walk(measured(3, 1), turned('width'), measured(0.2, 1.3));
    expect(first!.terms.get('width')!.percent).toBe(3);
    expect(latest!.terms.get('width')!.percent).toBe(0.2);
    expect(touches).toEqual([{ ...turned('width'), before: first, after: latest }]);
    expect(open).toEqual([]);
  });

  it('what was turned since the last photograph is open', () => {
    expect(walk(measured(3, 1), turned('width')).open).toEqual(['width']);
  });

  it('two controls turned between two photographs teach nothing of either', () => {
    const { touches } = walk(measured(3, 1), turned('width'), turned('height'), measured(0.2, 0.1));
    expect(touches).toEqual([]);
  });

  it('passes over controls that are none of the picture’s, and lines that were taken back', () => {
    const all = log(measured(3, 1), turned('VR841'), turned('width'), measured(0.2, 1.3));
    const { touches } = shapeWalk(all, anyControls);
    expect(touches.map(({ control }) => control)).toEqual(['width']);
    const back: LogEntry = {
      id: 'back',
      at: '2026-03-01T10:01:00Z',
      supersedes: 'line-3',
      body: { kind: 'withdrawn' },
    };
    expect(shapeWalk([...all, back], anyControls).open).toEqual(['width']);
  });

  it('a corrected line stands where it was wrong', () => {
    const all = log(measured(3, 1), turned('height'), measured(2.9, 0.1));
    const corrected: LogEntry = { ...all[1]!, id: 'right', supersedes: 'line-1', body: turned('width') };
    expect(shapeWalk([...all, corrected], anyControls).touches.map(({ control }) => control)).toEqual(['width']);
  });

  it('a photograph without corners is not compared with one that has them', () => {
    const without = { ...measured(3, 1), terms: measured(3, 1).terms.slice(1) };
    expect(walk(without, turned('width'), measured(0.2, 1.3)).touches).toEqual([]);
  });

  it('keeps how far the colours lay apart, first and last', () => {
    const with_ = (millimetres: number): LogBody => ({ ...measured(1, 1), colours: millimetres });
    expect(walk(with_(2.4), with_(0.6)).colours).toEqual([2.4, 0.6]);
    expect(walk(measured(1, 1), with_(0.6)).colours).toEqual([0.6, 0.6]);
  });
});

describe('the controls of a chassis', () => {
  it('are those its sheet names, and the ordinary ones for the rest', () => {
    const controls = new Map(
      shapeControls(shippedSheets().get('pellisar-tc-14')!).map(({ control, term }) => [term, control]),
    );
    expect(controls.get('height')).toBe('VR501');
    expect(controls.get('width')).toBe('width');
    expect(controls.has('corners')).toBe(false);
  });

  it('are no longer advised once one was looked for in vain, and their error is beyond all of them', () => {
    const absent: LogBody = { kind: 'turned', control: 'width', end: false, absent: true };
    const { latest, controls, open } = walk(measured(3, 1), absent);
    expect(open).toEqual([]);
    const { next, beyond } = adviseShape(
      latest!,
      controls.filter(({ term }) => latest!.terms.has(term)),
    );
    expect(next).toMatchObject({ control: 'height' });
    expect(beyond).toEqual(['width']);
  });
});
