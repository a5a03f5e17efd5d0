import { type Check, liveCold, type Predictions } from '../behaviour';
import { type Case } from '../diagnosis';
import { readingRows, type ReadingRow } from '../job';
import { dealtWith } from '../repair';
import { type PartKind } from '../parts';

/** The stages of an overhaul, in the order in which a set that nobody complains of is gone through. */
export const overhaulStages = {
  looks: { title: 'Look it over', why: 'plug out, by eye: joints, cans, scorched places, what is loose' },
  cans: { title: 'Cans, in circuit', why: 'stores proven: what has dried out shows before it is run' },
  cold: { title: 'Ohms before power', why: 'a rail that reads like a short is never switched on' },
  power: {
    title: 'First power in stages',
    why: 'behind a lamp or by a variable transformer, with what the rail should read',
  },
  live: { title: 'Under power', why: 'every rail, what guards it, the picture and the sound' },
} as const;
export type OverhaulStageName = keyof typeof overhaulStages;

/** One thing to look at or to measure, with what came of it. */
export interface OverhaulStep {
  readonly check: Check;
  /** The reading that still says how the set stands. */
  readonly row: ReadingRow | undefined;
  /** What read off before a repair, and was not read again since. */
  readonly before?: ReadingRow;
  /** It was said to be out of reach. */
  readonly passed: boolean;
}

export interface OverhaulStage {
  readonly name: OverhaulStageName;
  readonly title: string;
  readonly why: string;
  readonly steps: readonly OverhaulStep[];
  readonly done: boolean;
}

/** What of a set is measured on its mains side before it is switched on. */
const firstInLine: ReadonlySet<PartKind> = new Set(['fuse', 'fusible', 'bridge', 'switch']);

/** What is turned or charged under an instrument and watched is no look at the set. */
const byInstrument: ReadonlySet<PartKind> = new Set(['trimmer', 'film']);

/** A sign that a good set gives as surely as this is asked for. */
const usuallyThere = 0.5;

/** The stage a check belongs to in an overhaul; undefined of what is measured only where something is wrong. */
function stageOf(predictions: Predictions, check: Check): OverhaulStageName | undefined {
  const { sheet } = predictions.model;
  const { measure, point, state } = check;
  const kinds = (point?.parts ?? []).map((id) => sheet.parts.get(id)!.kind);
  const net = point?.net === undefined ? undefined : sheet.nets.get(point.net);
  if (measure === 'picture') return 'live';
  if (measure === 'sign') {
    const good = predictions.expectation(undefined, check, liveCold);
    return good.kind === 'choice' && (good.chances.get('yes') ?? 0) > usuallyThere ? 'live' : undefined;
  }
  if (state !== 'live') {
    if (measure === 'look') return kinds.some((kind) => byInstrument.has(kind)) ? undefined : 'looks';
    if (measure === 'esr') return 'cans';
    if (measure === 'capacitance') return 'cold';
    if (measure === 'ohms' || measure === 'diode')
      return net?.kind === 'rail' || kinds.some((kind) => firstInLine.has(kind)) ? 'cold' : undefined;
    return undefined;
  }
  if (measure !== 'dc' || net === undefined || net.id === 'mains') return undefined;
  const guarded = sheet.protections.some(({ watches }) => watches.has(net.id));
  return net.kind === 'rail' || guarded ? 'live' : undefined;
}

/**
 * Is what was read still how the set stands? A repair leaves standing what was read cold of other parts, right or off;
 * a rail that was off cold, and all that is live, may be another since.
 */
function stands({ reading, check, verdict }: ReadingRow, { predictions, bench }: Case): boolean {
  const since = bench.repairs.slice(reading.afterRepairs);
  if (since.length === 0) return true;
  const ofParts = check.point?.net === undefined;
  if (check.state === 'live' || (!ofParts && verdict.mark !== 'within')) return false;
  const { sheet } = predictions.model;
  const touched = new Set(
    since.flatMap(({ repair }) => [...dealtWith(sheet, repair)].map((id) => sheet.faults.get(id)?.part)),
  );
  return !(check.point?.parts ?? []).some((part) => touched.has(part));
}

/**
 * An overhaul of a set: what is looked at, measured cold, run up in stages and measured live, with what was found so
 * far. Nothing of it is kept beside the log.
 */
export function overhaulOf(job: Case): readonly OverhaulStage[] {
  const { predictions, bench } = job;
  const rows = new Map<string, ReadingRow>();
  const off = new Map<string, ReadingRow>();
  const seen = new Set<string>();
  for (const row of readingRows(job)) {
    if (seen.has(row.check.id)) continue;
    seen.add(row.check.id);
    if (stands(row, job)) rows.set(row.check.id, row);
    else if (row.verdict.mark !== 'within') off.set(row.check.id, row);
  }
  const steps = new Map<OverhaulStageName, OverhaulStep[]>();
  for (const check of predictions.checks.values()) {
    const stage = stageOf(predictions, check);
    if (!stage) continue;
    const before = off.get(check.id);
    const passed = bench.unreachable.has(check.id);
    const step = { check, row: rows.get(check.id), passed, ...(before ? { before } : {}) };
    steps.set(stage, [...(steps.get(stage) ?? []), step]);
  }
  const ran = bench.context.power === 'live' || bench.readings.some(({ context }) => context.power === 'live');
  return (Object.keys(overhaulStages) as OverhaulStageName[]).flatMap((name) => {
    const own = inOrder(name, steps.get(name) ?? []);
    if (own.length === 0 && name !== 'power') return [];
    const done = name === 'power' ? ran : own.every(({ row, passed }) => row !== undefined || passed);
    return [{ name, ...overhaulStages[name], steps: own, done }];
  });
}

/** Live the picture and the signs come first, and what is dangerous last; elsewhere the order of the sheet. */
const inOrder = (name: OverhaulStageName, steps: readonly OverhaulStep[]): readonly OverhaulStep[] =>
  name === 'live' ? [...steps].sort((a, b) => ofNet(a) - ofNet(b) || a.check.danger - b.check.danger) : steps;

const ofNet = ({ check }: OverhaulStep): number => (check.point?.net === undefined ? 0 : 1);

/** The stage and the step that come next; undefined where the walk is done. */
export function nextOf(
  stages: readonly OverhaulStage[],
): { readonly stage: OverhaulStage; readonly step: OverhaulStep | undefined } | undefined {
  const stage = stages.find(({ done }) => !done);
  return stage && { stage, step: stage.steps.find(({ row, passed }) => row === undefined && !passed) };
}

/** Rails that read too low before power: none of them is switched on before that is found. */
export const keptCold = (stages: readonly OverhaulStage[]): readonly ReadingRow[] =>
  stages
    .filter(({ name }) => name === 'cold')
    .flatMap(({ steps }) => steps.flatMap(({ row }) => row ?? []))
    .filter(({ check, verdict }) => check.point?.net !== undefined && ['dead', 'low'].includes(verdict.mark));
