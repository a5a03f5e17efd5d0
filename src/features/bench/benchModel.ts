import { type Check, type Context, type Predictions } from '@/core/behaviour';
import { type Case, type Posterior, type ProbeAdvice, transition } from '@/core/diagnosis';
import {
  answerText,
  EntryError,
  expectedText,
  judgeAnswer,
  type LogBody,
  type LogEntry,
  provenBelow,
  readEntry,
  readRefinement,
  type Refinement,
  type TakenReading,
  type Verdict,
} from '@/core/reading';
import { type Picture, type Symptom } from '@/core/picture';
import { changesMade, changeTitle } from '@/features/job';
import { parseQuantity, QuantityError } from '@/core/quantity';
import { type Store } from '@/core/sheet';
import { type SheetChange } from '@/features/sheets/actions';

/** A picture the set may show. */
export interface SeenPicture {
  readonly id: string;
  readonly title: string;
  readonly symptoms: readonly Symptom[];
  readonly picture: Picture;
}

/** What must be done with the set before the focused probe can be made. */
export type Step =
  | { readonly kind: 'do'; readonly body: LogBody; readonly title: string; readonly done: string }
  | { readonly kind: 'prove'; readonly store: Store };

/** Does an instrument send what it reads: a meter, or a tester that counts rings? */
export const isMetered = ({ unit, measure }: Check): boolean => unit !== '' || measure === 'rings';

/** The first step from the bench's context to the one a probe needs; undefined when it is there. */
export function nextStep(job: Case, wanted: Context): Step | undefined {
  const { sheet } = job.predictions.model;
  const proven = new Set(
    job.bench.proofs.flatMap(({ store, volts }) => (Math.abs(volts) < provenBelow ? [store] : [])),
  );
  const steps = transition(sheet, job.bench.context, wanted, () => 0).filter(
    (body) => body.kind !== 'proven' || !proven.has(body.store),
  );
  const [body] = steps;
  if (!body) return undefined;
  switch (body.kind) {
    case 'proven':
      return { kind: 'prove', store: sheet.stores.get(body.store)! };
    case 'power':
      return body.power === 'live'
        ? { kind: 'do', body, title: 'Apply power', done: 'It is live' }
        : { kind: 'do', body, title: 'Pull the plug', done: 'It is unplugged' };
    case 'connector':
      return body.pulled
        ? { kind: 'do', body, title: `Pull ${sheet.connectors.get(body.connector)!.title}`, done: 'It is pulled' }
        : { kind: 'do', body, title: `Put ${sheet.connectors.get(body.connector)!.title} back`, done: 'It is back' };
    case 'intervention':
      return { kind: 'do', body, title: changeTitle(body), done: 'Done' };
    case 'lamp':
      return { kind: 'do', body, title: body.fitted ? 'Put the lamp in series' : 'Take the lamp out', done: 'Done' };
    case 'warmth':
      return body.warm
        ? { kind: 'do', body, title: 'Let it run for ten minutes', done: 'It is warm' }
        : { kind: 'do', body, title: 'Let it cool down', done: 'It is cold' };
    default:
      return undefined;
  }
}

/** What the text in the entry comes to, before it is recorded. */
export type Interpreted =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'wrong'; readonly message: string }
  | {
      readonly kind: 'line';
      readonly body: LogBody;
      readonly said: string;
      readonly reading?: { readonly check: Check; readonly verdict: Verdict };
    }
  | { readonly kind: 'sheet'; readonly change: SheetChange; readonly said: string };

/** What the entry line is read against. */
export interface EntryDesk {
  readonly job: Case;
  readonly focus: Check | undefined;
  readonly step: Step | undefined;
  /** Pictures on offer where the picture is asked for; their number picks them. */
  readonly pictures: readonly SeenPicture[];
  /** A reading being corrected keeps its own context. */
  readonly correcting: TakenReading | undefined;
}

