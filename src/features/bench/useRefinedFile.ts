import { useCallback, useState } from 'react';
import { type JobFile } from '@/workshop/job';
import { type Refined } from '@/workshop/library';

/**
 * The job as it was sent, with the sheet as it has been refined since: the same object until a page comes that has a
 * newer one, so that nothing is worked out twice.
 */
export function useRefinedFile(sent: JobFile) {
  const [own, setOwn] = useState<JobFile>();
  const take = useCallback(({ sheet, version }: Refined) => setOwn({ ...sent, sheet, sheetVersion: version }), [sent]);
  const isNewest = own?.id === sent.id && own.sheetVersion >= sent.sheetVersion;
  return { file: own && isNewest ? own : sent, take };
}
