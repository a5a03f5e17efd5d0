// @vitest-environment happy-dom
import { predictionsOf } from '@/core/behaviour';
import { replay } from '@/core/log';
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { adviseOn } from '@/core/diagnosis';
import { type MeterWords } from '@/workshop/meter';
import { shippedSheets } from '@/sheets';
import { LargeFigures } from './LargeFigures';
import { type Large, largeOf, nextMetered } from './largeModel';

const sheet = shippedSheets().get('pellisar-tc-14')!;
const predictions = predictionsOf(sheet);
const check = (id: string) => predictions.checks.get(id)!;

describe('what stands in large figures', () => {
  it('is the figure of a meter or a ring tester, with where to put the probe', () => {
    expect(largeOf(undefined, check('kg-dc'), '')).toMatchObject({ title: 'Green cathode', wants: 'value', unit: 'V' });
    expect(largeOf(undefined, check('T402-rings'), '')).toMatchObject({ wants: 'value', unit: '' });
    expect(largeOf(undefined, check('picture'), '')).toMatchObject({ wants: 'words' });
    expect(largeOf(undefined, undefined, 'Fit a new R201')).toMatchObject({ title: 'Fit a new R201', wants: 'words' });
  });

  it('is what must be done first, and a store by its volts and its place', () => {
    const body = { kind: 'power', power: 'live' } as const;
    expect(largeOf({ kind: 'do', body, title: 'Apply power', done: '' }, check('kg-dc'), '')).toMatchObject({
      title: 'Apply power',
      wants: 'step',
    });
    const store = sheet.stores.get('C802')!;
    expect(largeOf({ kind: 'prove', store }, check('R201-ohms'), '')).toEqual({
      title: 'Discharge and measure C802',
      where: store.place,
      wants: 'value',
      unit: 'V',
    });
  });

  it('goes on to the best other probe that an instrument reads', () => {
    const { probes } = adviseOn({
      predictions,
      complaint: { symptoms: ['flood_green'], signs: {} },
      bench: replay([], [...sheet.stores.keys()]),
      closed: new Map(),
      hourlyRate: 30,
    });
    const first = nextMetered(probes, undefined)!;
    const second = nextMetered(probes, first)!;
    expect(second).not.toBe(first);
    for (const id of [first, second]) {
      const { check: found } = probes.find(({ probe }) => probe.id === id)!.probe;
      expect(found.unit !== '' || found.measure === 'rings').toBe(true);
    }
    expect(nextMetered([], undefined)).toBeUndefined();
  });
});

describe('large figures', () => {
  let root: Root;
  let place: HTMLElement;
  const keys = { onRecord: vi.fn(), onNext: vi.fn(), onRedo: vi.fn(), onLeave: vi.fn() };
  const value: Large = { title: 'Green cathode', where: 'pin KG', wants: 'value', unit: 'V' };
  const show = (large: Large, shown: number | undefined, words?: MeterWords) =>
    act(() =>
      root.render(<LargeFigures large={large} power="live" value={shown} words={words} last={undefined} {...keys} />),
    );
  const press = (key: string, more: KeyboardEventInit = {}) => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
    act(() => void document.activeElement!.dispatchEvent(event));
    return event;
  };

  beforeEach(() => {
    (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
    vi.clearAllMocks();
    place = document.body.appendChild(document.createElement('div'));
    root = createRoot(place);
  });
  afterEach(() => {
    act(() => root.unmount());
    place.remove();
  });

  it('take the focus, and each key of a pedal does one thing', () => {
    show(value, 121.4);
    expect(document.activeElement!.getAttribute('role')).toBe('dialog');
    for (const [key, does] of [
      ['Enter', keys.onRecord],
      [' ', keys.onRecord],
      ['ArrowRight', keys.onNext],
      ['PageDown', keys.onNext],
      ['Backspace', keys.onRedo],
      ['PageUp', keys.onRedo],
      ['Escape', keys.onLeave],
    ] as const) {
      does.mockClear();
      expect(press(key).defaultPrevented).toBe(true);
      expect(does, key).toHaveBeenCalledTimes(1);
    }
  });

  it('leave the keys of the bench to the bench', () => {
    show(value, 121.4);
    expect(press('Enter', { altKey: true }).defaultPrevented).toBe(false);
    expect(press('x').defaultPrevented).toBe(false);
    expect(keys.onRecord).not.toHaveBeenCalled();
  });

  it('show the figure with its prefix, over-range, nothing yet, or what is to be done instead', () => {
    show(value, 0.0124);
    expect(place.textContent).toContain('12.4mV');
    show(value, Infinity);
    expect(place.textContent).toContain('OL');
    show(value, undefined);
    expect(place.textContent).toContain('–');
    show({ ...value, wants: 'step', title: 'Pull the plug' }, undefined);
    expect(place.textContent).toContain('Do it, then ⏎');
    expect(place.textContent).toContain('LIVE');
  });

  it('say what keeps a figure from settling, and nothing while it only settles', () => {
    show(value, 12, { kind: 'wrong', about: 'unit', text: 'set to Ω, and V is asked for: turn its dial' });
    expect(place.textContent).toContain('turn its dial');
    show(value, 12, { kind: 'waits', about: 'settles', text: 'recorded when it settles' });
    expect(place.textContent).not.toContain('recorded when');
  });
});
