import { type Case, changeCost, renewedBy, transition } from '../../diagnosis';
import { asBuilt, type Check, type Context, liveCold, withConnector, withIntervention } from '../../behaviour';
import { type LogBody, type LogEntry, replay } from '../../log';
import { type Answer } from '../../measure';
import { type Minutes, Refusal } from '../../quantity';
import { type RepairAction, repairActions } from '../../repair';
import { harmsOf } from '../../safety';
import { type Sheet } from '../../sheet';
import { seeded } from '../../statistics';
import { answerFrom } from '../answering';
import { putsRight } from '../worlds/openHunt';
import { type Consequence, harmedBy, slipOfMoving, slipOfProbing, slipOfWorking } from './consequences';
import { type PracticeHunt } from './drawHunt';
import { noise } from './noise';

/** What is done in a hunt, one thing at a time. */
export type HuntAct =
  | { readonly kind: 'power'; readonly to: Context['power'] }
  | { readonly kind: 'lamp' | 'isolation'; readonly fitted: boolean }
  /** A connector pulled or put back; a leg of a part lifted or soldered back. */
  | { readonly kind: 'connector'; readonly connector: string; readonly pulled: boolean }
  | { readonly kind: 'leg'; readonly part: string; readonly lifted: boolean }
  /** Left running until everything has its heat. */
  | { readonly kind: 'warm' }
  | { readonly kind: 'probe'; readonly check: string }
  | { readonly kind: 'repair'; readonly action: string }
  /** Says which part is suspected, and how sure of it one is, as a share of 1; the set knows nothing of it. */
  | { readonly kind: 'suspect'; readonly part: string; readonly sure: number }
  | { readonly kind: 'give up' };

/** An act with what came of it. */
export interface HuntStep {
  readonly act: HuntAct;
  /** What was read, by which check and in which context; undefined where nothing was. */
  readonly read?: { readonly check: Check; readonly answer: Answer; readonly context: Context };
  /** Whether it put something right, and whether nothing is wrong any more. */
  readonly repair?: RepairAction & { readonly helped: boolean; readonly cured: boolean };
  /** Bench time with parts, as minutes at the shop’s rate; what went wrong is not in it. */
  readonly minutes: Minutes;
  readonly consequences: readonly Consequence[];
  /** Lines of the log before this step. */
  readonly from: number;
}

/** A hunt as it stands. */
export interface PlayedHunt {
  readonly steps: readonly HuntStep[];
  readonly log: readonly LogEntry[];
  readonly context: Context;
  readonly isolated: boolean;
  readonly minutes: Minutes;
  readonly money: number;
  /** What was done to the set and to oneself, reckoned in minutes. */
  readonly harm: Minutes;
  readonly ended: 'cured' | 'given up' | 'out of time' | undefined;
}

/** What an hour is reckoned at where no shop is asked. */
export const practiceRate = 20;
/** Plug out; the mains lamp or the transformer put in or out; power up and a look after a repair. */
const moved = { unplugging: 1, fitting: 1, looking: 3.5 } as const;

/** The case that the first lines of a hunt make. */
export function caseAfter({ predictions, complaint }: PracticeHunt, log: readonly LogEntry[]): Case {
  const bench = replay(log, [...predictions.model.sheet.stores.keys()]);
  return { predictions, complaint, bench, closed: new Map(), hourlyRate: practiceRate };
}

/** Bench minutes of a repair with its parts. */
export const repairMinutes = ({ minutes, money }: Pick<RepairAction, 'minutes' | 'money'>): Minutes =>
  minutes + (60 * money) / practiceRate;

/** The line that moves a connector or a leg, and the context after it. @throws Refusal where the sheet has none of the name */
function movedBy(
  act: Extract<HuntAct, { readonly kind: 'connector' | 'leg' }>,
  { title, connectors, parts }: Sheet,
  here: Context,
): [LogBody, Context] {
  if (act.kind === 'connector') {
    const { connector, pulled } = act;
    if (!connectors.has(connector)) throw new Refusal(`${title} has no connector "${connector}"`);
    return [{ kind: 'connector', connector, pulled }, withConnector(here, connector, pulled)];
  }
  const { part, lifted } = act;
  if (!parts.has(part)) throw new Refusal(`${title} has no part "${part}"`);
  return [
    { kind: 'intervention', change: 'lifted', target: part, on: lifted },
    withIntervention(here, 'lifted', part, lifted),
  ];
}

/**
 * Plays a hunt from its beginning: the same acts on the same set always come to the same.
 *
 * @throws Refusal where an act names a check, a repair or a part the sheet does not have, or comes after the end
 */
