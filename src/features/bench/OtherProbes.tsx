import { memo } from 'react';
import { type ProbeAdvice } from '@/core/diagnosis';
import { Bar, Key, minutesText } from '@/ui';
import styles from './bench.module.css';

/** How many a press of a key reaches. */
const otherProbes = 3;

/** The probes beside the one in front, as they are numbered. */
export const besides = (probes: readonly ProbeAdvice[], front: string | undefined): readonly ProbeAdvice[] =>
  probes.filter(({ probe }) => probe.id !== front).slice(0, otherProbes);

interface OtherProbesProps {
  readonly probes: readonly ProbeAdvice[];
  /** The probe in front, which is none of them. */
  readonly front: string | undefined;
  /** Is the set warm now? */
  readonly warm: boolean;
  onPick(probe: string): void;
}

/** What may be probed in place of the best, with its minutes and what it saves. */
export const OtherProbes = memo(function OtherProbes({ probes, front, warm, onPick }: OtherProbesProps) {
  const others = besides(probes, front);
  if (others.length === 0) return null;
  const mostSaved = Math.max(1, ...probes.map(({ saves }) => saves));
  return (
    <section aria-label="Other probes">
      <h2 className="label">Or</h2>
      <ul className={styles.others}>
        {others.map(({ probe, minutes, saves }, index) => (
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
