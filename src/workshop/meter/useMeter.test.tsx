// @vitest-environment happy-dom
import { act, useEffect } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type FedReading, type FedSweep } from '@/instruments';
import { type Listening, type MeterSource } from './sources';
import { type Listened, useMeter } from './useMeter';

let root: Root;
let heard: Listened;
const readings = vi.fn<(reading: FedReading | FedSweep) => void>();

/** A source that sends what a test says, to the one that listens now. */
function ownSource(continuous: boolean) {
  const touches: { address: string; listening: Listening; stopped: boolean }[] = [];
  const source: MeterSource = {
    kind: continuous ? 'serial' : 'simulated',
    title: 'Meter of a test',
    continuous,
    listen(address, listening) {
      const touch = { address, listening, stopped: false };
      touches.push(touch);
      return () => void (touch.stopped = true);
    },
  };
  const send = (value: number, from = 0, count = 15) =>
    act(() => {
      for (let index = 0; index < count; index += 1) touches.at(-1)!.listening.line(`${from + index / 10} ${value} V`);
    });
  return { source, touches, send };
}

interface Asked {
  readonly source: MeterSource | undefined;
  readonly address: string | undefined;
  readonly stays?: boolean;
}

function Holder({ source, address, stays = false }: Asked) {
  const found = useMeter(source, address, { patience: 0, stays, onReading: readings });
  useEffect(() => {
    heard = found;
  });
  return null;
}
const show = (source: MeterSource | undefined, address: string | undefined, stays = false) =>
  act(() => root.render(<Holder source={source} address={address} stays={stays} />));

beforeEach(() => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  readings.mockClear();
  root = createRoot(document.createElement('div'));
});
afterEach(() => act(() => root.unmount()));

describe('listening to a meter', () => {
  it('gives one reading for a touch, and then leaves the source alone', () => {
    const { source, touches, send } = ownSource(false);
    show(source, 'kg');
    send(121.4);
    expect(readings).toHaveBeenCalledTimes(1);
    expect(readings.mock.calls[0]![0]).toMatchObject({ shape: 'settled', value: expect.closeTo(121.4, 2) as number });
    expect(touches[0]!.stopped).toBe(true);
    send(12, 2);
    expect(readings).toHaveBeenCalledTimes(1);
    expect(heard.trace().length).toBeGreaterThan(3);
  });

  it('begins anew with each address, and shows nothing of the one before', () => {
    const { source, touches, send } = ownSource(false);
    show(source, 'kg');
    send(5, 0, 2);
    expect(heard.view).toMatchObject({ value: 5, lost: false });
    show(source, 'kr');
    expect(touches[0]!.stopped).toBe(true);
    expect(heard.view).toBeUndefined();
    send(122);
    expect(readings).toHaveBeenCalledTimes(1);
  });

  it('says that it was lost where the stream ends before a reading, and not after one', () => {
    const first = ownSource(false);
    show(first.source, 'kg');
    first.send(5, 0, 2);
    act(() => first.touches[0]!.listening.end());
    expect(heard.view).toMatchObject({ lost: true });
    const second = ownSource(false);
    show(second.source, 'kr');
    second.send(5);
    act(() => second.touches[0]!.listening.end());
    expect(heard.view).toMatchObject({ lost: false });
  });

  it('waits until the probes have left the point before where the lines of a source go on', () => {
    const { source, send } = ownSource(true);
    show(source, 'kg');
    send(12.1);
    show(source, 'kr');
    send(12.1, 2);
    expect(readings).toHaveBeenCalledTimes(1);
    send(178, 4);
    expect(readings).toHaveBeenCalledTimes(2);
    // Another meter knows nothing of that point.
    const other = ownSource(true);
    show(other.source, 'kb');
    other.send(178);
    expect(readings).toHaveBeenCalledTimes(3);
  });

  it('puts nothing right of the point before where the probes stay on it and its value is turned', () => {
    const { source, send } = ownSource(true);
    show(source, 'vs');
    send(150);
    show(source, 'vs, turned', true);
    send(158, 2);
    expect(readings.mock.calls.every(([reading]) => !('revises' in reading))).toBe(true);
    expect(readings.mock.lastCall![0]).toMatchObject({ value: expect.closeTo(158, 1) as number });
  });

  it('puts the point before right when it creeps on, and goes on listening for the next', () => {
    const { source, touches, send } = ownSource(true);
    show(source, 'kg');
    send(150);
    show(source, 'kr');
    expect(heard.view).toBeUndefined();
    for (let volts = 150; volts <= 158; volts += 0.25) send(volts, (volts - 140) / 5, 1);
    expect(heard.view).toMatchObject({ onBefore: true });
    const revised = readings.mock.calls.slice(1).map(([reading]) => reading as FedReading);
    expect(revised.length).toBeGreaterThanOrEqual(2);
    expect(revised.every(({ revises }) => revises)).toBe(true);
    expect(revised.at(-1)!.value).toBeGreaterThan(154);
    expect(touches.at(-1)!.stopped).toBe(false);
    send(12, 9);
    expect(readings.mock.lastCall![0]).toEqual({ value: expect.closeTo(12, 1) as number, shape: 'settled' });
  });

  it('watches the point before while nothing is asked, until the probes leave it', () => {
    const { source, touches, send } = ownSource(true);
    show(source, 'kg');
    send(150);
    show(source, undefined);
    for (let volts = 150; volts <= 158; volts += 0.25) send(volts, (volts - 140) / 5, 1);
    expect(readings.mock.lastCall![0]).toMatchObject({ revises: true });
    send(12, 9, 2);
    expect(touches.at(-1)!.stopped).toBe(true);
    const count = readings.mock.calls.length;
    send(12, 10);
    expect(readings).toHaveBeenCalledTimes(count);
    // The next point may read the same.
    show(source, 'kr');
    send(157, 12);
    expect(readings.mock.lastCall![0]).toEqual({ value: expect.closeTo(157, 1) as number, shape: 'settled' });
  });

  it('takes the figure as it stands when it is told to, and the next one from another point', () => {
    const { source, send } = ownSource(true);
    show(source, 'kg');
    expect(heard.takeNow()).toBeUndefined();
    send(0.01, 0);
    expect(heard.view).toMatchObject({ asLifted: true });
    expect(readings).not.toHaveBeenCalled();
    expect(heard.takeNow()).toBe(0.01);
    show(source, 'kr');
    send(0.01, 3);
    expect(heard.view).toMatchObject({ onBefore: true });
    expect(heard.takeNow()).toBeUndefined();
    send(121, 6);
    expect(readings.mock.lastCall![0]).toEqual({ value: expect.closeTo(121, 1) as number, shape: 'settled' });
  });

  it('is quiet without a source or an address, and stops when it goes', () => {
    const { source, touches } = ownSource(false);
    show(undefined, 'kg');
    show(source, undefined);
    expect(touches).toEqual([]);
    show(source, 'kg');
    show(source, undefined);
    expect(touches[0]!.stopped).toBe(true);
  });
});
