'use client';

import { predictionsOf } from '@/core/behaviour';
import { type Line, LineMap } from '@/workshop/line';
import { replay } from '@/core/log';
import { useEffect, useMemo, useState } from 'react';
import { type Sheet } from '@/core/sheet';
import { drawLine } from './actions';
import styles from './sheets.module.css';

/** How long a text must rest before its line is drawn anew, in milliseconds. */
const rest = 500;

interface LinePreviewProps {
  readonly text: string;
  readonly sheet: Sheet;
  /** The fault whose block is marked. */
  readonly fault: string | undefined;
}

/** The line from plug to picture as the text under edit would draw it. */
export function LinePreview({ text, sheet, fault }: LinePreviewProps) {
  const [drawn, setDrawn] = useState<{ readonly line: Line; readonly sheet: Sheet }>();
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(() => {
      void drawLine(text).then((line) => {
        if (wanted && line) setDrawn({ line, sheet });
      });
    }, rest);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [text, sheet]);

  // What is drawn goes by the text it was drawn from, not by the one typed since.
  const job = useMemo(
    () =>
      drawn && {
        predictions: predictionsOf(drawn.sheet),
        complaint: { symptoms: [], signs: {} },
        bench: replay([], [...drawn.sheet.stores.keys()]),
        closed: new Map<string, number>(),
        hourlyRate: 0,
      },
    [drawn],
  );
  const suspects = useMemo(() => {
    const found = fault === undefined ? undefined : drawn?.sheet.faults.get(fault);
    return found ? [{ fault: found, probability: 1, cured: false }] : [];
  }, [drawn, fault]);

  return (
    <section aria-label="The line it makes" className={styles.line} data-blocks={drawn?.line.blocks.length ?? 0}>
      {drawn && job && (
        <LineMap
          line={drawn.line}
          job={job}
          rows={[]}
          suspects={suspects}
          focusNet={undefined}
          onPick={() => undefined}
        />
      )}
    </section>
  );
}