/** Reads the entry line as it is typed: its verdict shows before it is recorded. */
export function interpret(text: string, { job, focus, step, correcting, pictures }: EntryDesk): Interpreted {
  const { predictions, bench } = job;
  const { sheet } = predictions.model;
  if (text.trim() === '') return { kind: 'nothing' };
  if (!correcting) {
    const proof = readProof(text, job, step);
    if (proof) return proof;
  }
  try {
    const refinement = correcting ? undefined : readRefinement(text, { sheet, checks: predictions.checks });
    if (refinement) return refinementOf(refinement, job);
    const numbered = focus?.measure === 'picture' && /^\d+$/.test(text.trim()) ? pictures[Number(text) - 1] : undefined;
    const entry = readEntry(numbered ? numbered.symptoms.join(' ') : text, {
      sheet,
      checks: predictions.checks,
      focus,
    });
    switch (entry.kind) {
      case 'reading': {
        const context = correcting?.context ?? bench.context;
        const misplaced = correcting ? undefined : stateMessage(entry.check, context);
        if (misplaced !== undefined) return { kind: 'wrong', message: misplaced };
        const verdict = judgeAnswer(predictions, entry.check, entry.answer, context);
        return {
          kind: 'line',
          body: { kind: 'reading', check: entry.check.id, answer: entry.answer, text: text.trim() },
          said: answerText(entry.check, entry.answer),
          reading: { check: entry.check, verdict },
        };
      }
      case 'power':
        return entry.power === 'proven'
          ? { kind: 'wrong', message: 'proven dead is a reading: measure each store, like "C812 3"' }
          : { kind: 'line', body: { kind: 'power', power: entry.power }, said: entry.power };
      case 'connector':
        return {
          kind: 'line',
          body: { kind: 'connector', connector: entry.connector, pulled: entry.pulled },
          said: `${entry.connector} ${entry.pulled ? 'pulled' : 'back'}`,
        };
      case 'warmth':
        return { kind: 'line', body: { kind: 'warmth', warm: entry.warm }, said: entry.warm ? 'warm' : 'cold' };
      case 'intervention':
        return bench.context.power === 'live'
          ? { kind: 'wrong', message: 'legs and boards are only moved with the plug out and the stores proven' }
          : { kind: 'line', body: entry, said: changeTitle(entry) };
      case 'lamp':
        return {
          kind: 'line',
          body: { kind: 'lamp', fitted: entry.fitted },
          said: entry.fitted ? 'lamp in' : 'lamp out',
        };
    }
  } catch (error) {
    if (error instanceof EntryError) return { kind: 'wrong', message: error.message };
    throw error;
  }
}

/** What a refinement comes to in the shop's own sheet of the set. */
function refinementOf(entry: Refinement, job: Case): Interpreted {
  if (entry.kind === 'learn') return learnt(entry.check, job);
  const { name, net, where, volts } = entry;
  return {
    kind: 'sheet',
    change: { point: name, net, where, source: 'manual', ...(volts === undefined ? {} : { volts }) },
    said: `a point for ${job.predictions.model.sheet.nets.get(net)!.title}, into the sheet`,
  };
}

/** The last reading of a point as what a good set reads there: only from a set whose picture is right. */
function learnt(check: Check, job: Case): Interpreted {
  const { point } = check;
  const wrong = (message: string): Interpreted => ({ kind: 'wrong', message });
  if (!point || check.unit !== 'V' || point.measure !== 'dc') return wrong(`${check.title} is not read in DC volts`);
  const net = point.net === undefined ? undefined : job.predictions.model.sheet.nets.get(point.net);
  if (net?.source === 'label')
    return wrong(`${check.title} goes by the set's own label: it cannot be learnt for others`);
  const seen = [...job.bench.readings].reverse().find(({ answer }) => answer.kind === 'picture')?.answer;
  if (seen?.kind !== 'picture' || seen.symptoms.some((symptom) => symptom !== 'normal'))
    return wrong('a good value is learnt from a set that works: record its picture as right first (Alt V)');
  const volts = latestNumber(job, check.id);
  if (volts === undefined) return wrong(`measure ${check.title} first: the last reading is what is learnt`);
  return {
    kind: 'sheet',
    change: { point: point.id, volts, source: 'good set' },
    said: `${volts} V is right there, into the sheet`,
  };
}

/** A voltage typed for a store while the plug is out is a proof, not a reading of a rail. */
function readProof(text: string, { bench, predictions }: Case, step: Step | undefined): Interpreted | undefined {
  if (bench.context.power === 'live') return undefined;
  const words = text.trim().split(/\s+/);
  const { stores } = predictions.model.sheet;
  const named = [...stores.values()].find((store) => store.id.toLowerCase() === words[0]!.toLowerCase());
  const bare = step?.kind === 'prove' && /^([-+.,\d]|ol$|open$)/i.test(words[0]!) ? step.store : undefined;
  const store = named ?? bare;
  if (!store || (named && words.length < 2)) return undefined;
  try {
    const { value, unit } = parseQuantity(words.slice(named ? 1 : 0).join(' '));
    if (unit !== undefined && unit !== 'V') return undefined;
    if (!Number.isFinite(value) || Math.abs(value) > 50_000)
      return { kind: 'wrong', message: `${store.id} needs the volts measured across it, like 3` };
    if (Math.abs(value) >= provenBelow)
      return {
        kind: 'wrong',
        message: `${store.id} still holds ${value} V: discharge it through the resistor, then measure again`,
      };
    return {
      kind: 'line',
      body: { kind: 'proven', store: store.id, volts: value },
      said: `${store.id} measured ${value} V`,
    };
  } catch (error) {
    if (error instanceof QuantityError) return { kind: 'wrong', message: error.message };
    throw error;
  }
}

