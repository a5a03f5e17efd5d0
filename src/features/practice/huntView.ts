import { type Check } from '@/core/behaviour';
import { adviseOn } from '@/core/diagnosis';
import {
  brierOf,
  caseAfter,
  type Consequence,
  type Debrief,
  type DebriefedDecision,
  debriefOf,
  type HuntAct,
  type HuntStep,
  type PlayedHunt,
  playHunt,
  type PracticeHunt,
  type Trouble,
} from '@/core/practice';
import { type Symptom, symptomTitles } from '@/core/picture';
import { Refusal } from '@/core/quantity';
import { answerText, judgeAnswer } from '@/core/reading';
import { repairActions } from '@/core/repair';
import { familyOf, isListed, partName, type Sheet, type Technology } from '@/core/sheet';
import { readingRows } from '@/core/job';
import { type MarkName } from '@/ui';
import { type DrawnLine, drawnLine, type Line } from '@/workshop/line';

/** What sets one may ask to practise on. */
export const aims = {
  any: 'Any set',
  tube: 'CRT sets',
  panel: 'Plasmas',
  light: 'Lamp projectors',
} as const;
export type Aim = keyof typeof aims;

/** What may be wrong with a set that one asks for, in a word and in a sentence. */
export const troubles: Readonly<Record<Trouble, { readonly title: string; readonly tell: string }>> = {
  one: { title: 'One part', tell: 'One part is bad, and does what its sheet says.' },
  several: {
    title: 'Several parts',
    tell: 'A part and what it took with it, or several of one kind and age: right only when all of them are.',
  },
  degrees: {
    title: 'Fails by degrees',
    tell: 'A dead rail floats or keeps a part of its volts, a part is off by a little: the sheet says it plainer than it is.',
  },
  intermittent: {
    title: 'Comes and goes',
    tell: 'It is drawn anew with each switching on: a right picture proves little.',
  },
  unlisted: {
    title: 'On no sheet',
    tell: 'What is bad is on no sheet: find its block, then go through that part by part.',
  },
  meddled: {
    title: 'After an earlier hand',
    tell: 'Beside the fault a trimmer is turned, a plug or screw loose, something left out.',
  },
};

/** A place that can be probed. */
export interface HuntCheck {
  readonly id: string;
  /** The net that it is read on, with the meter; undefined where it is of a part or of the set. */
  readonly net: string | undefined;
  readonly title: string;
  readonly where: string;
  readonly state: Check['state'];
  readonly minutes: number;
  readonly words: string;
}

export interface HuntRepair {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
  readonly money: number;
}

/** A connector that can be pulled. */
export interface HuntConnector {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
  readonly pulled: boolean;
}

/** A part that may be suspected. */
export interface HuntPart {
  readonly id: string;
  readonly title: string;
}

export interface HuntRow {
  readonly title: string;
  readonly value: string;
  readonly mark: MarkName | undefined;
  /** The verdict, or what a repair came to. */
  readonly words: string;
  readonly expected: string;
  readonly minutes: number;
  readonly consequences: readonly Consequence[];
}

/** A decision looked back on, in words with its figures. */
export interface DebriefRow {
  readonly title: string;
  readonly words: string;
  readonly bits: number;
  readonly minutes: number;
  readonly loss: number;
  readonly slips: number;
  readonly luck: number;
}

/** A suspect that was named, beside what could be known then. */
export interface StatementRow {
  readonly title: string;
  readonly sure: number;
  readonly stood: number;
  readonly right: boolean;
}

export interface DebriefView {
  readonly culprit: string;
  readonly summary: string;
  readonly rows: readonly DebriefRow[];
  readonly own: number;
  readonly lost: number;
  readonly slips: number;
  readonly luck: number;
  readonly expected: number;
  readonly statements: readonly StatementRow[];
  /** How well sureness went with what was so, in a sentence; empty where no suspect was named. */
  readonly sureness: string;
  /** The mean square of the gap, from 0 to 1. */
  readonly brier: number | undefined;
  readonly planner: Debrief['planner'];
}

