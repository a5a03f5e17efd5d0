import { useEffect, useMemo, useState } from 'react';
import { type PointPair, pairsNeeded } from '@/core/plane';
import { type Alignment, alignmentOf, type Trace } from '@/core/tracing';
import { HolesFinder } from '@/workers/boardHoles';

/** How the second photograph lies on the first: by the holes that were shown, a moment later by all that both show. */
export function useAlignment({ photos, holes }: Trace['board'], addressOf: (photo: string) => string) {
  const [found, setFound] = useState<{ readonly of: string; readonly holes: readonly PointPair[] }>();
  const [first, second] = photos.map(({ photo }) => addressOf(photo));
  const asked = first && second && holes.length >= pairsNeeded ? JSON.stringify([first, second, holes]) : undefined;
  useEffect(() => {
    if (asked === undefined) return;
    const finder = new HolesFinder();
    const [one, other, shown] = JSON.parse(asked) as [string, string, PointPair[]];
    finder.find([one, other], shown, (all) => setFound({ of: asked, holes: all }));
    return () => finder.close();
  }, [asked]);
  const seen = found?.of === asked ? found?.holes : undefined;
  return useMemo((): Alignment | undefined => alignmentOf(holes, seen), [holes, seen]);
}
