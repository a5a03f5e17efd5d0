'use client';

import { useEffect } from 'react';

/** Gives the focus back to where it was before a panel took it, once the panel is gone. */
export function useReturnFocus(): void {
  useEffect(() => {
    const before = document.activeElement;
    return () => {
      if (before instanceof HTMLElement) before.focus();
    };
  }, []);
}
