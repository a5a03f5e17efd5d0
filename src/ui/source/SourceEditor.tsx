'use client';

import { lazy, Suspense, useSyncExternalStore } from 'react';
import { type SourceProps } from './source';

const SourceText = lazy(() => import('./SourceText').then((loaded) => ({ default: loaded.SourceText })));

const never = () => () => undefined;

/** An editor for longer texts; until it has come, a plain field with the same text, which may be typed in already. */
export function SourceEditor(props: SourceProps) {
  const inBrowser = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const plain = (
    <textarea
      className="figure source"
      value={props.value}
      spellCheck={false}
      aria-label={props.label}
      onChange={(event) => props.onChange(event.target.value)}
    />
  );
  return inBrowser ? (
    <Suspense fallback={plain}>
      <SourceText {...props} />
    </Suspense>
  ) : (
    plain
  );
}
