import { isGuess } from '../../sheet';
import { type Predictions } from '../../behaviour';
import { changesMade } from '../../log';
import { answerText, expectedText } from '../../reading';
import {
  type Case,
  evidenceIn,
  likeliestInside,
  type Observation,
  reasonsFrom,
  restsOn,
  told,
  toldChance,
  toldTogether,
} from '../belief';
import { adviseOn } from './advice';
import { type Briefing } from './briefed';
import { foundParts } from './found';
import { isolationOf } from './isolation';

/** So many leading suspects say why they are. */
const explained = 6;
/** Sets of several faults less likely than this are not mentioned. */
const setShown = 0.15;
/** A donor’s board less likely bad than this is not mentioned. */
const donorShown = 0.2;
/** A leading suspect this likely says on what it rests. */
const leadingFrom = 0.5;

/** What is to be said of a case now. */
export function briefingOf(job: Case): Briefing {
  const { predictions, bench } = job;
  const advice = adviseOn(job);
  const { posterior, next, repairNow, curedChance } = advice;
  const together = toldTogether(posterior);
  const evidenceOf = evidenceIn(posterior);
  const alone = restsOn(posterior);
  const found = foundParts(job);
  const suspects = told(posterior);
  const leads = (suspects[0]?.probability ?? 0) >= leadingFrom;
  return {
    next,
    repairNow,
    curedChance,
    switchings: advice.switchings,
    dormant: advice.dormant,
    harmNow: advice.harmNow,
    suspects: suspects.map(({ fault, ...suspect }) => ({ fault: fault.id, ...suspect })),
    probes: advice.probes.map(({ probe: { check, ...probe }, ...worth }) => ({ ...probe, check: check.id, ...worth })),
    repairs: advice.repairs.map(({ action: { id, cures }, chance, minutes }) => ({
      action: id,
      chance: toldChance(suspects, cures, chance),
      minutes,
    })),
    reasons: Object.fromEntries(
      suspects.slice(0, explained).map(({ fault: { id } }) => [id, reasonsFrom(predictions, evidenceOf(id))]),
    ),
    together:
      together && together.probability > setShown
        ? { titles: together.faults.map(({ title }) => title), probability: together.probability }
        : undefined,
    found,
    // What was read anew since needs no third reading.
    doubts: posterior.doubts
      .filter(({ observation }) => !observation.readSince)
      .map(({ observation, chance }) => ({
        entry: observation.entry!,
        ofPart: found.some(({ entry }) => entry === observation.entry),
        said: observationText(predictions, observation),
        chance,
        twice: observation.times > 1,
        own: ownVolts(predictions, observation),
      })),
    badDonors: [...posterior.badDonors]
      .filter(([, chance]) => chance >= donorShown)
      .map(([board, chance]) => ({ board: predictions.model.sheet.boards.get(board)!.title, chance })),
    alone:
      alone && leads && !posterior.doubts.some(({ observation }) => observation === alone)
        ? observationText(predictions, alone)
        : undefined,
    isolation: isolationOf(job, posterior),
    inside: likeliestInside(predictions.model.sheet, posterior, predictions.checks, bench),
  };
}

/** `rail vpos 24.1`: what to type where a rail that the sheet only guesses is so on sets of this chassis. */
function ownVolts({ model: { sheet } }: Predictions, { check, answer }: Observation): string | undefined {
  const net = sheet.nets.get(check.point?.net ?? '');
  if (
    !net ||
    !isGuess(check.point, net) ||
    check.measure !== 'dc' ||
    answer.kind !== 'number' ||
    !Number.isFinite(answer.value)
  )
    return undefined;
  return Math.abs(answer.value) < halfAlive * Math.abs(net.volts)
    ? undefined
    : `rail ${net.id} ${Number(answer.value.toPrecision(3))}`;
}

/** A rail at less of what it usually is than this is no other rail: it has failed. */
const halfAlive = 0.5;

/** `Vscan -121.4 V, a good set gives -168 V ±3 %, with CN802 pulled`. */
function observationText(predictions: Predictions, { check, answer, context }: Observation): string {
  const given = answerText(check, answer);
  const good = expectedText(predictions, check, context);
  const changes = changesMade(context);
  return [
    `${check.title} ${given}`,
    ...(given === good ? [] : [`a good set gives ${good}`]),
    ...(changes.length > 0 ? [`with ${changes.join(', ')}`] : []),
  ].join(', ');
}
