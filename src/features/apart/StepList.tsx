import { apartText } from '@/core/log';
import { type TeardownStep } from '@/core/teardown';
import { EmptyState, Key } from '@/ui';
import { type JobLog, useTakeBackKey } from '@/workshop/job';
import styles from './apart.module.css';

/** All steps in the order they were taken, with what is back. */
export function StepList({ steps, log }: { readonly steps: readonly TeardownStep[]; readonly log: JobLog }) {
  useTakeBackKey(log);
  return (
    <section className={styles.steps} aria-label="Steps">
      <h2 className="label">Steps · {steps.length}</h2>
      {steps.length === 0 && (
        <EmptyState title="Nothing is off yet">
          <p>What comes off is typed as it comes off; it goes back from the last line to the first.</p>
        </EmptyState>
      )}
      <ol data-testid="steps">
        {steps.map((step, index) => (
          <li key={step.id} data-back={step.back === undefined ? undefined : ''}>
            <span className="figure">{index + 1}</span>
            <span aria-hidden>{step.back === undefined ? '○' : '●'}</span>
            <span>{apartText(step)}</span>
            <button
              type="button"
              aria-label={`${step.back === undefined ? 'Put back' : 'Out again'}: ${apartText(step)}`}
              onClick={() =>
                step.back === undefined
                  ? log.record([{ body: { kind: 'back', step: step.id } }])
                  : log.takeBack(step.back)
              }
            >
              {step.back === undefined ? 'back' : 'out again'}
            </button>
          </li>
        ))}
      </ol>
      {steps.length > 0 && (
        <p className="soft">
          <Key>Alt Z</Key> takes the last line back
        </p>
      )}
    </section>
  );
}
