// @vitest-environment happy-dom
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type LogEntry } from '@/core/log';
import { SoakClock } from './SoakClock';

const told: string[] = [];
let permission: NotificationPermission;
class Notices {
  static get permission() {
    return permission;
  }
  static requestPermission() {
    permission = 'granted';
    return Promise.resolve(permission);
  }
  constructor(title: string, { body }: { body: string }) {
    told.push(`${title}: ${body}`);
  }
}

const begun = '2026-11-30T10:00:00Z';
const entries: readonly LogEntry[] = [{ id: 'a', at: begun, body: { kind: 'soak', event: 'begun', text: '6 in 1 h' } }];
let root: Root;
let page: HTMLElement;

async function runTo(hours: number) {
  await act(async () => {
    vi.setSystemTime(Date.parse(begun) + hours * 3_600_000);
    await vi.advanceTimersByTimeAsync(1100);
  });
}

beforeEach(async () => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  told.length = 0;
  permission = 'default';
  vi.useFakeTimers({ now: Date.parse(begun) });
  vi.stubGlobal('Notification', Notices);
  Object.defineProperty(window, 'isSecureContext', { value: true, configurable: true });
  page = document.createElement('div');
  root = createRoot(page);
  await act(() => root.render(<SoakClock title="Tea-room set" entries={entries} />));
});
afterEach(async () => {
  await act(() => root.unmount());
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const looked = (state: DocumentVisibilityState) =>
  Object.defineProperty(document, 'visibilityState', { value: state, configurable: true });

describe('the end of a soak', () => {
  it('is told once to who allowed it and looks elsewhere', async () => {
    looked('hidden');
    await runTo(0.01);
    const ask = page.querySelector('button')!;
    expect(ask.textContent).toBe('Tell me then, wherever I look');
    await act(async () => {
      ask.click();
      await Promise.resolve();
    });
    await runTo(0.02);
    expect(page.querySelector('button')).toBeNull();
    expect(told).toEqual([]);
    await runTo(100);
    await runTo(101);
    expect(page.textContent).toContain('it may be believed');
    expect(told).toEqual(['Tea-room set: The soak may be believed.']);
  });

  it('is not told to who looks at the page, nor where it was not allowed', async () => {
    permission = 'granted';
    looked('visible');
    await runTo(100);
    expect(page.textContent).toContain('it may be believed');
    expect(told).toEqual([]);
    permission = 'denied';
    looked('hidden');
    await act(() => root.render(<SoakClock key="anew" title="Tea-room set" entries={entries} />));
    await runTo(101);
    expect(told).toEqual([]);
  });
});
