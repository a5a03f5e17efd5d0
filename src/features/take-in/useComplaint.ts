import { useCallback, useMemo, useState } from 'react';
import { type Tile } from '@/core/diagnosis';
import { type Manner } from '@/core/picture';
import { type SignState } from '@/core/measure';
import { complaintFrom, nextSignState } from './takeInModel';

/** Nothing picked, nothing answered. */
const nothing = {
  picked: new Set<string>() as ReadonlySet<string>,
  signs: {} as Readonly<Record<string, SignState>>,
  manner: undefined as Manner | undefined,
};

/**
 * What is picked and answered of a set at take-in.
 *
 * @param tiles what a set of its kind may show
 */
export function useComplaint(tiles: readonly Tile[]) {
  const [{ picked, signs, manner }, setTold] = useState(nothing);
  const complaint = useMemo(() => complaintFrom(tiles, picked, signs, manner), [tiles, picked, signs, manner]);
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
  const shows = useCallback(
    (how: Manner) => setTold(({ manner: now, ...rest }) => ({ ...rest, manner: now === how ? undefined : how })),
    [],
  );
  const forget = useCallback(() => setTold(nothing), []);
  const told = complaint.symptoms.length > 0 || Object.keys(signs).length > 0;
  return { tiles, picked, signs, manner, complaint, told, pick, answer, shows, forget };
}

export type ToldComplaint = ReturnType<typeof useComplaint>;
