import { memo } from 'react';
import { Key } from '@/ui';
import styles from './bench.module.css';

interface BenchKeysProps {
  readonly live: boolean;
  readonly warm: boolean;
  readonly metered: boolean;
  readonly speaks: boolean;
  readonly savedAt: string | undefined;
  /** Lines that are not saved yet. */
  readonly waiting: number;
}

/** The keys of the bench by what each would do now, and how much is saved. */
export const BenchKeys = memo(function BenchKeys({ live, warm, metered, speaks, savedAt, waiting }: BenchKeysProps) {
  const keys = [
    ['⏎', 'record'],
    ['Alt P', live ? 'plug out' : 'power on'],
    ['Alt V', 'picture'],
    ['Alt W', warm ? 'cold' : 'warm'],
    ['Alt L', 'lamp'],
    ['Alt I', 'isolation'],
    ['Alt M', metered ? 'off' : 'meter'],
    ['Alt G', 'large'],
    ['Alt A', speaks ? 'silent' : 'say'],
    ['Alt Z', 'take back'],
  ] as const;
  return (
    <footer className={styles.footer}>
      {keys.map(([key, does]) => (
        <span key={key}>
          <Key>{key}</Key> {does}
        </span>
      ))}
      <span className={styles.saved} role="status" suppressHydrationWarning>
        {savedAt === undefined ? '' : `Saved ${new Date(savedAt).toTimeString().slice(0, 8)} · `}
        {waiting} waiting
      </span>
    </footer>
  );
});
