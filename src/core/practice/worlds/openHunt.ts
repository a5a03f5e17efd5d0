import { asBuilt, type Context, liveCold, type Predictions, predictionsOf } from '../../behaviour';
import {
  type Advice,
  adviseOn,
  type Case,
  changeCost,
  contextFor,
  leadOf,
  type Probe,
  probeCost,
  proofOf,
  restsOn,
  secondsToProve,
  transition,
} from '../../diagnosis';
import { type LogBody, type LogEntry, replay } from '../../log';
import { isSearch, type RepairAction } from '../../repair';
import { type Minutes } from '../../quantity';
import { type Fault, openSheet, type Sheet } from '../../sheet';
import { type Random } from '../../statistics';
import { type SimulatedSet } from './simulatedSet';

/** What the advice says it knows: a fault or the ones no test tells from it, or something else in a block. */
export interface Claim {
  /** Chance it gives. */
  readonly stated: number;
  readonly right: boolean;
  /** Is it about a listed fault? */
  readonly listed: boolean;
  /** Id of what it is about. */
  readonly about: string;
}

/** How the naming of what is wrong went, with nothing repaired. */
export interface OpenNaming {
  readonly claim: Claim;
  /** Place of the block with the culprit among the blocks by probability, from 0. */
  readonly blockRank: number;
  readonly probes: number;
}

/** How a hunt from the owner's account to the close of the job went. */
export interface OpenHunt {
  readonly minutes: Minutes;
  readonly probes: number;
  /** Everything wrong was put right when the job was closed. */
  readonly cured: boolean;
  /** Closed while something was wrong that showed, so that the owner comes again. */
  readonly visits: number;
  /** Repairs that put nothing right. */
  readonly needless: number;
  /** Neither a probe nor a repair was offered while the set was still wrong. */
  readonly silent: boolean;
  readonly log: readonly LogEntry[];
}

const hourlyRate = 20;
const mostSteps = 150;
const mostProbes = 60;
/** Probability at which a claim is taken as settled. */
const nearlySure = 0.99;
/** A search of a block part by part finds what is wrong in it this often. */
const searchFinds = 0.9;
const leastBits = 0.002;
/** How often a set is switched on again in the hope that it shows its fault. */
const patience = 5;

/** The bench during a hunt: its log, its clock, and the set on it. */
export class Bench {
  readonly log: LogEntry[] = [];
  readonly predictions: Predictions;
  minutes: Minutes = 0;
  private readonly stores: readonly string[];

  constructor(
    readonly set: SimulatedSet,
    private readonly random: Random,
  ) {
    this.predictions = predictionsOf(openSheet(set.sheet));
    this.stores = [...set.sheet.stores.keys()];
  }

  get job(): Case {
    const bench = replay(this.log, this.stores);
    const { predictions, set } = this;
    return { predictions, complaint: set.complaint, bench, closed: new Map(), hourlyRate };
  }

  get context(): Context {
    return replay(this.log, this.stores).context;
  }

  record(body: LogBody) {
    this.log.push({ id: `line-${this.log.length}`, at: new Date(this.minutes * 60_000).toISOString(), body });
  }

  go(to: Context) {
    const from = this.context;
    this.minutes += changeCost(this.set.sheet, from, to);
    if ((from.power === 'live') !== (to.power === 'live')) this.set.turn();
    for (const step of transition(this.set.sheet, from, to, () => 1 + Math.round(this.random() * 30) / 10))
      this.record(step);
  }

  /** Switches off and on again, and reads the picture. */
  switchAgain(mended: ReadonlySet<string>) {
    const picture = this.predictions.checks.get('picture')!;
    const off = contextFor(asBuilt(this.context), 'cold');
    this.go({ ...off, power: 'unplugged' });
    this.measure({ check: picture, context: { ...off, power: 'live', warm: false } }, mended);
  }

  /** Switches off and on until the set shows what is wrong with it, or patience ends. */
  provoke(mended: ReadonlySet<string>) {
    for (let turn = 0; turn < patience; turn += 1) {
      this.switchAgain(mended);
      const last = this.log[this.log.length - 1]!.body;
      if (last.kind === 'reading' && last.answer.kind === 'picture' && last.answer.symptoms.join() !== 'normal') return;
    }
  }

  /** @param seconds how long the set must have been on before */
  measure({ check, context }: Pick<Probe, 'check' | 'context'>, mended: ReadonlySet<string>, seconds = 0) {
    this.go(context);
    this.minutes += probeCost({ check }) + seconds / 60;
    this.record({ kind: 'reading', check: check.id, answer: this.set.answer(check, context, mended), text: '' });
  }
}

const nothingMended: ReadonlySet<string> = new Set();

/** Is a claim about what is really wrong: the fault itself, or where no sheet lists it its part or its block? */
function claimOf(
  advice: Advice,
  sheet: Sheet,
  faults: readonly Fault[],
  groups: ReadonlyMap<string, ReadonlySet<string>>,
): Claim {
  const { stated, faults: named, block } = leadOf(advice.posterior, sheet, groups);
  const blockOf = (id: string) => sheet.parts.get(sheet.faults.get(id)!.part)!.block;
  const unlistedIn = new Set([...named].filter((id) => sheet.faults.get(id)?.mode === 'unlisted').map(blockOf));
  const parts = new Set([...named].map((id) => sheet.faults.get(id)?.part));
  const right = faults.some(({ id, part }) =>
    sheet.faults.has(id) ? named.has(id) : parts.has(part) || unlistedIn.has(sheet.parts.get(part)!.block),
  );
  return { stated, right, listed: block === undefined, about: [...named][0] ?? '' };
}

