import 'server-only';
import { type Briefing, briefingOf } from '@/core/diagnosis';
import { caseOf, type JobFile } from '@/workshop/job';

/** The briefing on a job as it is stored, so that a page has it before any script runs. */
export const loadBriefing = (file: JobFile): Briefing => briefingOf(caseOf(file, file.entries));
