'use client';

import { useSyncExternalStore } from 'react';

/** What was typed and not yet saved, kept in the browser so that it outlives a closed tab. */
export function useDraft(name: string): { readonly draft: string | null; keep(text: string | undefined): void } {
  const key = `tovrik-${name}`;
  const draft = useSyncExternalStore(
    () => () => undefined,
    () => localStorage.getItem(key),
    () => null,
  );
  const keep = (text: string | undefined) =>
    text === undefined ? localStorage.removeItem(key) : localStorage.setItem(key, text);
  return { draft, keep };
}
