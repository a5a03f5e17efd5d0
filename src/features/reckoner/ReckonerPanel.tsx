'use client';

import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { whenAsked } from '@/ui';

// Fetched when it is first asked for: most keystrokes on a bench never need it.
const Reckoner = dynamic(() => import('./Reckoner').then(({ Reckoner: loaded }) => loaded), { ssr: false });

/** An equal sign is typed into a text that has room for one; anywhere else it opens the reckoner. */
function typesEqualSign(): boolean {
  const at = document.activeElement;
  if (at instanceof HTMLElement && at.isContentEditable) return true;
  return at instanceof HTMLTextAreaElement || (at instanceof HTMLInputElement && at.value !== '');
}

/** The reckoner over any page: on the equal sign, or when a page asks for it. */
export function ReckonerPanel() {
  const [open, setOpen] = useState(false);
  useEffect(() => whenAsked('reckoner', () => setOpen(true)), []);
  useHotkeys(
    '=',
    (event) => {
      if (open || typesEqualSign()) return;
      event.preventDefault();
      setOpen(true);
    },
    { enableOnFormTags: true, useKey: true },
  );
  return open && <Reckoner close={() => setOpen(false)} />;
}
