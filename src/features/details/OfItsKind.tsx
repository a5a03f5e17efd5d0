import { type SetUpRow } from '@/core/job';
import Link from 'next/link';
import { familyOf, type Sheet } from '@/core/sheet';
import { VerdictMark } from '@/ui';
import styles from './details.module.css';

interface OfItsKindProps {
  /** The job's id. */
  readonly job: string;
  readonly sheet: Pick<Sheet, 'quirks' | 'kit' | 'technology'>;
  readonly setUp: readonly SetUpRow[];
}

/** What the sheet says of sets of this kind: what to mind, what to set in which order, what to fit. */
export function OfItsKind({ job, sheet: { quirks, kit, technology }, setUp }: OfItsKindProps) {
  return (
    <>
      {quirks.length > 0 && (
        <section aria-label="To mind">
          <h2 className="label">To mind with these sets</h2>
          <ul className={styles.quirks}>
            {quirks.map(({ title, note }) => (
              <li key={title}>
                <b>{title}.</b> {note}
              </li>
            ))}
          </ul>
        </section>
      )}
      {setUp.length > 0 && (
        <section aria-label="Set-up">
          <h2 className="label">Set up in this order, warm</h2>
          <ol className={styles.setUp}>
            {setUp.map(({ step, expected, read }) => (
              <li key={step.title}>
                {read ? <VerdictMark mark={read.verdict.mark} /> : <VerdictMark mark="unread" />}
                <b>
                  {step.point === undefined ? (
                    step.title
                  ) : (
                    <Link href={`/job/${job}/bench?check=${encodeURIComponent(step.point)}`}>{step.title}</Link>
                  )}
                </b>
                <span className="figure">{read?.said ?? ''}</span>
                <span className={expected === undefined ? 'soft' : 'figure soft'}>{expected ?? step.target}</span>
                <span className="soft">{step.how}</span>
              </li>
            ))}
          </ol>
          <p>
            <Link href={`/job/${job}/setup`} className="press">
              Set the rails one touch at a time
            </Link>{' '}
            {technology !== 'plasma' && (
              <>
                <Link href={`/job/${job}/shape`} className="press">
                  Shape and colours by a photograph
                </Link>{' '}
              </>
            )}
            {technology !== 'crt-mono' && (
              <>
                <Link href={`/job/${job}/grey`} className="press">
                  {familyOf(technology) === 'tube' ? 'Grey scale' : 'White balance'}
                </Link>{' '}
              </>
            )}
            {familyOf(technology) === 'tube' && (
              <>
                <Link href={`/job/${job}/tube`} className="press">
                  Picture tube
                </Link>{' '}
              </>
            )}
            <Link href="/patterns" className="press">
              Patterns
            </Link>
          </p>
        </section>
      )}
      {kit.length > 0 && (
        <section aria-label="Kit">
          <h2 className="label">What to fit</h2>
          <ul className={styles.kit}>
            {kit.map(({ refs, value, note }) => (
              <li key={refs.join()}>
                <b>{refs.join(', ')}</b> <span>{value}</span> <span className="soft">{note}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
