import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { keptCold, type OverhaulStage } from '@/core/overhaul';
import styles from './overhaul.module.css';

/** What comes before anything is measured live: power in stages, or what a rail that reads too low keeps from it. */
export function FirstPower({ job, stages }: { readonly job: string; readonly stages: readonly OverhaulStage[] }) {
  const router = useRouter();
  const low = keptCold(stages);
  const [page, title] = low.length > 0 ? ['bench', 'Find it at the bench'] : ['power', 'To first power'];
  return (
    <div className={styles.card}>
      <p className="label">Before anything is measured live</p>
      <h2>{low.length > 0 ? 'Not switched on yet' : 'First power in stages'}</h2>
      {low.map(({ check, said, verdict }) => (
        <p key={check.id} className="caution">
          {check.title}: <b className="figure">{said}</b>, where a good set gives {verdict.expected}. Behind a lamp at
          most, before that is found.
        </p>
      ))}
      {low.length === 0 && (
        <p className="soft">Agree beforehand what the rail should read; then step by step, each one compared.</p>
      )}
      <Button type="primary" size="large" autoFocus onClick={() => router.push(`/job/${job}/${page}`)}>
        {title} ⏎
      </Button>
    </div>
  );
}