function stateMessage(check: Check, context: Context): string | undefined {
  if (check.state === 'live' && context.power !== 'live')
    return `${check.title} is read on a live set, and this one is marked unplugged: Alt P when power is on`;
  if (check.state === 'cold' && context.power === 'live')
    return `${check.title} is read with the plug out, and this set is marked LIVE: Alt P when it is out`;
  return undefined;
}

/** A line of the readings list. */
export interface ReadingRow {
  readonly reading: TakenReading;
  readonly check: Check;
  readonly verdict: Verdict;
  readonly said: string;
  /** Circumstances that differ from a plain one: `CN802 pulled`, `warm`. */
  readonly circumstances: string;
  readonly corrected: boolean;
}

function circumstancesOf(context: Context): string {
  return [...changesMade(context), ...(context.warm ? ['warm'] : []), ...(context.lamp ? ['lamp in'] : [])].join(', ');
}

/** The readings of a job, the newest first. */
export function readingRows({ predictions, bench }: Case): ReadingRow[] {
  return bench.readings
    .flatMap((reading): ReadingRow[] => {
      const check = predictions.checks.get(reading.check);
      if (!check) return [];
      const verdict = judgeAnswer(predictions, check, reading.answer, reading.context);
      const corrected = reading.entry.supersedes !== undefined;
      return [
        {
          reading,
          check,
          verdict,
          said: answerText(check, reading.answer),
          circumstances: circumstancesOf(reading.context),
          corrected,
        },
      ];
    })
    .reverse();
}

/** The latest plain number read at a point, for comparing siblings. */
export function latestNumber({ bench }: Case, point: string): number | undefined {
  for (const reading of [...bench.readings].reverse()) {
    if (reading.check === point && reading.answer.kind === 'number' && reading.afterRepairs === bench.repairs.length)
      return reading.answer.value;
  }
  return undefined;
}

/** The newest line that still stands and could be taken back; undefined when there is none. */
export function lastStanding(entries: readonly LogEntry[]): LogEntry | undefined {
  const gone = new Set(entries.flatMap((entry) => entry.supersedes ?? []));
  return [...entries].reverse().find((entry) => !gone.has(entry.id) && entry.body.kind !== 'withdrawn');
}

/** How a probe is set up, in one sentence. */
export function instruction(
  predictions: Predictions,
  check: Check,
  context: Context,
): { where: string; expected: string } {
  return { where: check.where, expected: expectedText(predictions, check, context) };
}

/** Choices offered as buttons for a probe that is not a number. */
export function choicesFor(check: Check): readonly string[] {
  switch (check.measure) {
    case 'sign':
      return ['yes', 'weak', 'brief', 'no'];
    case 'look':
      return ['fine', ...check.point!.parts];
    case 'press':
      return ['answers', 'nothing'];
    case 'swap':
      return ['cured', 'same'];
    default:
      return [];
  }
}

/** Why a probe comes first, in a few words. */
export function whyProbe(advice: ProbeAdvice): string {
  if (advice.doubt !== undefined) return 'its reading speaks against all the others: take it again';
  if (advice.saves >= 0.5) return `saves about ${Math.round(advice.saves)} min against repairing now`;
  return advice.bits > 0.5 ? 'splits the suspects well for its time' : 'tells a little';
}

/** Suspects asked whether a rail would be taken away again. */
const asked = 20;

/** Would some likely suspect let a reading rise and then take it away? */
export function mayBeBrief(
  predictions: Predictions,
  { suspects }: Pick<Posterior, 'suspects'>,
  check: Check,
  context: Context,
): boolean {
  return suspects.slice(0, asked).some(({ fault }) => {
    const expectation = predictions.expectation(fault, check, context);
    return expectation.kind === 'number' && expectation.components.some(({ shape }) => shape === 'brief');
  });
}
