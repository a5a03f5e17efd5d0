// @vitest-environment happy-dom
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { MeterChoice } from './MeterChoice';
import { type MeterSource, simulatedSource } from './sources';

let root: Root;
let place: HTMLElement;
const onSource = vi.fn<(source: MeterSource | undefined) => void>();
const show = (simulated: boolean) =>
  act(() =>
    root.render(
      <MeterChoice
        simulated={simulated}
        source={simulated ? simulatedSource : undefined}
        onSource={onSource}
        trace={() => []}
      />,
    ),
  );
const button = (text: string) => [...place.querySelectorAll('button')].find((one) => one.textContent?.includes(text))!;
const press = (text: string) =>
  act(async () => {
    button(text).click();
    await new Promise((resolve) => setTimeout(resolve, 10));
  });
const typePattern = (text: string) =>
  act(() => {
    const input = place.querySelector<HTMLInputElement>('[aria-label="Pattern of its lines"]')!;
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, text);
    input.dispatchEvent(new Event('input', { bubbles: true }));
  });
const alert = () => place.querySelector('[role=alert]')?.textContent;
/** A browser with serial ports. */
const withPort = (open: () => Promise<void>) =>
  vi.stubGlobal('navigator', {
    ...navigator,
    serial: {
      requestPort: () =>
        Promise.resolve({ open, close: () => Promise.resolve(), readable: new ReadableStream<Uint8Array>() }),
    },
  });

beforeEach(() => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  localStorage.clear();
  onSource.mockClear();
  place = document.body.appendChild(document.createElement('div'));
  root = createRoot(place);
});
afterEach(() => {
  act(() => root.unmount());
  place.remove();
  vi.unstubAllGlobals();
});

describe('the choice of a meter', () => {
  it('offers the simulated one only where there is one', () => {
    show(true);
    expect(place.textContent).toContain('Simulated meter');
    act(() => root.render(<></>));
    show(false);
    expect(place.textContent).not.toContain('Simulated');
    expect(place.textContent).toContain('Meter on a serial port');
  });

  it('says so where the browser has no serial ports for pages', async () => {
    show(false);
    await press('Connect');
    expect(alert()).toMatch(/no serial ports for pages/);
    expect(onSource).not.toHaveBeenCalled();
  });

  it('connects with the pattern that is typed, and keeps it for the next time', async () => {
    withPort(() => Promise.resolve());
    show(false);
    typePattern('{skip},{value},{unit}');
    await press('Connect');
    expect(alert()).toBeUndefined();
    expect(onSource).toHaveBeenCalledWith(expect.objectContaining({ kind: 'serial', continuous: true }));
    expect(localStorage.getItem('tovrik-meter-pattern')).toBe('{skip},{value},{unit}');
  });

  it('refuses a pattern without a value, and says why a port would not open', async () => {
    withPort(() => Promise.resolve());
    show(false);
    typePattern('volts');
    await press('Connect');
    expect(alert()).toMatch(/a pattern has \{value\} once/);
    withPort(() => Promise.reject(new Error('the port is in use')));
    typePattern('{value}');
    await press('Connect');
    expect(alert()).toBe('The port could not be opened: the port is in use');
    expect(onSource).not.toHaveBeenCalled();
  });
});
