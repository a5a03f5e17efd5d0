'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type MeterReading } from '@/instruments';
import { type MeterSource } from './sources';
import { type FedReading, type FeedState, MeterFeed } from './MeterFeed';

/** The meter as it is shown. */
export interface MeterView extends FeedState {
  /** The stream broke off before a reading was made of it. */
  readonly lost: boolean;
}

/** A meter that is listened to, with what it read at the touch before. */
export interface Listened {
  readonly view: MeterView | undefined;
  /** The last trace, as it is kept in a recorded log. */
  trace(): readonly MeterReading[];
}

/**
 * Listens to a meter while there is an address to listen to; each new address is a new touch of the probes.
 *
 * @param source where lines come from; nothing is heard without one
 * @param patience seconds a value must stand before it is taken
 */
export function useMeter(
  source: MeterSource | undefined,
  address: string | undefined,
  patience: number,
  onReading: (reading: FedReading) => void,
): Listened {
  const [view, setView] = useState<{ readonly address: string; readonly view: MeterView }>();
  const tell = useRef(onReading);
  useEffect(() => {
    tell.current = onReading;
  });
  const heard = useRef<MeterFeed>(undefined);
  /** What was read last from a source whose lines go on. */
  const last = useRef<{ readonly source: MeterSource; readonly value: number }>(undefined);
  useEffect(() => {
    if (address === undefined || !source) return;
    const before = source.continuous && last.current?.source === source ? last.current.value : undefined;
    const feed = new MeterFeed(patience, before);
    heard.current = feed;
    let told = false;
    const show = (lost: boolean) => setView({ address, view: { ...feed.state, lost } });
    let stop: () => void = () => undefined;
    stop = source.listen(address, {
      line: (text) => {
        if (told) return;
        const reading = feed.take(text);
        show(false);
        if (!reading) return;
        told = true;
        last.current = { source, value: reading.value };
        stop();
        tell.current(reading);
      },
      end: () => {
        if (!told) show(true);
      },
    });
    return () => stop();
  }, [source, address, patience]);
  const trace = useCallback(() => heard.current?.trace ?? [], []);
  return { view: view && view.address === address ? view.view : undefined, trace };
}
