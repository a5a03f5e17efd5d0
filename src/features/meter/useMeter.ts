'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type CreepWatch } from '@/core/reading';
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
 * A source whose lines go on is heard between addresses, too, for as long as the probes stay on the point before.
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
  /** The point that was read last from a source whose lines go on. */
  const last = useRef<{ readonly source: MeterSource; readonly watch: CreepWatch }>(undefined);
  useEffect(() => {
    if (!source) return;
    const before = source.continuous && last.current?.source === source ? last.current.watch : undefined;
    if (address === undefined && !before) return;
    const feed = new MeterFeed(patience, before);
    let over = false;
    let stop: () => void = () => undefined;
    const show = (lost: boolean) => {
      if (address !== undefined) setView({ address, view: { ...feed.state, lost } });
    };
    const finish = () => {
      over = true;
      stop();
    };
    stop = source.listen(address ?? '', {
      line: (text) => {
        if (over) return;
        const reading = feed.take(text);
        if (feed.trace.length > 0) heard.current = feed;
        show(false);
        // With nothing asked, only the point before is watched, until the probes leave it.
        if (address === undefined && !feed.state.onBefore) return finish();
        if (!reading) return;
        last.current = { source, watch: feed.watchOn(reading) };
        if (!reading.revises) finish();
        tell.current(reading);
      },
      end: () => {
        if (!over) show(true);
      },
    });
    return () => stop();
  }, [source, address, patience]);
  const trace = useCallback(() => heard.current?.trace ?? [], []);
  return { view: view && view.address === address ? view.view : undefined, trace };
}
