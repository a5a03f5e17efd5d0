import { type Check, type Context } from '../behaviour';
import { type Case } from '../diagnosis';
import { lineText, type LogBody, storeReading, type TakenReading } from '../log';
import { type Symptom } from '../picture';
import { attempt, Refusal } from '../quantity';
import { answerText, judgeAnswer, type Judgement } from '../reading';
import { type SheetChange, type Store } from '../sheet';
import { type Entry, readEntry } from './entry';
import { learntFrom } from './learnt';
import { linesOfPart, readMeasuredPart } from './measuredPart';
import { readRefinement } from './refinement';
import { type SetStep } from './step';

/** What the text in the entry comes to, before it is recorded. */
export type Interpreted =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'wrong'; readonly message: string }
  | {
      readonly kind: 'line';
      readonly body: LogBody;
      /** What the same words say besides: the other parts of a look. */
      readonly more: readonly LogBody[];
      readonly said: string;
      readonly reading?: { readonly check: Check; readonly verdict: Judgement };
    }
  | {
      readonly kind: 'sheet';
      readonly change: SheetChange;
      readonly said: string;
      /** A line that the sheet answers once it knows what is put in: how the part was measured before. */
      readonly then: string | undefined;
    };

/** What the entry line is read against. */
export interface EntrySituation {
  readonly job: Case;
  readonly focus: Check | undefined;
  readonly step: SetStep | undefined;
  /** Pictures on offer where the picture is asked for; their number picks them. */
  readonly pictures: readonly { readonly symptoms: readonly Symptom[] }[];
  /** A reading being corrected keeps its own context. */
  readonly correcting: TakenReading | undefined;
  /** Is the set brought into the state that a line needs, whatever state it is in? */
  readonly anyState?: boolean;
}

/** Reads the entry line as it is typed: its verdict shows before it is recorded. Never throws for what is typed. */
export function interpret(text: string, situation: EntrySituation): Interpreted {
  if (text.trim() === '') return { kind: 'nothing' };
  const read = attempt(() => interpreted(text.trim(), situation));
  return read instanceof Refusal ? { kind: 'wrong', message: read.message } : read;
}

function interpreted(text: string, situation: EntrySituation): Interpreted {
  const { job, focus, step, correcting, pictures, anyState = false } = situation;
  const { predictions, bench } = job;
  const { checks, model } = predictions;
  const scope = { sheet: model.sheet, checks, focus, bench };
  if (!correcting) {
    const due = dueStore(text, bench.context, step);
    if (due) return lineFor(storeReading(text.split(/\s+/), model.sheet, due));
    const refinement = readRefinement(text, scope);
    if (refinement) {
      const learnt = learntFrom(refinement, job);
      const { change } = learnt;
      const measured = change.kind === 'part' ? bench.parts.findLast(({ ref }) => ref === change.part) : undefined;
      return { kind: 'sheet', ...learnt, then: measured?.line };
    }
  }
  const numbered = focus?.measure === 'picture' && /^\d+$/.test(text) ? pictures[Number(text) - 1] : undefined;
  const typed = numbered ? numbered.symptoms.join(' ') : text;
  const entry = attempt((): Entry => readEntry(typed, scope, correcting || anyState ? undefined : bench.context));
  if (entry instanceof Refusal || isCapacityAsEsr(entry, text)) {
    const part = correcting ? undefined : partByItself(withPart(text, focus), job, anyState);
    if (part) return part;
    if (entry instanceof Refusal) throw entry;
  }
  if (entry.kind === 'change') return lineFor(entry.body);
  const { check, answer, more } = entry;
  const context = correcting?.context ?? bench.context;
  if (!correcting && !anyState) requireState(check, context);
  return {
    kind: 'line',
    body: { kind: 'reading', check: check.id, answer, text },
    more: more.map((one) => ({ kind: 'reading', check: check.id, answer: one, text })),
    said: [answer, ...more].map((one) => answerText(check, one)).join(', '),
    reading: { check, verdict: judgeAnswer(predictions, check, answer, context) },
  };
}

/** Was a capacity typed where its ESR is asked for? Micro-ohms are measured by nobody. */
const isCapacityAsEsr = (entry: Entry, text: string) =>
  entry.kind === 'reading' && entry.check.measure === 'esr' && /\d\s*[unpµ]f?$/i.test(text);

/** A bare value is one of the part that the probe in front is for. */
function withPart(text: string, focus: Check | undefined): string {
  const [part] = focus?.point?.parts.length === 1 ? focus.point.parts : [];
  return part !== undefined && /^\d\S*$/.test(text) ? `${part} ${text}` : text;
}

/** A part measured by itself, whether or not the sheet knows it; undefined where the text is no such thing. */
function partByItself(text: string, { predictions, bench }: Case, anyState: boolean): Interpreted | undefined {
  const measured = readMeasuredPart(text, predictions.model.sheet, bench.parts);
  if (!measured) return undefined;
  const { check, verdict } = measured;
  if (!anyState && bench.context.power === 'live')
    throw new Refusal(`${check.ref} is measured with the plug out, and this set is marked LIVE: Alt P when it is out`);
  const isKept = bench.parts.some(({ line }) => line === text);
  const lines = linesOfPart(text, measured, predictions.checks, false);
  const [body, ...more] = isKept && lines.length > 1 ? lines.slice(1) : lines;
  return body && { kind: 'line', body, more, said: `${check.ref}: ${verdict.words}` };
}

const lineFor = (body: LogBody): Interpreted => ({
  kind: 'line',
  body,
  more: [],
  said: lineText(body),
});

/** The store that a bare voltage belongs to: the one that is to be proven, with the plug out. */
const dueStore = (text: string, { power }: Context, step: SetStep | undefined): Store | undefined =>
  step?.kind === 'prove' && power !== 'live' && /^([-+.,\d]|ol$|open$)/i.test(text) ? step.store : undefined;

/** @throws Refusal where the set is not as the check needs it */
function requireState(check: Check, { power }: Context): void {
  if (check.state === 'live' && power !== 'live')
    throw new Refusal(`${check.title} is read on a live set, and this one is marked unplugged: Alt P when power is on`);
  if (check.state === 'cold' && power === 'live')
    throw new Refusal(`${check.title} is read with the plug out, and this set is marked LIVE: Alt P when it is out`);
}
