import { describe, expect, it, vi } from 'vitest';
import { CreepWatch } from '@/core/reading';
import { MeterFeed } from '@/instruments';
import { openRecorded, recordedSource, type SerialPort, serialSource } from './sources';

/** A port that sends chunks as a test says, and may be pulled out. */
function fakePort() {
  let controller: ReadableStreamDefaultController<Uint8Array>;
  const readable = new ReadableStream<Uint8Array>({
    start(own) {
      controller = own;
    },
  });
  const text = new TextEncoder();
  let closed = 0;
  const port: SerialPort = {
    open: () => Promise.resolve(),
    close: () => Promise.resolve(void (closed += 1)),
    readable,
  };
  return {
    port,
    closed: () => closed,
    send: (chunk: string) => controller.enqueue(text.encode(chunk)),
    close: () => controller.close(),
    pull: () => controller.error(new Error('the device has been lost')),
  };
}

const heard = () => {
  const lines: string[] = [];
  let ended = 0;
  return {
    lines,
    ends: () => ended,
    listening: { line: (text: string) => void lines.push(text), end: () => void (ended += 1) },
  };
};

describe('a meter on a serial port', () => {
  it('sends its lines, however they are cut into chunks, in the form the feed reads', async () => {
    const { port, send } = fakePort();
    const { lines, listening } = heard();
    serialSource(port, '{value} {unit}').listen('', listening);
    send('12.1 V\r\n12');
    send('.2 V\n\n12.3 mV\n');
    await vi.waitFor(() => expect(lines).toHaveLength(3));
    expect(lines.map((line) => line.split(' ').slice(1).join(' '))).toEqual(['12.1 V', '12.2 V', '0.0123 V']);
  });

  it('passes on what does not fit for the feed to count, and goes on after a burst', async () => {
    const { port, send } = fakePort();
    const { lines, listening } = heard();
    serialSource(port, '{value} {unit}').listen('', listening);
    send('### ERR\n'.repeat(10_000));
    send(`${'9'.repeat(100_000)}`);
    send('\n5 V\n');
    await vi.waitFor(() => expect(lines.at(-1)).toMatch(/ 5 V$/), { timeout: 5000 });
    expect(lines.length).toBeLessThanOrEqual(10_002);
    const feed = new MeterFeed({ patience: 0 });
    for (const line of lines) feed.take(line);
    expect(feed.state.garbage).toBeGreaterThanOrEqual(10_000);
    expect(feed.state.value).toBe(5);
  });

  it('that is pulled out ends for whoever listens, now and later', async () => {
    const { port, send, pull } = fakePort();
    const source = serialSource(port, '{value}');
    const first = heard();
    source.listen('', first.listening);
    send('3.3\n');
    await vi.waitFor(() => expect(first.lines).toHaveLength(1));
    pull();
    await vi.waitFor(() => expect(first.ends()).toBe(1));
    const later = heard();
    source.listen('', later.listening);
    expect(later.ends()).toBe(1);
  });

  it('is no longer heard once nobody listens', async () => {
    const { port, send, close } = fakePort();
    const { lines, ends, listening } = heard();
    const stop = serialSource(port, '{value}').listen('', listening);
    stop();
    send('1\n2\n');
    close();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(lines).toEqual([]);
    expect(ends()).toBe(0);
  });

  it('gives its port back when another meter is chosen, so that it can be opened again', async () => {
    const { port, send, closed } = fakePort();
    const { lines, listening } = heard();
    const source = serialSource(port, '{value}');
    source.listen('', listening);
    send('1\n');
    await vi.waitFor(() => expect(lines).toHaveLength(1));
    source.close!();
    await vi.waitFor(() => expect(closed()).toBe(1));
    expect(port.readable!.locked).toBe(false);
  });

  it('with a pattern that is none is refused', () => {
    expect(() => serialSource(fakePort().port, '{unit}')).toThrow(/has \{value\} once/);
  });
});

describe('a recorded log', () => {
  it('is played in its own time, goes on at the next touch, and ends', () => {
    vi.useFakeTimers();
    const source = recordedSource([
      { at: 0, value: 1, unit: 'V' },
      { at: 0.5, value: 2, unit: 'V' },
      { at: 60, value: 3, unit: 'V' },
    ]);
    const first = heard();
    const stop = source.listen('', first.listening);
    vi.advanceTimersByTime(499);
    expect(first.lines).toEqual(['0.00 1 V']);
    vi.advanceTimersByTime(2);
    expect(first.lines).toHaveLength(2);
    stop();
    const second = heard();
    source.listen('', second.listening);
    vi.advanceTimersByTime(1);
    expect(second.lines).toEqual(['60.00 3 V']);
    vi.advanceTimersByTime(10);
    expect(second.ends()).toBe(1);
    vi.useRealTimers();
  });

  it('that is none is refused', () => {
    expect(() => openRecorded('a,b\n1,2')).toThrow(/there is no column "seconds"/);
    expect(openRecorded('seconds,value\n0,1')).toMatchObject({ kind: 'recorded' });
  });
});

describe('a meter whose lines go on', () => {
  const lines = (value: number, from: number) =>
    Array.from({ length: 20 }, (_, index) => `${(from + index / 10).toFixed(1)} ${value} V`);
  const taken = (feed: MeterFeed, all: readonly string[]) => all.flatMap((line) => feed.take(line) ?? []);

  it('gives nothing until the probes have left the point before', () => {
    expect(
      taken(new MeterFeed({ patience: 0, continuous: true, before: { watch: new CreepWatch(12.1) } }), lines(12.12, 0)),
    ).toEqual([]);
    // Lifted probes show next to nothing for a while: that is no reading, unless it stays.
    const lifted = [...lines(12.1, 0), ...lines(0.01, 2), ...lines(178, 4)];
    expect(
      taken(new MeterFeed({ patience: 0, continuous: true, before: { watch: new CreepWatch(12.1) } }), lifted),
    ).toEqual([{ value: expect.closeTo(178, 1), shape: 'settled' }]);
    // A dead point reads as lifted probes do: no clock can tell them apart, only a key.
    const feed = new MeterFeed({ patience: 0, continuous: true, before: { watch: new CreepWatch(12.1) } });
    expect(taken(feed, [...lines(12.1, 0), ...lines(0.01, 2), ...lines(0.01, 4), ...lines(0.01, 6)])).toEqual([]);
    expect(feed.state).toMatchObject({ asLifted: true, value: 0.01 });
    const [reading] = taken(new MeterFeed({ patience: 0, continuous: true, before: { watch: new CreepWatch(12.1) } }), [
      ...lines(12.1, 0),
      ...lines(5, 2),
    ]);
    expect(reading).toEqual({ value: expect.closeTo(5, 2), shape: 'settled' });
  });

  it('takes no lifted probe for an open part either, at the first touch or later', () => {
    const feed = new MeterFeed({ patience: 0, continuous: true });
    const open = Array.from({ length: 80 }, (_, index) => `${index / 10} OL Ω`);
    const part = Array.from({ length: 20 }, (_, index) => `${8 + index / 10} 4.7 kΩ`);
    expect(taken(feed, open)).toEqual([]);
    expect(feed.state.asLifted).toBe(true);
    expect(taken(feed, part)).toEqual([{ value: expect.closeTo(4700, 0), shape: 'settled' }]);
  });
});
