import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { type Predictions } from '@/core/behaviour';
import { symptomTilesOf } from '@/core/diagnosis';
import { type SignState } from '@/core/measure';
import { complaintFrom, nextSignState, outlookOf } from './takeInModel';

/** Nothing picked, nothing answered. */
const nothing = { picked: new Set<string>() as ReadonlySet<string>, signs: {} as Readonly<Record<string, SignState>> };

/** What is picked and answered of a set at take-in, and what that points at. */
export function useComplaint(predictions: Predictions, closed: ReadonlyMap<string, number>, hourlyRate: number) {
  const [{ picked, signs }, setTold] = useState(nothing);
  const tiles = useMemo(() => symptomTilesOf(predictions), [predictions]);
  const complaint = useMemo(() => complaintFrom(tiles, picked, signs), [tiles, picked, signs]);
  const settled = useDeferredValue(complaint);
  const outlook = useMemo(
    () => outlookOf(predictions, settled, closed, hourlyRate),
    [predictions, settled, closed, hourlyRate],
  );
  const pick = useCallback(
    (id: string) =>
      setTold(({ picked: now, ...rest }) => ({
        ...rest,
        picked: new Set(now.has(id) ? [...now].filter((other) => other !== id) : [...now, id]),
      })),
    [],
  );
  const answer = useCallback(
    (id: string) =>
      setTold(({ signs: { [id]: state, ...others }, ...rest }) => {
        const next = nextSignState(state);
        return { ...rest, signs: next === undefined ? others : { ...others, [id]: next } };
      }),
    [],
  );
  const forget = useCallback(() => setTold(nothing), []);
  const told = complaint.symptoms.length > 0 || Object.keys(signs).length > 0;
  return { tiles, picked, signs, complaint, told, outlook, pick, answer, forget };
}

export type ToldComplaint = ReturnType<typeof useComplaint>;
