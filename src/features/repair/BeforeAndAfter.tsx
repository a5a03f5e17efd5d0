import { Button } from 'antd';
import Link from 'next/link';
import { type Case, type RepairProof } from '@/core/diagnosis';
import { type LogBody } from '@/core/log';
import { EmptyState, Key } from '@/ui';
import { NotAllRight } from './NotAllRight';
import { ProofTable } from './ProofTable';
import { Remeasure } from './Remeasure';
import styles from './repair.module.css';

interface BeforeAndAfterProps {
  /** The job's id. */
  readonly id: string;
  readonly job: Case;
  readonly proof: RepairProof;
  /** Lines in the log: each begins the entry anew. */
  readonly lines: number;
  record(lines: readonly LogBody[]): void;
}

/** The readings that a repair must have changed: asked for once more, before beside after. */
export function BeforeAndAfter({ id, job, proof, lines, record }: BeforeAndAfterProps) {
  if (job.bench.repairs.length === 0)
    return (
      <EmptyState title="After the repair">
        <p>Every reading that was wrong is asked for once more here, and stands beside what it was.</p>
      </EmptyState>
    );
  if (proof.list.length === 0)
    return (
      <EmptyState title="Nothing was measured wrong">
        <p>No reading can prove the cure. Look at the picture on the bench, and record it.</p>
        <Link href={`/job/${id}/bench`}>
          <Button type="primary">To the bench</Button>
        </Link>
      </EmptyState>
    );
  return (
    <>
      <Remeasure key={`${proof.open[0]?.check}-${lines}`} open={proof.open[0]} job={job} record={record} />
      <ProofTable list={proof.list} predictions={job.predictions} />
      {proof.done && (
        <div className={styles.verdict} data-done>
          <strong>Every reading that was wrong is right again.</strong>
          <Link href={`/job/${id}/close`}>
            <Button type="primary" size="large">
              Close the job <Key>Ctrl ⏎</Key>
            </Button>
          </Link>
        </div>
      )}
      {!proof.done && proof.open.length === 0 && <NotAllRight id={id} job={job} proof={proof} />}
    </>
  );
}
