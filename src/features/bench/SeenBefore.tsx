import Link from 'next/link';
import { useDeferredValue, useMemo } from 'react';
import { type Case } from '@/core/diagnosis';
import { type ClosedCase, shownBy, similarCases } from '@/core/reading';
import styles from './bench.module.css';

interface SeenBeforeProps {
  readonly job: Case;
  /** The job's id. */
  readonly id: string;
  readonly cases: readonly ClosedCase[];
}

/** So many causes are told, and of each so many sets by name. */
const mostCauses = 3;
const mostNamed = 3;

const timesText = (count: number) => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);

/** Closed sets of the shop that showed and read the same, and what they were. */
export function SeenBefore({ job, id, cases }: SeenBeforeProps) {
  // It follows a moment after the verdict.
  const { bench, predictions, complaint } = useDeferredValue(job);
  const found = useMemo(() => {
    const since = bench.readings.filter(({ afterRepairs }) => afterRepairs === bench.repairs.length);
    const others = cases.filter((one) => one.job !== id);
    return similarCases(shownBy(predictions, since, complaint.symptoms), others).slice(0, mostCauses);
  }, [bench, predictions, complaint, cases, id]);
  if (found.length === 0) return null;
  return (
    <section aria-label="Seen before" className={styles.before}>
      <h2 className="label">Seen before in this shop</h2>
      <ul>
        {found.map(({ cause, jobs, shared }) => (
          <li key={cause}>
            <b>{cause}</b>, {timesText(jobs.length)}
            {shared.length > 0 && (
              <> with {shared.map((check) => predictions.checks.get(check)!.title).join(', ')} off as here</>
            )}
            :{' '}
            {jobs.slice(0, mostNamed).map(({ job: closed, title }, place) => (
              <span key={closed}>
                {place > 0 && ', '}
                <Link href={`/notebook/${closed}`}>{title}</Link>
              </span>
            ))}
            {jobs.length > mostNamed && ` and ${jobs.length - mostNamed} more`}
          </li>
        ))}
      </ul>
    </section>
  );
}
