'use client';

import { type Settings as Kept } from '@/store';
import { Copies } from './Copies';
import { type CopyRow } from './load';
import { InAndOut } from './InAndOut';
import { LookOver } from './LookOver';
import styles from './settings.module.css';
import { ShopForm } from './ShopForm';

interface SettingsProps {
  readonly settings: Kept;
  readonly copies: readonly CopyRow[];
}

/** What a shop sets once, and what its data are kept by. */
export function Settings({ settings, copies }: SettingsProps) {
  return (
    <div className={styles.page}>
      <ShopForm settings={settings} />
      <div className={styles.data}>
        <InAndOut />
        <div className={styles.pair}>
          <Copies copies={copies} />
          <LookOver />
        </div>
      </div>
    </div>
  );
}
