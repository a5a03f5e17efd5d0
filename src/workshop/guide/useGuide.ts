'use client';

import { useSyncExternalStore } from 'react';

/** In the browser: `begun` until there is a job, then the job’s id. */
const key = 'tovrik-first-job';
const begun = 'begun';
const listeners = new Set<() => void>();

function keep(value: string | undefined): void {
  if (value === undefined) localStorage.removeItem(key);
  else localStorage.setItem(key, value);
  for (const told of listeners) told();
}

/** Shows somebody the way of a job, from taking in to closing. */
export function useGuide() {
  const on = useSyncExternalStore(
    (told) => {
      listeners.add(told);
      return () => listeners.delete(told);
    },
    () => localStorage.getItem(key),
    () => null,
  );
  return {
    /** It was asked for, and no job is taken in yet. */
    waits: on === begun,
    /** It goes with this job. */
    goesWith: (job: string) => on === job,
    begin: () => keep(begun),
    follow: (job: string) => keep(job),
    end: () => keep(undefined),
  };
}
