'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type JobFile, type JobLog } from '@/features/job';
import { useMeter } from '@/features/meter';
import { sound } from '@/ui';
import { mayBeBrief } from './benchModel';
import { type useBench } from './useBench';

/** How long a value must stand where some suspect would take it away again, in seconds. */
const patience = 2.2;

/**
 * The meter on the bench: what is asked is read from it, recorded when it settles, and sounded by its
 * verdict, so that no key is needed between one probe and the next.
 */
export function useBenchMeter(file: JobFile, log: JobLog, desk: ReturnType<typeof useBench>) {
  const [on, setOn] = useState(false);
  const { check, step, correcting, job, advice, text, choose, wanted, rows } = desk;
  const numeric = check !== undefined && check.unit !== '';
  const listens = on && numeric && !step && !correcting && text === '' && log.waiting.size === 0;
  const address = listens
    ? `/api/meter/${file.id}?check=${encodeURIComponent(check.id)}&after=${job.bench.readings.length}`
    : undefined;
  const view = useMeter(
    address,
    listens && mayBeBrief(job.predictions, advice.posterior, check, wanted) ? patience : 0,
    (reading) => {
      if (!check) return;
      log.record([
        {
          body: {
            kind: 'reading',
            check: check.id,
            answer: { kind: 'number', value: reading.value, shape: reading.shape },
            text: 'simulated meter',
          },
        },
      ]);
      choose(undefined);
    },
  );
  const heard = useRef(rows.length);
  useEffect(() => {
    if (on && rows.length > heard.current) sound(rows[0]!.verdict.mark);
    heard.current = rows.length;
  }, [on, rows]);
  const toggle = useCallback(() => setOn((was) => !was), []);
  return { on, /** Is there a figure to show? */ reads: on && numeric && !step, view, toggle };
}
