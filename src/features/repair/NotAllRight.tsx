import { Button } from 'antd';
import Link from 'next/link';
import { type Case, type RepairProof } from '@/core/diagnosis';
import { setVoltages } from '@/core/sheet';
import styles from './repair.module.css';

interface NotAllRightProps {
  /** The job's id. */
  readonly id: string;
  readonly job: Case;
  readonly proof: RepairProof;
}

/** What is still wrong after all was measured again: the complaint, or a reading beside it. */
export function NotAllRight({ id, job, proof }: NotAllRightProps) {
  const { model, checks } = job.predictions;
  const set = new Set(setVoltages(model.sheet).map(({ point }) => point.id));
  return (
    <div className={styles.verdict}>
      <strong>{proof.showsRight ? 'It shows what it should; not all reads right.' : 'Not cured yet.'}</strong>
      <p>
        {proof.showsRight
          ? `Left: ${proof.wrong.map(({ check }) => checks.get(check)!.title).join(', ')}. A rail to be set, a second fault, or a figure that is not this set’s own.`
          : 'Check the own work first: value, polarity, bridges, connectors. Then the suspects as they stand now.'}
      </p>
      <p className={styles.ways}>
        <Link href={`/job/${id}/bench`}>
          <Button type="primary" size="large">
            Back to the bench
          </Button>
        </Link>
        {proof.showsRight && proof.wrong.some(({ check }) => set.has(check)) && (
          <Link href={`/job/${id}/setup`} className="press">
            Set the rails
          </Link>
        )}
        {proof.showsRight && (
          <Link href={`/job/${id}/close`} className="press">
            Close it as it is
          </Link>
        )}
      </p>
    </div>
  );
}
