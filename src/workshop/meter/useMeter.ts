'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type Unit } from '@/core/quantity';
import {
  type MeterReading,
  type FedReading,
  type FedSweep,
  type FeedState,
  MeterFeed,
  type PointBefore,
} from '@/instruments';
import { type MeterSource } from './sources';

/** The meter as it is shown. */
export interface MeterView extends FeedState {
  /** The stream broke off before a reading was made of it. */
  readonly lost: boolean;
}

/** What becomes of readings. */
export interface Hearing {
  /** Seconds a value must stand before it is taken. */
  readonly patience: number;
  /** What is asked for. */
  readonly unit?: Unit | undefined;
  /** The probes stay on a point whose value is changed by hand: what was read there before says nothing of it. */
  readonly stays?: boolean;
  /** Is a value that settled what is waited for? */
  accepts?(value: number): boolean;
  /** Is a meter beyond its range a reading? */
  isOpen?(range: number | undefined): boolean;
  onReading(reading: FedReading | FedSweep): void;
}

/** A meter that is listened to, with what it read at the touch before. */
export interface Listened {
  readonly view: MeterView | undefined;
  /** Takes the figure as it stands, settled or not; undefined where there is none, or none that is a reading. */
  takeNow(): number | undefined;
  /** The last trace, as it is kept in a recorded log. */
  trace(): readonly MeterReading[];
}

/**
 * Listens to a meter while there is an address to listen to; each new address is a new touch of the probes.
 * A source whose lines go on is heard between addresses, too, for as long as the probes stay on the point before.
 *
 * @param source where lines come from; nothing is heard without one
 */
export function useMeter(source: MeterSource | undefined, address: string | undefined, hearing: Hearing): Listened {
  const { patience, unit, stays = false } = hearing;
  const [view, setView] = useState<{ readonly address: string; readonly view: MeterView }>();
  const now = useRef(hearing);
  useEffect(() => {
    now.current = hearing;
  });
  const listening = useRef<MeterFeed>(undefined);
  /** The last one that read anything. */
  const heard = useRef<MeterFeed>(undefined);
  /** The point that was read last from a source whose lines go on. */
  const last = useRef<{ readonly source: MeterSource; readonly point: PointBefore }>(undefined);
  useEffect(() => {
    if (!source) return;
    const before = !stays && source.continuous && last.current?.source === source ? last.current.point : undefined;
    if (address === undefined && !before) return;
    const feed = new MeterFeed({
      patience,
      continuous: source.continuous,
      accepts: (value) => now.current.accepts?.(value) ?? true,
      isOpen: (range) => now.current.isOpen?.(range) ?? true,
      ...(unit === undefined ? {} : { unit }),
      ...(before ? { before } : {}),
    });
    listening.current = feed;
    let over = false;
    let stop: () => void = () => undefined;
    const show = (lost: boolean) => {
      if (address !== undefined) setView({ address, view: { ...feed.state, lost } });
    };
    const finish = () => {
      over = true;
      stop();
    };
    const hear = (reading: FedReading | FedSweep) => {
      last.current = { source, point: feed.pointOf(reading) };
      if ('wave' in reading || !reading.revises) finish();
      now.current.onReading(reading);
    };
    stop = source.listen(address ?? '', {
      line: (text) => {
        if (over) return;
        const reading = feed.take(text);
        if (feed.trace.length > 0) heard.current = feed;
        show(false);
        // With nothing asked, only the point before is watched, until the probes leave it.
        if (address === undefined && !feed.state.onBefore) return finish();
        if (reading) hear(reading);
      },
      end: () => {
        const swept = over ? undefined : feed.end();
        if (swept) hear(swept);
        else if (!over) show(true);
      },
    });
    return () => stop();
  }, [source, address, patience, unit, stays]);
  const takeNow = useCallback(() => {
    const feed = listening.current;
    const { value, beyond, otherUnit, onBefore } = feed?.state ?? {};
    if (!source || !feed || value === undefined || beyond || otherUnit || onBefore) return undefined;
    last.current = { source, point: feed.pointOf({ value, shape: 'settled' }) };
    return value;
  }, [source]);
  const trace = useCallback(() => heard.current?.trace ?? [], []);
  return { view: view && view.address === address ? view.view : undefined, takeNow, trace };
}
