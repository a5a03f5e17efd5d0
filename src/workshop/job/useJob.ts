import { useMemo } from 'react';
import { type Case } from '@/core/diagnosis';
import { caseOf, type JobFile } from './jobFile';
import { type JobLog, useLog } from './useLog';

/** A job in the browser: its log, and the case that the log makes of it. */
export function useJob(file: JobFile): { readonly log: JobLog; readonly job: Case } {
  const log = useLog(file);
  const job = useMemo(() => caseOf(file, log.entries), [file, log.entries]);
  return { log, job };
}
