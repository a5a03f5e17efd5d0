'use client';

import { type ReactNode } from 'react';
import styles from './parts.module.css';

interface PrintHeadProps {
  readonly title: string;
  /** What is said beside it. */
  readonly about?: string;
  /** There is nothing to print. */
  readonly empty?: boolean;
  /** The way back. */
  readonly children: ReactNode;
}

/** The head of a page that is made to be printed; it is not printed itself. */
export function PrintHead({ title, about, empty = false, children }: PrintHeadProps) {
  return (
    <div className={styles.printHead}>
      <h1>{title}</h1>
      {about !== undefined && <span className="soft">{about}</span>}
      <button type="button" className="press main" disabled={empty} onClick={() => window.print()}>
        Print
      </button>
      {children}
    </div>
  );
}