/** A hunt as its page shows it. Where it is not over, nothing in it tells what is wrong. */
export interface HuntView {
  readonly set: string;
  readonly family: ReturnType<typeof familyOf>;
  readonly symptoms: readonly Symptom[];
  readonly complaint: string;
  readonly power: PlayedHunt['context']['power'];
  readonly lamp: boolean;
  readonly isolated: boolean;
  readonly warm: boolean;
  readonly connectors: readonly HuntConnector[];
  /** Parts with a leg lifted, by their ids. */
  readonly lifted: readonly string[];
  readonly minutes: number;
  readonly money: number;
  readonly harm: number;
  readonly rows: readonly HuntRow[];
  readonly ended: PlayedHunt['ended'];
  readonly checks: readonly HuntCheck[];
  readonly repairs: readonly HuntRepair[];
  readonly parts: readonly HuntPart[];
  /** The line of the set with what was read on it; undefined where no line was laid out. */
  readonly line: DrawnLine | undefined;
  readonly debrief: DebriefView | undefined;
}

/** The sets that are meant by an aim. */
export const setsFor = (sheets: Iterable<Sheet>, aim: Aim): Sheet[] =>
  [...sheets].filter(({ technology }) => aim === 'any' || aim === aimOf(technology));

const aimOf = (technology: Technology): Aim => familyOf(technology);

/** @param line of the set, as it is laid out */
export function huntViewOf(hunt: PracticeHunt, acts: readonly HuntAct[], line?: Line): HuntView {
  const played = playHunt(hunt, acts);
  const { sheet } = hunt.predictions.model;
  const { symptoms, signs } = hunt.complaint;
  const told = [
    ...symptoms.map((symptom) => symptomTitles[symptom]),
    ...Object.entries(signs).map(([sign, state]) => `${sheet.signs.get(sign)!.title}: ${state}`),
  ];
  return {
    set: sheet.title,
    family: familyOf(sheet.technology),
    symptoms,
    complaint: told.join(' · '),
    power: played.context.power,
    lamp: played.context.lamp,
    isolated: played.isolated,
    warm: played.context.warm,
    connectors: [...sheet.connectors.values()].map(({ id, title, minutes }) => ({
      id,
      title: title.includes(id) ? title : `${id}, ${title}`,
      minutes,
      pulled: played.context.unplugged.includes(id),
    })),
    lifted: played.context.lifted,
    minutes: played.minutes,
    money: played.money,
    harm: played.harm,
    rows: played.steps.map((step) => rowOf(hunt, step)),
    ended: played.ended,
    checks: [...hunt.predictions.checks.values()].map(
      ({ id, title, where, state, minutes, aliases, point, measure }) => ({
        id,
        net: measure === 'ohms' ? undefined : point?.net,
        title,
        where,
        state,
        minutes,
        words: [id, title, where, ...aliases].join(' ').toLowerCase(),
      }),
    ),
    repairs: repairActions(sheet)
      .filter(({ listed }) => listed.length > 0)
      .map(({ id, title, minutes, money }) => ({ id, title, minutes, money })),
    parts: [...new Set([...sheet.faults.values()].filter(isListed).map(({ part }) => part))].map((id) => ({
      id,
      title: titleOfPart(hunt, id),
    })),
    line: line && lineOf(hunt, played, line),
    debrief: played.ended && debriefView(hunt, played),
  };
}

/** Nobody’s suspicion is shown on it: that is for the learner to say. */
function lineOf(hunt: PracticeHunt, { log }: PlayedHunt, line: Line): DrawnLine {
  const job = caseAfter(hunt, log);
  return drawnLine(line, job, readingRows(job), []);
}

const titleOfPart = ({ predictions }: PracticeHunt, id: string): string =>
  partName(predictions.model.sheet.parts.get(id)!);

const powerTitles = { live: 'Power on', unplugged: 'Plug out', proven: 'Plug out, stores discharged and measured' };

