import { type Picture } from '../picture';
import { type Block, type Fault, type Level, type Protection } from '../sheet';
import { pictureOf } from './appearance';
import { type Context } from './context';
import { deadRatio, type NetState, type SignState } from '../measure';
import { faultModes } from '../parts';
import { type CompiledGuard, joined, levelOf, type Model } from './model';

/** What a set does with given faults in a given context. */
export interface Behaviour {
  readonly model: Model;
  readonly context: Context;
  /** Those that show. */
  readonly faults: readonly Fault[];
  /** Those that are there to be seen or touched, whether or not they show in this context. */
  readonly present: readonly Fault[];
  readonly nets: readonly NetState[];
  /** Connectors that carry nothing, pulled or open by a fault, and leads that are cut. */
  readonly open: ReadonlySet<string>;
  /** Protections that act, first in the sheet first. */
  readonly tripped: readonly Protection[];
  /** Blinks of the code shown; 0 when none. */
  readonly blinks: number;
  readonly signs: ReadonlyMap<string, SignState>;
  readonly picture: Picture;
}

interface Pass {
  readonly ratio: Float64Array;
  readonly rippled: Uint8Array;
  readonly shorted: Uint8Array;
}

/** A protection that leaves this many seconds lets a meter read the set as it runs. */
const timeToMeasure = 20;

/** A converter does not start on less than this share of its input. */
const starting = 0.4;

/** Logic does not run on less than this share of its supply, and a command at less is none. */
const running = 0.55;

/** Regulated outputs hold while every input is at least this share of nominal. */
const dropout = 0.8;

/** Faults that are in the set: a donor's board has none of them. */
const presentIn = ({ sheet }: Model, faults: readonly Fault[], { donors }: Context): readonly Fault[] =>
  donors.length === 0 ? faults : faults.filter(({ part }) => !donors.includes(sheet.parts.get(part)?.board ?? ''));

/**
 * Faults that show in the context: heat cures some and brings out others, a wire across an open
 * part or a donor's board takes its fault away. A part with a leg lifted acts as if it were open.
 */
function showing({ sheet }: Model, faults: readonly Fault[], context: Context): readonly Fault[] {
  const { lifted, bridged } = context;
  const shown = faults.filter(
    (fault) =>
      !(fault.appears === 'cold' && context.warm) &&
      !(fault.appears === 'warm' && !context.warm) &&
      !lifted.includes(fault.part) &&
      !(bridged.includes(fault.part) && faultModes[fault.mode].bridgeable),
  );
  const absent = lifted.flatMap(
    (part) => sheet.faults.get(`${part}.open`) ?? sheet.faults.get(`${part}.missing`) ?? [],
  );
  return [...shown, ...absent];
}

/**
 * Works out what a set does.
 *
 * Nets are worked out from the plug onwards: a block gives what its worst need allows, its rules
 * override that, the faults act on the result. A protection that then sees a net outside what it
 * permits cuts its supply, and the nets are worked out again; those that had risen are brief. A slow
 * protection leaves the nets as they run and shows in the picture only.
 *
 * @param faults present at once; an empty list is a good set
 */
export function simulate(model: Model, faults: readonly Fault[], context: Context): Behaviour {
  const present = presentIn(model, faults, context);
  const active = showing(model, present, context);
  const open = new Set([...context.unplugged, ...context.cut, ...active.flatMap((fault) => fault.opens)]);
  const live = context.power === 'live';
  const strapped = new Set(context.strapped.map((net) => model.netIndex.get(net)!));
  const first = run(model, active, open, live, new Set(), strapped);
  const acting = live ? model.guards.filter((guard) => trips(model, guard, first)) : [];
  const tripped = acting.map(({ protection }) => protection);
  const cut = new Set(acting.flatMap(({ protection, cuts }) => (protection.after >= timeToMeasure ? [] : cuts)));
  const last = cut.size > 0 ? run(model, active, open, live, cut, strapped) : first;
  const nets = Array.from(last.ratio, (ratio, net): NetState => {
    const peak = first.ratio[net]!;
    return {
      ratio,
      peak,
      brief: peak >= deadRatio && ratio < deadRatio,
      rippled: last.rippled[net] === 1,
      shorted: first.shorted[net] === 1,
    };
  });
  const stateOf = (net: string) => nets[model.netIndex.get(net)!]!;
  return {
    model,
    context,
    faults: active,
    present,
    nets,
    open,
    tripped,
    blinks: tripped.find((guard) => guard.blinks !== undefined)?.blinks ?? 0,
    signs: live
      ? signsOf(model, active, tripped, (net, board) => {
          const index = model.netIndex.get(net)!;
          return joined(model, index, model.sourceBoard[index], board, open) ? nets[index]! : undefined;
        })
      : new Map([...model.sheet.signs.keys()].map((id) => [id, 'no'])),
    picture: pictureOf(
      model.sheet,
      active,
      stateOf,
      live,
      cut.size > 0 ? 'at once' : tripped.length > 0 ? 'later' : 'no',
    ),
  };
}

