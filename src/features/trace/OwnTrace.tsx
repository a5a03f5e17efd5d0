'use client';

import { useState } from 'react';
import { type TracedPattern } from '@/core/tracing';
import { useDraft } from '@/ui';
import { Trace } from './Trace';

/** A board by itself, of no set on the queue; its lines stay in this browser. */
export function OwnTrace({ patterns }: { readonly patterns: readonly TracedPattern[] }) {
  const { draft, keep } = useDraft('traced');
  const [typed, setTyped] = useState<readonly string[]>();
  const lines = typed ?? (draft === null || draft === '' ? [] : draft.split('\n'));
  const change = (now: readonly string[]) => {
    setTyped(now);
    keep(now.join('\n'));
  };
  return (
    <Trace
      patterns={patterns}
      title="A traced board"
      lines={lines}
      add={(...added) => change([...lines, ...added])}
      takeBack={() => change(lines.slice(0, -1))}
    />
  );
}
