import { lineText, type LogBody, type LogEntry, standing } from '@/core/log';
import {
  dischargeTool,
  type FrontEnd,
  judgeStep,
  type LampedRail,
  lampFor,
  learntBleed,
  type PowerPlan,
  type PowerStep,
  powerSteps,
  standOf,
  type StepVerdict,
  type MeasuredStore,
  type StoreStand,
} from '@/core/safety';
import { familyOf, type Sheet, type Store } from '@/core/sheet';
import { type Habits } from '@/workshop/job';

/** A step of the plan agreed on, with what it came to. */
export interface AgreedStep {
  readonly step: PowerStep;
  readonly volts: number | undefined;
  readonly verdict: StepVerdict | undefined;
}

/** The plan agreed on last, with the steps taken since; undefined before there is one. */
export interface AgreedPlan {
  readonly plan: PowerPlan;
  readonly at: string;
  readonly steps: readonly AgreedStep[];
  /** The step to take now; undefined where all are done or one said stop. */
  readonly next: PowerStep | undefined;
}

/** What a set of a family draws when it runs, in watts, until its label is read: a guess. */
const usualWatts = { tube: 55, panel: 250, light: 220 } as const;
const usualMains = 230;
/** A lamp that shows shorts, where none lets the set run. */
const shortsOnly = 100;

/** The kind of front end, from what the sheet says of mains and reservoir. */
function frontEndOf({ nets }: Sheet, reservoir: number | undefined): FrontEnd {
  const mains = nets.get('mains')?.volts;
  if (reservoir === undefined || mains === undefined) return 'plain';
  if (reservoir >= boostedFrom) return 'boost';
  const factor = reservoir / mains;
  return factor < 1.2 ? 'transformer' : factor > 2 ? 'doubler' : 'plain';
}

/** A reservoir that holds more than any peak of 240 V is held up, in volts. */
const boostedFrom = 360;

/**
 * @param measured mains at the bench, in volts; that of the bench, or the sheet's own, where nobody has measured it
 */
export function usualPlan(sheet: Sheet, measured?: number, habits?: Habits): PowerPlan {
  const mains = measured ?? habits?.mains ?? sheet.nets.get('mains')?.volts ?? usualMains;
  const loadWatts = usualWatts[familyOf(sheet.technology)];
  const reservoir = sheet.nets.get('res')?.volts;
  return {
    mains,
    loadWatts,
    lamp: { watts: habits?.lampWatts ?? lampFor(mains, loadWatts) ?? shortsOnly, volts: mains },
    frontEnd: frontEndOf(sheet, reservoir),
    variable: true,
    ...(reservoir === undefined ? {} : { reservoir }),
  };
}

/** The rail in whose fuse or link a lamp may stand: the first that the label of the set gives. */
export function mainRail({ nets, technology }: Sheet): LampedRail | undefined {
  const rail = [...nets.values()].find(({ label, volts }) => label !== undefined && volts > 0);
  return rail && { title: rail.title, volts: rail.volts, watts: railShare * usualWatts[familyOf(technology)] };
}

/** How much of what a set draws hangs on its main rail, until somebody has measured it: a guess. */
const railShare = 0.6;

export function agreedPlan(log: readonly LogEntry[]): AgreedPlan | undefined {
  const plans = standing(log, 'plan');
  const last = plans[plans.length - 1];
  if (!last) return undefined;
  const { mains, loadWatts, lampWatts, lampVolts, frontEnd = 'plain', variable = true, reservoir, rail } = last.body;
  const plan: PowerPlan = {
    mains,
    loadWatts,
    lamp: { watts: lampWatts, volts: lampVolts },
    frontEnd,
    variable,
    ...(reservoir === undefined ? {} : { reservoir }),
    ...(rail === undefined ? {} : { rail }),
  };
  const after = log.findIndex(({ id }) => id === last.entry.id);
  const taken = new Map(standing(log.slice(after), 'step').map(({ body }) => [body.step, body.volts]));
  const steps = powerSteps(plan).map((step): AgreedStep => {
    const volts = taken.get(step.id);
    return { step, volts, verdict: volts === undefined ? undefined : judgeStep(plan, step, volts) };
  });
  const stopped = steps.some(({ verdict }) => verdict?.go === false);
  const next = stopped ? undefined : steps.find(({ volts }) => volts === undefined)?.step;
  return { plan, at: last.entry.at, steps, next };
}

/** A store with how it stands. */
export interface StoreRow {
  readonly store: Store;
  readonly readings: readonly MeasuredStore[];
  readonly stand: StoreStand;
  /** Learnt from two readings, or as the sheet has it. */
  readonly bleed: number | undefined;
  readonly learnt: boolean;
}

const seconds = (instant: string) => Date.parse(instant) / 1000;

/** Every store of the set as it stands at a moment, the most energetic first. */
export function storeRows(
  log: readonly LogEntry[],
  sheet: Sheet,
  now: number,
  tool: { readonly ohms: number } = dischargeTool,
): StoreRow[] {
  const powers = standing(log, 'power');
  const last = powers[powers.length - 1];
  const since = last ? log.findIndex(({ id }) => id === last.entry.id) : 0;
  const proofs = standing(log.slice(Math.max(0, since)), 'store');
  return [...sheet.stores.values()]
    .sort((a, b) => b.farads * b.volts ** 2 - a.farads * a.volts ** 2)
    .map((store): StoreRow => {
      const readings = proofs.flatMap(({ entry, body }) =>
        body.store === store.id ? [{ volts: body.volts, seconds: seconds(entry.at) }] : [],
      );
      const learnt = learntBleed(readings, store.farads, tool.ohms);
      const bleed = learnt ?? store.bleed;
      const unplugged = last ? seconds(last.entry.at) : now;
      return {
        store,
        readings,
        bleed,
        learnt: learnt !== undefined,
        stand: standOf(store, readings, now, unplugged, bleed),
      };
    });
}

/** The store to measure next: recovered, due again, then whatever holds most. */
export function dueStore(rows: readonly StoreRow[]): Store | undefined {
  const order: readonly ((stand: StoreStand) => boolean)[] = [
    ({ kind }) => kind === 'recovered' || kind === 'holds',
    ({ kind }) => kind === 'unmeasured',
    (stand) => stand.kind === 'low' && stand.again === 0,
  ];
  for (const wanted of order) {
    const row = rows.find(({ stand }) => wanted(stand));
    if (row) return row.store;
  }
  return undefined;
}

/** A change of the set's power state, for the list of them. */
export interface PowerEvent {
  readonly id: string;
  readonly at: string;
  readonly text: string;
}

/** Lines that say how the set was powered, and what that came to. */
const powerLines: readonly LogBody['kind'][] = ['power', 'lamp', 'isolation', 'mains', 'store', 'plan', 'step'];

/** What happened to the set's power, the newest first. */
export function powerEvents(log: readonly LogEntry[]): PowerEvent[] {
  const withdrawn = new Set(log.flatMap(({ supersedes }) => (supersedes === undefined ? [] : [supersedes])));
  return log
    .flatMap(({ id, at, body }): PowerEvent[] =>
      withdrawn.has(id) || !powerLines.includes(body.kind) ? [] : [{ id, at, text: lineText(body) }],
    )
    .reverse();
}
