'use client';

import { type RefObject, useEffect, useEffectEvent } from 'react';

/**
 * Takes over what was typed into an entry that the server drew before the page began to listen.
 *
 * @param value what the page holds of it
 */
export function useTypedEarly(
  input: RefObject<HTMLInputElement | null>,
  value: string,
  onType: (text: string) => void,
): void {
  const takeOver = useEffectEvent(() => {
    const typed = input.current?.value ?? value;
    if (typed !== value) onType(typed);
  });
  useEffect(() => takeOver(), []);
}
