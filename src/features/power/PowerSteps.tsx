import { formatQuantity } from '@/core/quantity';
import { VerdictMark } from '@/ui';
import { type AgreedPlan } from './powerModel';
import styles from './power.module.css';

/** What each step should read, and what it read. */
export function PowerSteps({ steps }: { steps: AgreedPlan['steps'] }) {
  return (
    <table className={styles.steps} data-testid="power-steps">
      <thead>
        <tr>
          <th />
          <th>Healthy</th>
          <th>Idle</th>
          <th>Shorted</th>
          <th>Read</th>
        </tr>
      </thead>
      <tbody>
        {steps.map(({ step, volts, verdict }) => (
          <tr key={step.id} data-go={verdict?.go}>
            <th scope="row">{step.title}</th>
            <td className="figure">{formatQuantity(step.expected.healthy, 'V', 3)}</td>
            <td className="figure soft">{formatQuantity(step.expected.idle, 'V', 3)}</td>
            <td className="figure soft">{step.lamp ? '0 V' : 'fuse'}</td>
            <td className="figure">
              {verdict && <VerdictMark mark={verdict.go ? 'within' : verdict.like === 'shorted' ? 'dead' : 'odd'} />}{' '}
              {volts === undefined ? '' : formatQuantity(volts, 'V', 3)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
