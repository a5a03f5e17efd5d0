import { useEffect, useRef, useState } from 'react';
import { type StageVerdict } from '@/core/circuit';
import { StageRanker } from '@/workers/circuit';
import { measured, type StageReading } from '@/core/inside';

/**
 * What the readings of a stage come to, worked out in a worker; undefined until it is there.
 *
 * @param text undefined where there is nothing to solve
 */
export function useVerdict(text: string | undefined, readings: readonly StageReading[]) {
  const [found, setFound] = useState<{ readonly key: string; readonly verdict: StageVerdict }>();
  const [progress, setProgress] = useState<number>();
  const ranker = useRef<StageRanker>(undefined);
  const key = `${text}@${JSON.stringify(readings)}`;
  useEffect(() => {
    if (text === undefined) return;
    ranker.current ??= new StageRanker();
    ranker.current.rank(
      text,
      { volts: measured(readings, 'volts'), ripple: measured(readings, 'ripple') },
      {
        progress: setProgress,
        done: (verdict) => {
          setProgress(undefined);
          setFound({ key, verdict });
        },
      },
    );
    // The key stands for the text and the readings.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  useEffect(() => () => ranker.current?.close(), []);
  return { verdict: found?.key === key ? found.verdict : undefined, progress };
}
