'use client';

import { type RefObject, useEffect, useRef, useState } from 'react';
import { type BlinkCount, countBlinks, type Tap } from '@/core/reading';
import { Key } from '@/ui';
import styles from './bench.module.css';

/** How often it is looked whether a group is over, in milliseconds. */
const lookEvery = 250;

interface BlinkTapperProps {
  readonly input: RefObject<HTMLInputElement | null>;
  /** Told the count once the groups agree on it. */
  onCount(count: number): void;
}

/** Counts blinks that are tapped along on the space bar while the entry is empty or holds the last count. */
export function BlinkTapper({ input, onCount }: BlinkTapperProps) {
  const taps = useRef<Tap[]>([]);
  const down = useRef<number>(undefined);
  const told = useRef<number>(undefined);
  const [found, setFound] = useState<BlinkCount>();
  const tell = useRef(onCount);
  useEffect(() => {
    tell.current = onCount;
  });
  useEffect(() => {
    const field = input.current;
    if (!field) return;
    const seconds = (event: Event) => event.timeStamp / 1000;
    const press = (event: KeyboardEvent) => {
      if (event.key !== ' ') return;
      event.preventDefault();
      if (!event.repeat) down.current = seconds(event);
    };
    const release = (event: KeyboardEvent) => {
      if (event.key !== ' ' || down.current === undefined) return;
      taps.current = [...taps.current, { down: down.current, up: seconds(event) }];
      down.current = undefined;
    };
    const look = setInterval(() => {
      if (taps.current.length === 0) return;
      const count = countBlinks(taps.current, performance.now() / 1000);
      setFound(count);
      if (count.count !== undefined && count.count !== told.current) tell.current(count.count);
      told.current = count.count;
    }, lookEvery);
    field.addEventListener('keydown', press);
    field.addEventListener('keyup', release);
    return () => {
      clearInterval(look);
      field.removeEventListener('keydown', press);
      field.removeEventListener('keyup', release);
    };
  }, [input]);
  return (
    <p className={styles.how} role="status">
      Tap <Key>Space</Key> with the light
      {found && (
        <>
          : <b className="figure">{found.groups.join(', ')}</b>{' '}
          {found.count === undefined
            ? 'do not agree yet: tap the code once more'
            : found.agree > 1
              ? `${found.agree} groups agree`
              : 'tap it once more to be sure'}
          {found.long !== undefined && `, ${found.long} of them long`}
        </>
      )}
      .
    </p>
  );
}