function run(
  model: Model,
  faults: readonly Fault[],
  open: ReadonlySet<string>,
  live: boolean,
  cut: ReadonlySet<number>,
  strapped: ReadonlySet<number>,
): Pass {
  const count = model.sheet.nets.size;
  const ratio = new Float64Array(count);
  const rippled = new Uint8Array(count);
  const shorted = new Uint8Array(count);
  const factor = new Float64Array(count).fill(1);
  const ripples = new Uint8Array(count);
  for (const fault of faults) {
    const board = model.sheet.parts.get(fault.part)?.board;
    // A part acts on what is joined to it: with a link open it no longer pulls down what lies before the link.
    for (const [id, share] of fault.sets) {
      const net = model.netIndex.get(id)!;
      if (joined(model, net, model.sourceBoard[net], board, open)) factor[net]! *= share;
    }
    for (const net of fault.ripples) ripples[model.netIndex.get(net)!] = 1;
    for (const id of fault.shorts) {
      const net = model.netIndex.get(id)!;
      if (joined(model, net, model.sourceBoard[net], board, open)) shorted[net] = 1;
    }
  }
  if (!live) return { ratio, rippled, shorted };

  const levels: Level[] = [];
  const got: number[] = [];
  for (const { block, needs, makes, powered } of model.order) {
    let least = 1;
    let best = 0;
    let most = 1;
    let ripple = 0;
    for (let need = 0; need < needs.length; need += 1) {
      const net = needs[need]!;
      const there =
        strapped.has(net) || joined(model, net, model.sourceBoard[net], block.board, open) ? ratio[net]! : 0;
      const arrives = model.commands[net] === 1 && there < running ? 0 : there;
      got[need] = arrives;
      levels[need] = levelOf(model, net, arrives);
      if (arrives > best) best = arrives;
      // What fails without it is said by the faults that take it away.
      if (model.partial[net] === 1) continue;
      if (arrives < least) least = arrives;
      if (arrives > most) most = arrives;
      if (rippled[net] === 1 && !block.regulates) ripple = 1;
    }
    const given = comesOut(block, least, most);
    for (const { net, rules, of } of makes) {
      const rule = rules.find(({ when }) =>
        when.every((condition) => condition.levels.includes(levels[condition.need]!)),
      );
      const out =
        powered && best < deadRatio ? 0 : rule ? rule.ratio : of ? comesOut(block, ...extremes(got, of)) : given;
      const driven = !rule && model.switches[net] === 1 && out < running ? 0 : out;
      ratio[net] = cut.has(net) || shorted[net] === 1 ? 0 : strapped.has(net) ? 1 : driven * factor[net]!;
      rippled[net] = ripples[net] === 1 || ripple === 1 ? 1 : 0;
    }
  }
  return { ratio, rippled, shorted };
}

/** What a block makes of its needs, by the least and the most of them. */
function comesOut({ regulates }: Block, least: number, most: number): number {
  if (!regulates) return least < 1 ? least : most;
  if (least >= dropout) return 1;
  return least < starting ? 0 : least / dropout;
}

/** The least and the most of some needs, as those of a block are counted. */
function extremes(got: readonly number[], places: readonly number[]): [least: number, most: number] {
  let [least, most] = [1, 1];
  for (const place of places) {
    least = Math.min(least, got[place]!);
    most = Math.max(most, got[place]!);
  }
  return [least, most];
}

/** A guard acts only on a supply that had all it needs to start. */
function trips(model: Model, { supplies, watches }: CompiledGuard, { ratio, shorted }: Pass): boolean {
  const started = supplies.some(
    ({ needs, makes }) =>
      needs.every((net) => ratio[net]! >= deadRatio) &&
      makes.some(({ net }) => ratio[net]! >= deadRatio || shorted[net] === 1),
  );
  return started && watches.some(({ net, wrong }) => wrong.includes(levelOf(model, net, ratio[net]!)));
}

function signsOf(
  model: Model,
  faults: readonly Fault[],
  tripped: readonly Protection[],
  stateAt: (net: string, board: string | undefined) => NetState | undefined,
): ReadonlyMap<string, SignState> {
  const signs = new Map<string, SignState>();
  for (const sign of model.sheet.signs.values()) {
    const state = sign.follows === undefined ? undefined : stateAt(sign.follows, sign.board);
    if (!state) signs.set(sign.id, 'no');
    else if (state.ratio < deadRatio) signs.set(sign.id, state.brief ? 'brief' : 'no');
    else signs.set(sign.id, state.ratio < 0.85 ? 'weak' : 'yes');
  }
  for (const guard of tripped) for (const [sign, state] of guard.signs) signs.set(sign, state);
  for (const fault of faults) for (const [sign, state] of fault.signs) signs.set(sign, state);
  return signs;
}
