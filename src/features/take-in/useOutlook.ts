import { useEffect, useRef, useState } from 'react';
import { type Complaint, type Outlook } from '@/core/diagnosis';
import { type Sheet } from '@/core/sheet';
import { Advisor } from '@/workers/advisor';

/**
 * What a complaint points at, worked out in a worker: the sheet takes a second to think about, and the
 * page is filled in meanwhile.
 *
 * @returns the last one worked out for this sheet; undefined until the first is there
 */
export function useOutlook(
  sheet: Sheet,
  complaint: Complaint,
  closed: ReadonlyMap<string, number>,
  hourlyRate: number,
): Outlook | undefined {
  const advisor = useRef<Advisor>(undefined);
  const [known, setKnown] = useState<{ readonly sheet: Sheet; readonly outlook: Outlook }>();
  useEffect(() => {
    const mine = new Advisor(sheet);
    advisor.current = mine;
    return () => mine.close();
  }, [sheet]);
  useEffect(() => {
    advisor.current?.outlook({ complaint, closed, hourlyRate }, (outlook) => setKnown({ sheet, outlook }));
  }, [sheet, complaint, closed, hourlyRate]);
  return known?.sheet === sheet ? known.outlook : undefined;
}
