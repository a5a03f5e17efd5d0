'use client';

import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import { useServerInsertedHTML } from 'next/navigation';
import { type ReactNode, useRef, useState } from 'react';

/** On the server one store for all answers: how a component looks does not depend on who asks. */
const shared = createCache();

/** Writes the styles of the components into the page that is answered, so that it is never seen without them. */
export function StyleRegistry({ children }: { readonly children: ReactNode }) {
  const [cache] = useState(() => (typeof window === 'undefined' ? shared : createCache()));
  const sent = useRef(0);
  useServerInsertedHTML(() => {
    // What comes later in an answer may bring styles of its own.
    if (cache.cache.size === sent.current) return null;
    sent.current = cache.cache.size;
    return (
      <style
        id="component-styles"
        data-rc-order="prepend"
        data-rc-priority="-1000"
        dangerouslySetInnerHTML={{ __html: extractStyle(cache, { plain: true }) }}
      />
    );
  });
  return <StyleProvider cache={cache}>{children}</StyleProvider>;
}