function titleOf({ act, read, repair }: HuntStep, hunt: PracticeHunt): string {
  switch (act.kind) {
    case 'power':
      return powerTitles[act.to];
    case 'lamp':
      return act.fitted ? 'Lamp in series' : 'Lamp out';
    case 'isolation':
      return act.fitted ? 'Isolating transformer in' : 'Isolating transformer out';
    case 'connector':
      return `${act.connector} ${act.pulled ? 'pulled' : 'back in its place'}`;
    case 'leg':
      return `${titleOfPart(hunt, act.part)}: ${act.lifted ? 'a leg lifted' : 'soldered back'}`;
    case 'warm':
      return 'Left running until it is warm';
    case 'probe':
      return (read?.check ?? hunt.predictions.checks.get(act.check)!).title;
    case 'repair':
      return repair?.title ?? repairActions(hunt.predictions.model.sheet).find(({ id }) => id === act.action)!.title;
    case 'suspect':
      return `Suspected: ${titleOfPart(hunt, act.part)}`;
    case 'give up':
      return 'Given up';
  }
}

function rowOf(hunt: PracticeHunt, step: HuntStep): HuntRow {
  const { read, repair, minutes, consequences } = step;
  const judged = read && judgeAnswer(hunt.predictions, read.check, read.answer, read.context);
  return {
    title: titleOf(step, hunt),
    value: read ? answerText(read.check, read.answer) : step.act.kind === 'suspect' ? percent(step.act.sure) : '',
    mark: judged?.mark ?? (repair && markOfRepair(repair, hunt)),
    words: judged?.words ?? (repair ? wordsOfRepair(repair, hunt) : ''),
    expected: judged?.expected ?? '',
    minutes,
    consequences,
  };
}

type Repaired = NonNullable<HuntStep['repair']>;

/** Nobody knows at once whether what comes and goes is gone. */
const isOpen = ({ helped }: Repaired, { trouble }: PracticeHunt): boolean => !helped && trouble === 'intermittent';

function markOfRepair(repair: Repaired, hunt: PracticeHunt): MarkName | undefined {
  if (isOpen(repair, hunt)) return undefined;
  return repair.helped ? 'within' : 'odd';
}

function wordsOfRepair(repair: Repaired, hunt: PracticeHunt): string {
  if (repair.cured) return 'the set works';
  if (repair.helped) return 'that was bad, and is not all';
  return isOpen(repair, hunt) ? 'switch it on again and see' : 'no better: it was something else';
}

/** From so many minutes on a difference is worth words. */
const worthWords = 0.5;
const inMinutes = (minutes: number) => `${minutes.toFixed(minutes < 10 ? 1 : 0)} min`;
const percent = (share: number) => `${Math.round(100 * share)} %`;

/** What there is to say of a decision, in one sentence. */
function said({ steps, bits, loss, better, chance, luck }: DebriefedDecision): string {
  const { repair, read } = steps[steps.length - 1]!;
  if (repair) {
    const at = `Tried at ${percent(chance!)}`;
    if (better?.kind === 'probe')
      return `${at}. “${better.title}” first was expected to save ${inMinutes(loss)}: acting came too soon.`;
    if (better)
      return `${at}. “${better.title}” at ${percent(better.chance!)} was the better try by ${inMinutes(loss)}.`;
    if (repair.cured) return `${at}, and right to.`;
    return `${at}, and right to, though ${repair.helped ? 'it was not all' : 'it was something else'}.`;
  }
  if (!read) return 'Nothing was learnt.';
  const told = bits > 0.05 ? `It told ${bits.toFixed(1)} bits.` : 'It told nothing that was not known.';
  if (better?.kind === 'repair')
    return `${told} Measuring on cost ${inMinutes(loss)}: “${better.title}” stood at ${percent(better.chance!)} and was worth trying.`;
  if (better) return `${told} “${better.title}” was expected to be ${inMinutes(loss)} quicker.`;
  if (luck > 2) return `${told} Well asked, and badly answered: ${inMinutes(luck)} worse than was to be expected.`;
  return `${told} As good as any there was.`;
}

/** A gap between how sure one was and how often one was right is worth a word from here on. */
const wideGap = 0.15;

