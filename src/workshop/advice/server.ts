import 'server-only';
import { type Briefing, briefingOf } from '@/core/diagnosis';
import { sheetText } from '@/core/sheet';
import { caseOf, type JobFile } from '@/workshop/job';
import { judgedFrom, Keeper } from '@/workshop/job/server';
import { keptWork } from '@/workshop/worked/server';

const briefings = new Keeper<Briefing>();

/** The briefing on a job as it is stored, so that a page has it before any script runs. */
export const loadBriefing = (file: JobFile): Promise<Briefing> => {
  const [sheet, ...rest] = judgedFrom(file);
  return briefings.get(file.id, [sheet, ...rest], () =>
    keptWork('briefing', file.id, [sheetText(file.sheet), ...rest], () => briefingOf(caseOf(file, file.entries))),
  );
};
