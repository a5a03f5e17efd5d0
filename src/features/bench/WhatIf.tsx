'use client';

import { memo } from 'react';
import { type ProbeAdvice } from '@/core/diagnosis';
import { type Sheet } from '@/core/sheet';
import { chanceText } from '@/ui';
import styles from './bench.module.css';

const shown = 4;

/** Where each answer to the probe would lead. */
export const WhatIf = memo(function WhatIf({ advice, sheet }: { advice: ProbeAdvice; sheet: Sheet }) {
  if (advice.outcomes.length < 2) return null;
  return (
    <section aria-label="What if it reads">
      <h2 className="label">What if it reads…</h2>
      <ul className={styles.whatIf}>
        {advice.outcomes.slice(0, shown).map((outcome) => (
          <li key={outcome.name}>
            <b>{outcome.name}</b>
            <span className="figure">{chanceText(outcome.chance)}</span>
            <span>
              {sheet.faults.get(outcome.leads)?.title} <span className="figure">{chanceText(outcome.with)}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
});
