'use client';

import { Comparing } from './Comparing';
import styles from './compare.module.css';

/** Repeated networks side by side: the cell that leaves its row is named. */
export function CompareScreen() {
  return <Comparing draft="compare-table" className={styles.whole} />;
}
