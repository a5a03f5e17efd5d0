import { compared as comparedTable, oddText } from '../compare';
import { attempt, Refusal } from '../quantity';
import { sum, sumOf } from '../statistics';
import { replay } from '../log';
import { type Predictions } from '../behaviour';
import { type Case, evidenceIn, posteriorOf, proofOf, reasonsFrom, told, type Verification } from '../diagnosis';
import { dealtWith } from '../repair';
import { answerText } from '../reading';
import { mannerTitles, symptomTitles } from '../picture';

/** A fault note as the record tells it, for the restorer to correct. */
export interface NoteDraft {
  readonly title: string;
  readonly symptom: string;
  readonly cause: string;
  readonly proof: string;
  readonly cure: string;
  readonly misled: string;
  readonly parts: string;
  /** What still reads wrong on a set that shows what it should. */
  readonly accepted: string;
  readonly fault: string | null;
  readonly money: number;
  readonly minutes: number;
}

/** A pause longer than this was not bench time. */
const longestStep = 20;

/** Bench minutes of a log: the time between its lines, pauses left out, and the work of repairs. */
export function benchMinutes(job: Pick<Case, 'bench'>, instants: readonly string[]): number {
  const times = instants.map((instant) => Date.parse(instant) / 60_000);
  const gaps = times.slice(1).map((time, index) => time - times[index]!);
  const measuring = sum(gaps.filter((gap) => gap > 0 && gap <= longestStep));
  return Math.round(measuring + sumOf(job.bench.repairs, ({ repair }) => repair.minutes));
}

/**
 * Writes a fault note from a job: what was complained of, what it was, which readings proved it,
 * what cured it, and what pointed elsewhere first.
 *
 * @param instants times of the log's lines
 */
export function draftNote(job: Case, instants: readonly string[]): NoteDraft {
  const { predictions, bench, complaint } = job;
  const { sheet } = predictions.model;
  const posterior = posteriorOf(job);
  const suspects = told(posterior);
  const last = bench.repairs[bench.repairs.length - 1]?.repair;
  const culprit = suspects.find(({ fault }) => last && dealtWith(sheet, last).has(fault.id)) ?? suspects[0]!;
  const symptom = [
    ...complaint.symptoms.map((one) => symptomTitles[one]),
    ...(complaint.manner === undefined ? [] : [mannerTitles[complaint.manner].toLowerCase()]),
    ...Object.entries(complaint.signs).map(
      ([sign, state]) => `${sheet.signs.get(sign)?.title.toLowerCase() ?? sign}: ${state}`,
    ),
  ].join('; ');
  // What proves it was read before the repair; pictures are told under the symptom.
  const evidence = evidenceIn(posterior)(culprit.fault.id).filter(
    ({ observation }) => observation.cured.size === 0 && observation.check.measure !== 'picture',
  );
  const reasons = reasonsFrom(predictions, evidence);
  // What the owner told and the bench saw alike proves it once.
  const proof = [...new Set(reasons.filter(({ raises }) => raises).map(({ text }) => text))].slice(0, 3);
  const { list, wrong, showsRight } = proofOf(job);
  const changed = list.flatMap(({ check: id, before, after, afterVerdict }) => {
    const check = predictions.checks.get(id)!;
    return after && afterVerdict?.mark === 'within'
      ? [
          `${check.measure === 'picture' ? '' : `${check.title} `}${answerText(check, before.answer)} before, ${answerText(check, after.answer)} after`,
        ]
      : [];
  });
  // Tables that were kept before anything was done.
  const compared = bench.tables.flatMap(({ title, table, afterRepairs }) => {
    const found = attempt(() => comparedTable(table));
    const odd = afterRepairs > 0 || found instanceof Refusal ? undefined : oddText(found);
    return odd === undefined ? [] : [`${title === '' ? 'Compared' : `Compared ${title}`}: ${odd}`];
  });
  const fitted = bench.repairs.flatMap(({ repair }) => {
    const [method, id = ''] = repair.action.split(':');
    // What was resoldered, cleaned or set is the part that was there.
    return method === 'replace' ? (sheet.parts.get(id) ?? []) : [];
  });
  const remembered = [...bench.repairs.map(({ repair }) => repair.note), ...bench.notes.map(({ text }) => text)].filter(
    (note) => note.trim() !== '',
  );
  return {
    title: `${sheet.title}: ${culprit.fault.title}`,
    symptom,
    cause: culprit.fault.title,
    proof: [...proof, ...compared, ...changed].join('. '),
    cure: [bench.repairs.map(({ repair }) => repair.title).join('; then '), ...remembered].filter(Boolean).join('. '),
    misled: misleads(job, culprit.fault.id, proof[0]),
    parts: fitted.map((part) => `${part.id}${part.value === '' ? '' : ` ${part.value}`}`).join(', '),
    accepted: showsRight ? wrong.map((one) => stillWrong(one, predictions)).join('; ') : '',
    fault: culprit.fault.id,
    money: Math.round(bench.spent * 100) / 100,
    minutes: benchMinutes(job, instants),
  };
}

/** A reading that was taken again and is still not right: `Va 61.2 V, should be 65 V ±3 %`. */
function stillWrong({ check: id, after, afterVerdict }: Verification, { checks }: Predictions): string {
  const check = checks.get(id)!;
  return `${check.title} ${answerText(check, after!.answer)}, should be ${afterVerdict!.expected}`;
}

/** A suspect that led with less was a guess among others, and misled nobody. */
const misleading = 0.25;

/**
 * Repairs that did not cure it, and the suspect that led at first where it was another.
 *
 * @param turned what spoke most for the culprit, in words
 */
function misleads(job: Case, culprit: string, turned: string | undefined): string {
  const inVain = job.bench.repairs.slice(0, -1).map(({ repair }) => `${repair.title} did not cure it`);
  const [atFirst] = told(posteriorOf({ ...job, bench: replay([], []) }));
  if (!atFirst || atFirst.fault.id === culprit || atFirst.probability < misleading) return inVain.join('. ');
  const pointed = `At first it pointed at ${atFirst.fault.title} (${Math.round(atFirst.probability * 100)} %)`;
  return [...inVain, turned === undefined ? pointed : `${pointed}, until ${turned}`].join('. ');
}
