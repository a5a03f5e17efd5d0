import { useHotkeys } from 'react-hotkeys-hook';
import { lastStanding } from '@/core/log';
import { type JobLog } from './useLog';

/** `Alt Z` takes back the last line of a job that still stands, wherever the cursor is. */
export function useTakeBackKey(log: JobLog): void {
  useHotkeys(
    'alt+z',
    () => {
      const last = lastStanding(log.entries);
      if (last) log.takeBack(last.id);
    },
    { enableOnFormTags: true, preventDefault: true },
  );
}
