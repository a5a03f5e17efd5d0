import { type OverhaulStage, type OverhaulStep } from '@/core/overhaul';
import { VerdictMark } from '@/ui';
import { stageText } from './overhaulModel';
import styles from './overhaul.module.css';

interface StagesProps {
  readonly stages: readonly OverhaulStage[];
  /** The check that is asked for now. */
  readonly asked: string | undefined;
  onPick(check: string): void;
}

/** The whole walk: what was done, what was found, what is to come. */
export function Stages({ stages, asked, onPick }: StagesProps) {
  return (
    <section aria-label="Stages" className={styles.stages}>
      {stages.map((stage, index) => (
        <details key={stage.name} open={stage.steps.some(({ check }) => check.id === asked)} data-done={stage.done}>
          <summary>
            <b className="figure">{index + 1}</b>
            <strong>{stage.title}</strong>
            <span>{stageText(stage)}</span>
            <small className="soft">{stage.why}</small>
          </summary>
          <ul>
            {stage.steps.map((step) => (
              <li key={step.check.id}>
                <button
                  type="button"
                  aria-current={step.check.id === asked ? 'step' : undefined}
                  onClick={() => onPick(step.check.id)}
                >
                  <Found step={step} />
                  <span>{step.check.title}</span>
                  <b className="figure">{step.row?.said ?? (step.passed ? 'out of reach' : '')}</b>
                </button>
              </li>
            ))}
          </ul>
        </details>
      ))}
    </section>
  );
}

const Found = ({ step: { row } }: { step: OverhaulStep }) =>
  row ? <VerdictMark mark={row.verdict.mark} /> : <i aria-hidden className={styles.open} />;
