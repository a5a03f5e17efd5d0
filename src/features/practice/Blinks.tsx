import { useEffect, useState } from 'react';
import styles from './practice.module.css';

interface BlinksProps {
  readonly count: number;
  /** From one blink to the next, in seconds. */
  readonly each: number;
}

/** A group is followed by a pause of so many blinks. */
const pause = 4;

/** A light that blinks a code, again and again. */
export function Blinks({ count, each }: BlinksProps) {
  const [half, setHalf] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setHalf((now) => now + 1), 500 * each);
    return () => clearInterval(timer);
  }, [each]);
  // It is met in the middle of its pause.
  const at = (half + 2 * count + pause) % (2 * (count + pause));
  const lit = at < 2 * count && at % 2 === 0;
  return <i role="img" aria-label="A light that blinks" className={styles.light} data-lit={lit} />;
}
