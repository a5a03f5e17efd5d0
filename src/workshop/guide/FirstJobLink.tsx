'use client';

import Link from 'next/link';
import styles from './guide.module.css';
import { useGuide } from './useGuide';

/** Takes somebody new by the hand, from taking in to closing. */
export function FirstJobLink({ onGo }: { onGo?(): void }) {
  const { begin } = useGuide();
  return (
    <Link
      href="/take-in"
      className={styles.link}
      onClick={() => {
        begin();
        onGo?.();
      }}
    >
      First job, step by step
    </Link>
  );
}
