import 'server-only';
import { type Briefing, briefingOf } from '@/core/diagnosis';
import { sheetText } from '@/core/sheet';
import { caseOf } from '@/workshop/job';
import { type Judged, judgedFrom, Keeper } from '@/workshop/job/server';
import { keptWork } from '@/workshop/worked/server';

const briefings = new Keeper<Briefing>();

/** The briefing on a job as it is stored, so that a page has it before any script runs. */
export const loadBriefing = (file: Judged): Promise<Briefing> =>
  briefings.get(file.id, [file.sheet, ...judgedFrom(file)], () =>
    keptWork('briefing', file.id, [sheetText(file.sheet), ...judgedFrom(file)], () =>
      briefingOf(caseOf(file, file.entries)),
    ),
  );
