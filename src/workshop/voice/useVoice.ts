'use client';

import { type ReadingRow } from '@/core/job';
import { useCallback, useEffect, useRef, useState } from 'react';
import { type MeterWords } from '@/workshop/meter';
import { say, spoken } from '@/ui';

/**
 * What was read and what comes next, aloud: at once when asked for, and at every change once it was switched on;
 * what keeps a figure from settling is said once, too.
 */
export function useVoice(last: ReadingRow | undefined, next: string, words: MeterWords | undefined) {
  const [speaks, setSpeaks] = useState(false);
  const aloud = useCallback(() => {
    const read = last ? `${last.check.title}, ${last.said}, ${last.verdict.words}. ` : '';
    say(spoken(`${read}Next: ${next}`));
  }, [last, next]);
  useEffect(() => {
    if (speaks) aloud();
  }, [speaks, aloud]);

  const about = words && words.kind !== 'waits' ? words.about : undefined;
  const text = useRef('');
  useEffect(() => {
    text.current = words?.text ?? '';
  });
  useEffect(() => {
    if (speaks && about !== undefined) say(spoken(text.current));
  }, [speaks, about]);

  const toggle = useCallback(() => setSpeaks((was) => !was), []);
  return { speaks, aloud, toggle };
}
