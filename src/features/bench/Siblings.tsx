import dynamic from 'next/dynamic';
import { memo, useMemo } from 'react';
import { type Predictions } from '@/core/behaviour';
import { compareSiblings } from '@/core/compare';
import { type BenchState } from '@/core/log';

const SiblingTable = dynamic(() => import('./SiblingTable').then((loaded) => loaded.SiblingTable));

/** The latest plain number read at a point since the last repair. */
function numberAt(latest: BenchState['latest'], point: string): number | undefined {
  const answer = latest.get(point)?.answer;
  return answer?.kind === 'number' ? answer.value : undefined;
}

interface SiblingsProps {
  readonly predictions: Predictions;
  readonly latest: BenchState['latest'];
  onPick(probe: string): void;
}

/** Siblings of which anything was read, side by side. */
export const Siblings = memo(function Siblings({ predictions, latest, onPick }: SiblingsProps) {
  const { siblings } = predictions.model.sheet;
  const comparisons = useMemo(
    () =>
      siblings
        .map((group) => compareSiblings(group, (point) => numberAt(latest, point)))
        .filter((one) => one.rows.some((row) => row.values.filter((value) => value !== undefined).length > 0)),
    [siblings, latest],
  );
  return comparisons.map((comparison) => (
    <SiblingTable key={comparison.title} comparison={comparison} predictions={predictions} onPick={onPick} />
  ));
});
