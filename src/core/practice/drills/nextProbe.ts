import { type Predictions } from '../../behaviour';
import { adviseOn, type Complaint, type ProbeAdvice, transition } from '../../diagnosis';
import { type LogBody, type LogEntry } from '../../log';
import { symptomTitles } from '../../picture';
import { type Minutes } from '../../quantity';
import { answerText } from '../../reading';
import { familyOf } from '../../sheet';
import { type Random } from '../../statistics';
import { answerFrom } from '../answering';
import { caseAfter, drawHunt } from '../hunts';
import { noise } from '../hunts/noise';
import { type Drill, drillOf, shuffled } from './drill';

/** Hunts are drawn by seeds below this. */
const seeds = 2 ** 30;
/** At most so much was read before it is asked what comes next. */
const mostRead = 2;
/** Another probe is plainly worse where it saves so much less, and at most this share of what the best one saves. */
const plainly: Minutes = 1.5;
const atMost = 0.75;

/** Which of four probes tells most for its minutes, with what is known of a set. */
export function nextProbeDrill({ model: { sheet } }: Predictions, random: Random): Drill | undefined {
  const hunt = drawHunt([sheet], Math.floor(random() * seeds));
  const { predictions, fault, complaint } = hunt;
  const log: LogEntry[] = [];
  const record = (body: LogBody) => log.push({ id: String(log.length), at: '', body });
  const told: string[] = [];
  const reads = Math.floor(random() * (mostRead + 1));
  for (let read = 0; read < reads; read += 1) {
    const job = caseAfter(hunt, log);
    const { next, probes } = adviseOn(job);
    if (next !== 'probe') return undefined;
    const { check, context } = probes[0]!.probe;
    for (const step of transition(sheet, job.bench.context, context, () => 2)) record(step);
    const answer = answerFrom(predictions.expectation(fault, check, context), noise, random);
    record({ kind: 'reading', check: check.id, answer, text: '' });
    told.push(`${check.title} ${answerText(check, answer)}`);
  }
  const { next, probes } = adviseOn(caseAfter(hunt, log));
  const [best, ...others] = probes;
  if (next !== 'probe' || !best) return undefined;
  const worse = others.filter(
    ({ saves, probe }) =>
      best.saves - saves > plainly && saves < atMost * best.saves && probe.check.title !== best.probe.check.title,
  );
  const wrong = shuffled(worse.slice(0, 12), random).slice(0, 3);
  const second = Math.max(0, ...wrong.map(({ saves }) => saves));
  return drillOf(
    {
      skill: 'isolating',
      ask: `${sheet.title}. ${saidOf(complaint)}${told.length > 0 ? ` Read so far: ${told.join('; ')}.` : ''} What next?`,
      picture: { family: familyOf(sheet.technology), symptoms: complaint.symptoms },
      why: whyOf(best, second),
      // The nearer the second best, the more must be weighed.
      difficulty: -0.6 + 2 * (second / best.saves) + 0.3 * told.length,
    },
    titleOf(best),
    wrong.map(titleOf),
    random,
  );
}

const titleOf = ({ probe: { check, isolates } }: ProbeAdvice) =>
  isolates === undefined ? check.title : `${check.title}, with ${isolates} pulled`;

const saidOf = ({ symptoms }: Complaint) => `The owner says: ${symptoms.map((one) => symptomTitles[one]).join(', ')}.`;

function whyOf({ bits, minutes, saves }: ProbeAdvice, second: Minutes): string {
  const saved = `and saves ${saves.toFixed(0)} min on average against mending what is likeliest now`;
  const other =
    second > 0 ? `; the best of the others saves ${second.toFixed(0)}` : '; the others save next to nothing';
  return `It tells ${bits.toFixed(1)} bits for its ${minutes.toFixed(0)} min ${saved}${other}.`;
}