function blockRankOf({ posterior: { suspects } }: Advice, sheet: Sheet, [culprit]: readonly Fault[]): number {
  const weights = new Map<string, number>();
  for (const { fault, probability } of suspects) {
    const { block } = sheet.parts.get(fault.part)!;
    weights.set(block, (weights.get(block) ?? 0) + probability);
  }
  const order = [...weights].sort((a, b) => b[1] - a[1]).map(([block]) => block);
  return order.indexOf(sheet.parts.get(culprit!.part)!.block);
}

/** Answers probes until a claim is nearly sure or no probe tells anything more. */
export function nameIn(
  set: SimulatedSet,
  groups: ReadonlyMap<string, ReadonlySet<string>>,
  random: Random,
): OpenNaming {
  const bench = new Bench(set, random);
  const { sheet } = bench.predictions.model;
  for (let probes = 0; ; probes += 1) {
    const advice = adviseOn(bench.job);
    const useful = advice.probes.filter(({ bits }) => bits > leastBits);
    const settled = leadOf(advice.posterior, sheet, groups).stated >= nearlySure || useful.length === 0;
    const alone = settled ? restsOn(advice.posterior) : undefined;
    if (probes < mostProbes && (alone || !settled)) {
      const best = () => useful.reduce((most, one) => (one.bits / one.minutes > most.bits / most.minutes ? one : most));
      if (advice.dormant) bench.provoke(nothingMended);
      bench.measure(alone ?? (advice.next === 'probe' ? useful[0]! : best()).probe, nothingMended);
      continue;
    }
    return {
      claim: claimOf(advice, sheet, set.faults, groups),
      blockRank: blockRankOf(advice, sheet, set.faults),
      probes,
    };
  }
}

/**
 * Follows the advice from the owner's account to the close of the job.
 *
 * @param onAdvice is told of each advice, with the minutes gone by
 */
export function huntIn(
  set: SimulatedSet,
  random: Random,
  onAdvice?: (advice: Advice, minutes: Minutes) => void,
): OpenHunt {
  const bench = new Bench(set, random);
  const mended = new Set<string>();
  let probes = 0;
  let needless = 0;
  let visits = 1;
  const left = () => set.faults.filter(({ id }) => !mended.has(id));
  const told = (silent: boolean): OpenHunt => ({
    minutes: bench.minutes,
    probes,
    cured: left().length === 0,
    visits,
    needless,
    silent,
    log: bench.log,
  });
  for (let step = 0; step < mostSteps; step += 1) {
    const { job } = bench;
    const advice = adviseOn(job);
    onAdvice?.(advice, bench.minutes);
    if (advice.next === 'verify') {
      const proof = proofOf(job);
      const [open] = proof.open;
      if (open) {
        const check = bench.predictions.checks.get(open.check)!;
        bench.measure(
          { check, context: contextFor(asBuilt(bench.context), check.state) },
          mended,
          secondsToProve(open.before.answer),
        );
        continue;
      }
      if (proof.done && advice.switchings > 0) {
        bench.switchAgain(mended);
        continue;
      }
      if (proof.done) {
        if (left().length > 0) visits += 1;
        return told(false);
      }
    }
    const [probe] = advice.probes;
    if (advice.next !== 'act' && probe) {
      if (advice.dormant && probe.probe.context.power === 'live') bench.provoke(mended);
      bench.measure(probe.probe, mended);
      probes += 1;
      continue;
    }
    const [repair] = advice.repairs;
    if (!repair) return told(left().length > 0);
    bench.go(contextFor(asBuilt(bench.context), 'cold'));
    const { id: action, title, listed, money, minutes } = repair.action;
    bench.minutes += minutes;
    const before = left().length;
    for (const one of left()) if (putsRight(repair.action, one, set.sheet, random)) mended.add(one.id);
    if (left().length === before && !isSearch(repair.action)) needless += 1;
    bench.record({ kind: 'repair', action, title, cures: [...listed], money, minutes, note: '' });
    const check = bench.predictions.checks.get('picture')!;
    bench.measure({ check, context: { ...liveCold, lamp: bench.context.lamp } }, mended);
  }
  return told(false);
}

/** Does a repair put a fault right: by its name, or because it deals with the part, the board or the block it is in? */
export function putsRight(
  { cures, id: action }: RepairAction,
  { id, part: ofPart, sets, shorts }: Fault,
  { parts }: Sheet,
  random: Random,
): boolean {
  if (cures.includes(id)) return true;
  const { block, board, kind } = parts.get(ofPart)!;
  if (action === `trace:${block}`) return random() < searchFinds;
  if ([...sets.keys(), ...shorts].some((net) => action === `follow:${net}`)) return random() < searchFinds;
  return (
    action === `replace:${ofPart}` ||
    action === `swap:${board}` ||
    (action === `recap:${board}` && kind === 'electrolytic')
  );
}
