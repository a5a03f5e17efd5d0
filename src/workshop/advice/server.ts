import 'server-only';
import { type Briefing, briefingOf } from '@/core/diagnosis';
import { caseOf, type JobFile } from '@/workshop/job';
import { judgedFrom, Keeper } from '@/workshop/job/server';

const briefings = new Keeper<Briefing>();

/** The briefing on a job as it is stored, so that a page has it before any script runs. */
export const loadBriefing = (file: JobFile): Promise<Briefing> =>
  briefings.get(file.id, judgedFrom(file), () => briefingOf(caseOf(file, file.entries)));
