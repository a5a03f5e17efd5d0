'use client';

import { useEffect, useRef, useState } from 'react';
import { type FedReading, type FeedState, MeterFeed } from './MeterFeed';

/** The meter as it is shown. */
export interface MeterView extends FeedState {
  /** The stream broke off before a reading was made of it. */
  readonly lost: boolean;
}

/**
 * Listens to a meter while there is an address to listen to; each new address is a new touch of the probes.
 *
 * @param patience seconds a value must stand before it is taken
 */
export function useMeter(
  address: string | undefined,
  patience: number,
  onReading: (reading: FedReading) => void,
): MeterView | undefined {
  const [view, setView] = useState<{ readonly address: string; readonly view: MeterView }>();
  const tell = useRef(onReading);
  useEffect(() => {
    tell.current = onReading;
  });
  useEffect(() => {
    if (address === undefined) return;
    const feed = new MeterFeed(patience);
    const source = new EventSource(address);
    let told = false;
    const show = (lost: boolean) => setView({ address, view: { ...feed.state, lost } });
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const reading = feed.take(data);
      show(false);
      if (!reading) return;
      told = true;
      source.close();
      tell.current(reading);
    };
    source.addEventListener('end', () => {
      source.close();
      if (!told) show(true);
    });
    source.onerror = () => {
      source.close();
      if (!told) show(true);
    };
    return () => source.close();
  }, [address, patience]);
  return view && view.address === address ? view.view : undefined;
}
