import { memo } from 'react';
import { type ProbeAdvice } from '@/core/diagnosis';
import { Bar, Key, minutesText } from '@/ui';
import styles from './bench.module.css';

interface OtherProbesProps {
  readonly probes: readonly ProbeAdvice[];
  /** What the best of all probes saves, in minutes. */
  readonly mostSaved: number;
  /** Is the set warm now? */
  readonly warm: boolean;
  onPick(probe: string): void;
}

/** What may be probed in place of the best, with its minutes and what it saves. */
export const OtherProbes = memo(function OtherProbes({ probes, mostSaved, warm, onPick }: OtherProbesProps) {
  if (probes.length === 0) return null;
  return (
    <section aria-label="Other probes">
      <h2 className="label">Or</h2>
      <ul className={styles.others}>
        {probes.map(({ probe, minutes, saves }, index) => (
          <li key={probe.id}>
            <button type="button" onClick={() => onPick(probe.id)}>
              <Key>{`Alt ${index + 2}`}</Key>
              <span>
                {probe.isolates === undefined ? probe.check.title : `Pull ${probe.isolates}, then ${probe.check.title}`}
                {probe.context.warm && !warm ? ', warm' : ''}
              </span>
              <span className="figure">{minutesText(minutes)}</span>
              <Bar share={saves / mostSaved} tone="petrol" />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
});
