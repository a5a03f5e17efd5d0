import { sumOf } from '@/core/statistics';
import { type JobStep, stepOf } from '@/core/job';
import { familyOf } from '@/core/sheet';
import { adviseOn, type Case, told, verificationOf, verified } from '@/core/diagnosis';
import { type Picture, type Symptom, symptomTitles } from '@/core/picture';
import { waitingTitles, type WaitingFor } from '@/workshop/job';
import { chanceText } from '@/ui';

/** A set on the queue: where it stands and what is next. */
export interface QueueRow {
  readonly id: string;
  readonly title: string;
  readonly place: string;
  readonly owner: string;
  readonly chassis: string;
  readonly family: Picture['family'];
  readonly symptoms: readonly Symptom[];
  readonly symptomText: string;
  readonly step: JobStep;
  /** The thing to do next, and why or how long. */
  readonly next: string;
  readonly nextDetail: string;
  readonly leader: { readonly title: string; readonly probability: number } | undefined;
  readonly limit: number;
  readonly spent: number;
  readonly since: string;
  readonly live: boolean;
}

/** What a row needs of a stored job. */
export interface QueuedJob {
  readonly id: string;
  readonly title: string;
  readonly place: string;
  readonly owner: string;
  readonly limit: number;
  readonly createdAt: string;
  readonly waiting: { readonly for: WaitingFor; readonly note: string; readonly until: string } | null;
}

/** One row of the queue. */
export function queueRow(job: QueuedJob, file: Case): QueueRow {
  const { predictions, bench, complaint } = file;
  const { sheet } = predictions.model;
  const advice = adviseOn(file);
  const proof = verified(verificationOf(file));
  const soaking = job.waiting?.for === 'soak';
  const step = stepOf({ bench, verified: proof, soaking, closed: false });
  const picture = [...bench.readings].reverse().find(({ answer }) => answer.kind === 'picture');
  const symptoms = picture?.answer.kind === 'picture' ? picture.answer.symptoms : complaint.symptoms;
  const suspects = told(advice.posterior.suspects);
  const leader = suspects.find(({ cured, probability }) => !cured && probability > 0.5) ?? suspects[0];
  return {
    id: job.id,
    title: job.title,
    place: job.place,
    owner: job.owner,
    chassis: sheet.title,
    family: familyOf(sheet.technology),
    symptoms,
    symptomText: symptoms.map((symptom) => symptomTitles[symptom]).join(', ') || 'No picture told',
    step,
    ...nextOf(job, advice, step),
    leader:
      leader && !leader.cured && bench.readings.length > 0
        ? { title: leader.fault.title, probability: leader.probability }
        : undefined,
    limit: job.limit,
    spent: sumOf(bench.repairs, ({ repair }) => repair.money),
    since: job.createdAt,
    live: bench.context.power === 'live',
  };
}

function nextOf(
  job: QueuedJob,
  advice: ReturnType<typeof adviseOn>,
  step: JobStep,
): { next: string; nextDetail: string } {
  if (job.waiting)
    return {
      next: waitingTitles[job.waiting.for],
      nextDetail: [job.waiting.note, job.waiting.until === '' ? '' : `until ${job.waiting.until}`]
        .filter(Boolean)
        .join(', '),
    };
  if (step === 'verified') return { next: 'Close it', nextDetail: 'every wrong reading is right again' };
  if (advice.next === 'verify') return { next: 'Verify the repair', nextDetail: 'measure again what was wrong' };
  const [repair] = advice.repairs;
  if (advice.next === 'act' && repair)
    return { next: repair.action.title, nextDetail: `cures it with ${chanceText(repair.chance)}` };
  const [probe] = advice.probes;
  return probe
    ? { next: probe.probe.check.title, nextDetail: `${Math.round(probe.minutes)} min` }
    : { next: 'Open it', nextDetail: '' };
}