export function playHunt(hunt: PracticeHunt, acts: readonly HuntAct[]): PlayedHunt {
  const { predictions, seed, limit = Infinity } = hunt;
  const { sheet } = predictions.model;
  const set = hunt.set();
  const mended = new Set<string>();
  const log: LogEntry[] = [];
  const steps: HuntStep[] = [];
  let ended: PlayedHunt['ended'];
  let money = 0;
  let clock = 0;
  const record = (...bodies: readonly LogBody[]) => {
    for (const body of bodies)
      log.push({ id: `practice-${String(log.length).padStart(4, '0')}`, at: '1970-01-01T00:00:00Z', body });
  };
  const play = (act: HuntAct, place: number): Omit<HuntStep, 'from'> => {
    const { bench } = caseAfter(hunt, log);
    const here = bench.context;
    const scene = { sheet, bench };
    /** What being live does, by the fuses that were renewed. */
    const suffered = (from: Context, to: Context, reading: Minutes): Consequence[] => {
      if (to.power !== 'live') return [];
      const renewed = renewedBy(predictions, new Set(bench.repairs.flatMap(({ repair }) => repair.cures)));
      return harmedBy(harmsOf(set.behaviour(to, mended), renewed), from, to, reading);
    };
    switch (act.kind) {
      case 'power': {
        const to = { ...here, power: act.to };
        if (here.power === act.to) return { act, minutes: 0, consequences: [] };
        if ((here.power === 'live') !== (act.to === 'live')) set.turn();
        if (act.to === 'proven') {
          if (here.power === 'live') record({ kind: 'power', power: 'unplugged' });
          // Every store is discharged and then measured.
          for (const store of sheet.stores.keys()) record({ kind: 'store', store, volts: 2 });
        } else record({ kind: 'power', power: act.to });
        const unplugging = act.to === 'unplugged';
        return {
          act,
          minutes: unplugging ? moved.unplugging : changeCost(sheet, here, to),
          consequences: suffered(here, to, 0),
        };
      }
      case 'lamp':
      case 'isolation': {
        if (here.power === 'live')
          throw new Refusal(
            `the plug is in: take it out first, then put the ${act.kind === 'lamp' ? 'lamp' : 'transformer'} in or out`,
          );
        record({ kind: act.kind, fitted: act.fitted });
        return { act, minutes: moved.fitting, consequences: [] };
      }
      case 'connector':
      case 'leg': {
        const slip = slipOfMoving(act.kind, scene);
        const [line, to] = movedBy(act, sheet, here);
        if (slip) return { act, minutes: 0, consequences: [slip] };
        record(line);
        return { act, minutes: changeCost(sheet, here, to), consequences: [] };
      }
      case 'warm': {
        const to = { ...here, warm: true };
        if (here.power !== 'live') throw new Refusal('the plug is out: power first, then let it run');
        if (here.warm) return { act, minutes: 0, consequences: [] };
        record({ kind: 'warmth', warm: true });
        return { act, minutes: changeCost(sheet, here, to), consequences: suffered(here, to, 0) };
      }
      case 'probe': {
        const check = predictions.checks.get(act.check);
        if (!check) throw new Refusal(`${sheet.title} has no point "${act.check}"`);
        const slip = slipOfProbing(check, scene);
        if (slip) return { act, minutes: check.minutes, consequences: [slip] };
        const random = seeded(seed + 7919 * (place + 1));
        const answer = answerFrom(set.expectation(check, here, mended), noise, random);
        record({ kind: 'reading', check: check.id, answer, text: '' });
        return {
          act,
          read: { check, answer, context: here },
          minutes: check.minutes,
          consequences: suffered(here, here, check.minutes),
        };
      }
      case 'repair': {
        const action = repairActions(sheet).find(({ id }) => id === act.action);
        if (!action) throw new Refusal(`${sheet.title} has no repair "${act.action}"`);
        const slip = slipOfWorking(scene);
        if (slip) return { act, minutes: 0, consequences: [slip] };
        const left = hunt.faults.filter(({ id }) => !mended.has(id));
        const found = seeded(seed + 104_729 * (place + 1));
        for (const one of left) if (putsRight(action, one, sheet, found)) mended.add(one.id);
        const helped = left.some(({ id }) => mended.has(id));
        const cured = mended.size === hunt.faults.length;
        const { id, title, listed, minutes } = action;
        record({ kind: 'repair', action: id, title, cures: listed, money: action.money, minutes, note: '' });
        money += action.money;
        // What a repair did is seen at once: all put back, power on, and a look.
        const lit = { ...liveCold, lamp: here.lamp };
        const whole = { ...asBuilt(here), power: here.power };
        record(...transition(sheet, here, whole, () => 2));
        set.turn();
        record({ kind: 'power', power: 'live' });
        const picture = predictions.checks.get('picture')!;
        const seen = answerFrom(set.expectation(picture, lit, mended), 0, seeded(seed + place));
        record({ kind: 'reading', check: 'picture', answer: seen, text: '' });
        if (cured) ended = 'cured';
        return {
          act,
          repair: { ...action, helped, cured },
          minutes: repairMinutes(action) + changeCost(sheet, here, whole) + moved.looking,
          consequences: cured ? [] : suffered(here, lit, picture.minutes),
        };
      }
      case 'suspect': {
        if (!sheet.parts.has(act.part)) throw new Refusal(`${sheet.title} has no part "${act.part}"`);
        if (!(act.sure > 0 && act.sure < 1)) throw new Refusal('sureness is more than 0 % and less than 100 %');
        return { act, minutes: 0, consequences: [] };
      }
      case 'give up':
        ended = 'given up';
        return { act, minutes: 0, consequences: [] };
    }
  };
  let place = 0;
  acts.forEach((act) => {
    if (ended) throw new Refusal('the hunt is over');
    const from = log.length;
    const step = play(act, place);
    // What is said leaves the noise of what is read as it would have been.
    if (act.kind !== 'suspect') place += 1;
    steps.push({ ...step, from });
    clock += step.minutes + step.consequences.reduce((total, { minutes }) => total + minutes, 0);
    if (clock >= limit) ended ??= 'out of time';
  });
  const { bench } = caseAfter(hunt, log);
  const sum = (pick: (step: HuntStep) => number) => steps.reduce((total, step) => total + pick(step), 0);
  return {
    steps,
    log,
    context: bench.context,
    isolated: bench.isolated,
    minutes: sum(({ minutes }) => minutes),
    money,
    harm: sum(({ consequences }) => consequences.reduce((total, { minutes }) => total + minutes, 0)),
    ended,
  };
}
