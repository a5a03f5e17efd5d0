// @vitest-environment happy-dom
import { type LogEntry } from '@/core/log';
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type JobLog } from '@/workshop/job';
import { shippedSheets } from '@/sheets';
import { storeRows } from './powerModel';
import { Stores } from './Stores';

const said = vi.fn<(sentence: string) => void>();
vi.mock('@/ui', async (original) => ({ ...(await original<object>()), say: (sentence: string) => said(sentence) }));

const sheet = shippedSheets().get('pellisar-tc-14')!;
const start = Date.parse('2026-03-01T10:00:00Z');
const entry = (seconds: number, body: LogEntry['body']): LogEntry => ({
  id: `line-${seconds}`,
  at: new Date(start + seconds * 1000).toISOString(),
  body,
});
const record = vi.fn<JobLog['record']>();
let root: Root;
let place: HTMLElement;
let log: LogEntry[];

const show = (now: number, live = false) =>
  act(() =>
    root.render(
      <Stores
        sheet={sheet}
        rows={storeRows(log, sheet, start / 1000 + now)}
        live={live}
        log={{ record } as unknown as JobLog}
      />,
    ),
  );
const type = (text: string) =>
  act(() => {
    const input = place.querySelector<HTMLInputElement>('[aria-label="Volts of a store"]')!;
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, text);
    input.dispatchEvent(new Event('input', { bubbles: true }));
  });
const enter = () =>
  act(() => {
    const input = place.querySelector<HTMLInputElement>('[aria-label="Volts of a store"]')!;
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
  });
const store = (id: string) => place.querySelector(`[data-store="${id}"]`)!;

beforeEach(() => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  vi.clearAllMocks();
  localStorage.clear();
  log = [entry(0, { kind: 'power', power: 'unplugged' })];
  place = document.body.appendChild(document.createElement('div'));
  root = createRoot(place);
});
afterEach(() => {
  act(() => root.unmount());
  place.remove();
});

describe('the stores of a set', () => {
  it('say once, aloud, when one is due to be measured again', () => {
    log.push(entry(10, { kind: 'store', store: 'C802', volts: 4 }));
    show(20);
    expect(said).not.toHaveBeenCalled();
    expect(store('C802').textContent).toContain('again in 0:50');
    show(71);
    show(72);
    expect(said).toHaveBeenCalledTimes(1);
    expect(said).toHaveBeenCalledWith('C802: measure it again');
    log.push(entry(80, { kind: 'store', store: 'C802', volts: 44 }));
    show(81);
    expect(store('C802').textContent).toContain('recovered from 4 V');
    log.push(entry(90, { kind: 'store', store: 'C802', volts: 3 }));
    show(100);
    show(151);
    expect(said).toHaveBeenCalledTimes(2);
  });

  it('take the bare volts for the one that is due, and say what is wrong with others', () => {
    show(5);
    type('12.5');
    enter();
    expect(record).toHaveBeenCalledWith([{ body: { kind: 'store', store: 'C802', volts: 12.5 } }]);
    type('C999 4');
    enter();
    expect(place.querySelector('[role=alert]')!.textContent).toMatch(/there is no store "C999"/);
    expect(record).toHaveBeenCalledTimes(1);
  });

  it('are charged, and nothing is proven, while the set is live', () => {
    show(5, true);
    type('C802 4');
    enter();
    expect(place.querySelector('[role=alert]')!.textContent).toMatch(/live by its record: pull the plug/);
    expect(record).not.toHaveBeenCalled();
    expect(store('C802').getAttribute('data-stand')).toBe('live');
  });

  it('are discharged by the resistor of the bench, but for high voltage', () => {
    show(5);
    expect(store('C802').textContent).toContain('By 2.2 kΩ');
    expect(store('ANODE').textContent).toMatch(/Only with a resistor probe/);
    act(() => {
      const tool = [...place.querySelectorAll('input')].find(({ value }) => value.includes('25'))!;
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(tool, '100R 5W');
      tool.dispatchEvent(new Event('input', { bubbles: true }));
    });
    expect(store('C802').textContent).toContain('too hot for 5 W');
    expect(localStorage.getItem('tovrik-discharge-tool')).toBe('100R 5W');
  });
});