/** How well sureness went with what was so, beside what could be known. */
function surenessOf(statements: Debrief['statements']): string {
  if (statements.length === 0) return '';
  const average = (pick: (one: Debrief['statements'][number]) => number) =>
    statements.reduce((sum, one) => sum + pick(one), 0) / statements.length;
  const [sure, right, stood] = [
    average((one) => one.sure),
    average((one) => Number(one.right)),
    average((one) => one.stood),
  ];
  const gap = sure - right;
  const judged =
    gap > wideGap
      ? 'too sure'
      : gap < -wideGap
        ? 'surer than you said you could be'
        : 'about as sure as you were right';
  const times = statements.length === 1 ? 'once' : `${statements.length} times`;
  const planner = brierOf(statements.map(({ stood: known, right: was }) => ({ sure: known, right: was })));
  return `You named a suspect ${times}, sure by ${percent(sure)}, and were right in ${percent(right)}: ${judged}. By what was read it stood at ${percent(stood)}. Mean square of the gap ${brierOf(statements).toFixed(2)}, by what was read ${planner.toFixed(2)} (0 is best).`;
}

const upperFirst = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function debriefView(hunt: PracticeHunt, played: PlayedHunt): DebriefView {
  const { decisions, expected, planner, left, statements } = debriefOf(hunt, played);
  const total = (pick: (one: DebriefedDecision) => number) => decisions.reduce((sum, one) => sum + pick(one), 0);
  const [lost, slips, luck] = [total(({ loss }) => loss), total((one) => one.slips), total((one) => one.luck)];
  const own = played.minutes + played.harm;
  const parts = [
    lost >= worthWords ? `${inMinutes(lost)} went to probes and tries where others were better` : '',
    slips >= worthWords ? `${inMinutes(slips)} to what went wrong on the way` : '',
    Math.abs(luck) >= worthWords ? `luck ${luck < 0 ? 'gave' : 'took'} ${inMinutes(Math.abs(luck))}` : '',
  ].filter(Boolean);
  return {
    culprit: hunt.faults.map(({ title }) => title).join(' · '),
    summary: `${played.ended === 'cured' ? `It took you ${inMinutes(own)}` : `${played.ended === 'given up' ? 'You gave up' : 'Time was up'} after ${inMinutes(own)}, with ${inMinutes(left)} still to be expected`}; from what the owner told ${inMinutes(expected)} was to be expected.${parts.length > 0 ? ` ${upperFirst(parts.join(', '))}.` : ''}`,
    rows: decisions.map((one) => ({
      title: titleOf(one.steps[one.steps.length - 1]!, hunt),
      words: said(one),
      bits: one.bits,
      minutes: one.minutes,
      loss: one.loss,
      slips: one.slips,
      luck: one.luck,
    })),
    own,
    lost,
    slips,
    luck,
    expected,
    statements: statements.map(({ part, ...one }) => ({ title: titleOfPart(hunt, part), ...one })),
    sureness: surenessOf(statements),
    brier: statements.length > 0 ? brierOf(statements) : undefined,
    planner,
  };
}

/** How much a hint gives away. */
export const hintLevels = ['where', 'what to do', 'what it is'] as const;
export type HintLevel = (typeof hintLevels)[number];

/** A hint on a hunt that is not over: the block most suspected, the next step, or the part most suspected, with chances. */
export function hintOf(hunt: PracticeHunt, acts: readonly HuntAct[], level: HintLevel): string {
  const { log, ended } = playHunt(hunt, acts);
  if (ended) throw new Refusal('the hunt is over: the debrief says it all');
  const advice = adviseOn(caseAfter(hunt, log));
  const { sheet } = hunt.predictions.model;
  const suspects = advice.posterior.suspects.filter(({ cured }) => !cured);
  if (level === 'where') {
    const blocks = new Map<string, number>();
    for (const { fault, probability } of suspects) {
      const { block } = sheet.parts.get(fault.part)!;
      blocks.set(block, (blocks.get(block) ?? 0) + probability);
    }
    const [[block, chance]] = [...blocks].sort(([, a], [, b]) => b - a) as [[string, number]];
    return `From what you know it lies in ${sheet.blocks.get(block)!.title} with ${percent(chance)}.`;
  }
  if (level === 'what to do') {
    const [probe] = advice.probes;
    return advice.next === 'probe' && probe
      ? `Probe “${probe.probe.check.title}”: expected to save ${inMinutes(Math.max(0, probe.saves))}.`
      : `“${advice.repairs[0]!.action.title}”: no probe is worth its minutes any more.`;
  }
  const [first] = [...suspects].sort((a, b) => b.probability - a.probability);
  return `Most suspected: ${first!.fault.title}, ${percent(first!.probability)}.`;
}
