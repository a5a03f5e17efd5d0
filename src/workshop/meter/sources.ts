import { Refusal } from '@/core/quantity';
import { meterLine, type MeterReading, patternReader, readLog } from '@/instruments';

/** What a source tells while it is listened to. */
export interface Listening {
  /** A line as the feed reads it: seconds, value, unit. */
  line(text: string): void;
  /** The stream is over; nothing more comes. */
  end(): void;
}

/** Where the lines of a meter come from. */
export interface MeterSource {
  readonly kind: 'simulated' | 'serial' | 'recorded';
  readonly title: string;
  /** Lines go on between one point and the next: a new touch begins when the value moves away. */
  readonly continuous: boolean;
  /** @param address of the simulated meter on the point asked for */
  listen(address: string, listening: Listening): () => void;
  /** Gives back what it holds, once it is not listened to any more. */
  close?(): void;
}

/** The stand-in of the demo, one stream for each touch. */
export const simulatedSource: MeterSource = {
  kind: 'simulated',
  title: 'Simulated meter',
  continuous: false,
  listen(address, { line, end }) {
    const source = new EventSource(address);
    const over = () => {
      source.close();
      end();
    };
    source.onmessage = ({ data }: MessageEvent<string>) => line(data);
    source.addEventListener('end', over);
    source.onerror = over;
    return () => source.close();
  },
};

/** Longest stretch of a recorded log without readings that is waited for, in seconds. */
const longestGap = 2;

/** A recorded log, played at the speed it was recorded; each new touch goes on where the last one stopped. */
export function recordedSource(readings: readonly MeterReading[]): MeterSource {
  let next = 0;
  return {
    kind: 'recorded',
    title: 'Recorded log',
    continuous: true,
    listen(_address, { line, end }) {
      let timer: ReturnType<typeof setTimeout>;
      const play = () => {
        const reading = readings[next];
        if (!reading) return end();
        line(meterLine(reading));
        next += 1;
        const gap = (readings[next]?.at ?? reading.at) - reading.at;
        timer = setTimeout(play, 1000 * Math.min(longestGap, gap));
      };
      timer = setTimeout(play, 0);
      return () => clearTimeout(timer);
    },
  };
}

/** Opens the text of a recorded log. @throws Refusal naming the line and the column that is wrong */
export const openRecorded = (text: string): MeterSource => recordedSource(readLog(text));

/** The part of the browser's serial port that is used here (Web Serial). */
export interface SerialPort {
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
}

/** Bytes of a line that never ends are thrown away from here on. */
const longestLine = 400;

/**
 * A meter on a serial port that is open: its lines go to whoever listens, and are lost in between.
 *
 * @throws Refusal where the pattern is none
 */
export function serialSource(port: SerialPort, pattern: string): MeterSource {
  const read = patternReader(pattern);
  const listeners = new Set<Listening>();
  const started = performance.now();
  let over = false;
  const leave = new AbortController();
  const pump = async () => {
    const text = new TextDecoderStream();
    const piped = port.readable?.pipeTo(text.writable as WritableStream<Uint8Array>, { signal: leave.signal });
    piped?.catch(() => undefined);
    const reader = text.readable.getReader();
    let rest = '';
    try {
      for (;;) {
        const { done, value } = await reader.read();
        if (done) break;
        const lines = (rest + value).split(/\r\n|\r|\n/);
        rest = lines.pop()!.slice(-longestLine);
        const at = (performance.now() - started) / 1000;
        for (const line of lines.filter((one) => one.trim() !== '')) for (const one of listeners) tell(one, line, at);
      }
    } catch {
      // Pulled out: the same as an end.
    }
    over = true;
    for (const one of listeners) one.end();
    await piped?.catch(() => undefined);
    // A port that is gone cannot be closed, and need not be.
    await port.close().catch(() => undefined);
  };
  const tell = (listening: Listening, line: string, at: number) => {
    try {
      listening.line(meterLine(read(line, at)));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      // The feed counts it among the lines that are no readings.
      listening.line(line);
    }
  };
  void pump();
  return {
    kind: 'serial',
    title: 'Meter on the serial port',
    continuous: true,
    listen(_address, listening) {
      if (over) listening.end();
      listeners.add(listening);
      return () => listeners.delete(listening);
    },
    close: () => leave.abort(),
  };
}
