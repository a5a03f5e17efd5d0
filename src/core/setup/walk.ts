import { type Check } from '../behaviour';
import { type LogEntry, standing } from '../log';
import { toleranceWidth } from '../quantity';
import { isGuess, type SetUpStep, setVoltages, type Sheet, voltageAt } from '../sheet';
import { type ControlTrouble, adviseRails, type Rail, type RailMove, type RailsAdvice, type Touch } from './rails';
import { isDue, pastLimit, railLimit, type Watch, type Watched, type WatchRead } from './watched';

/** A step of setting up that is a rail brought to a figure, with the point where it is read. */
export interface RailStep extends Omit<Rail, 'reads'> {
  readonly step: SetUpStep;
  readonly check: Check;
  /** Its target goes by a label that nobody has read: no more than the ordinary value of a kind of set. */
  readonly unread: boolean;
  /** What follows it and is watched while it is set. */
  readonly watch: Watch | undefined;
}

/** A rail step with what it read last. */
export interface RailRow extends RailStep {
  readonly watched: Watched | undefined;
  /** Undefined before it was read. */
  readonly reads: number | undefined;
  /** What it read first, before anything was turned. */
  readonly first: number | undefined;
}

/** What is asked for now. */
export type WalkAsks =
  | { readonly do: 'read'; readonly row: RailRow }
  | { readonly do: 'turn'; readonly row: RailRow; readonly move: RailMove }
  /** What follows the rail is to be read, before it is raised or after it was. */
  | { readonly do: 'watch'; readonly row: RailRow; readonly watched: Watched }
  /** All are within, or nothing that can be turned brings them there. */
  | { readonly do: 'done' };

export interface RailsWalk {
  readonly rows: readonly RailRow[];
  readonly asks: WalkAsks;
  readonly advice: RailsAdvice | undefined;
  readonly touches: number;
}

/** The part that a step says to turn: `VR841, warm` is VR841; a step that names none is turned by its own title. */
const controlIn = ({ how, title }: SetUpStep): string =>
  /\b(?:VR\w*\d+|[A-Z][A-Z0-9]*-VR\d*)\b/.exec(how)?.[0] ?? title.replace(/\s+/g, '-');

/** Share that a step says a rail may be off: `label ±1 %`. */
const shareIn = ({ target }: SetUpStep): number | undefined => {
  const found = /±\s*(\d+(?:[.,]\d+)?)\s*%/.exec(target);
  return found ? Number(found[1]!.replace(',', '.')) / 100 : undefined;
};

/** The steps of a sheet that bring a rail to a figure, in the maker’s order. */
export function railSteps(sheet: Sheet, checks: ReadonlyMap<string, Check>): RailStep[] {
  return setVoltages(sheet).flatMap(({ step, point, net, volts: target, unread }): RailStep[] => {
    const check = checks.get(point.id);
    if (!check) return [];
    const share = shareIn(step);
    const within = toleranceWidth(share ? { relative: share } : net.tolerance, target);
    const beyond = step.limit && toleranceWidth(step.limit, target);
    return [
      {
        step,
        check,
        id: check.id,
        title: step.title,
        target,
        unread,
        within: beyond === undefined ? within : Math.min(within, beyond),
        limit: beyond === undefined ? undefined : Math.abs(target) + beyond,
        control: controlIn(step),
        clockwiseRaises: /clockwise raises/i.test(step.how)
          ? true
          : /clockwise lowers/i.test(step.how)
            ? false
            : undefined,
        watch: watchOf(step, sheet, checks),
      },
    ];
  });
}

function watchOf({ watch }: SetUpStep, sheet: Sheet, checks: ReadonlyMap<string, Check>): Watch | undefined {
  const at = voltageAt(sheet, watch);
  const check = at && checks.get(at.point.id);
  if (!check) return undefined;
  const { point, net, volts } = at;
  return {
    check,
    title: net.title,
    limit: Math.abs(volts) + toleranceWidth(point.tolerance ?? net.tolerance, volts),
    guessed: isGuess(point, net),
  };
}

/**
 * How the setting of rails stands by the record: what was read, what was turned, and what is asked for next. After a turn all
 * rails are read again, its own first: that is how it is learnt what a control does to the others.
 */
export function railsWalk(steps: readonly RailStep[], log: readonly LogEntry[]): RailsWalk {
  const ids = new Set(steps.map(({ id }) => id));
  const latest = new Map<string, number>();
  const first = new Map<string, number>();
  const fresh = new Set<string>();
  const touches: Touch[] = [];
  const watches = new Map<string, WatchRead>();
  const passedOver = new Set<string>();
  const railOf = new Map(steps.flatMap(({ id, watch }) => (watch ? [[watch.check.id, id] as const] : [])));
  let open: Omit<Touch, 'after'> | undefined;
  const close = () => {
    if (open) touches.push({ ...open, after: new Map(latest) });
    open = undefined;
  };
  for (const { body } of standing(log, 'reading', 'turned', 'unreachable')) {
    if (body.kind === 'turned') {
      const { end, turn } = body;
      const control = steps.find((step) => step.control.toLowerCase() === body.control.toLowerCase())?.control;
      if (control === undefined || body.absent) continue;
      close();
      open = { control, turn, before: new Map(latest), end };
      fresh.clear();
    } else if (body.kind === 'unreachable') {
      passedOver.add(body.check);
    } else if (railOf.has(body.check) && body.answer.kind === 'number') {
      const rail = latest.get(railOf.get(body.check)!);
      if (rail !== undefined) watches.set(body.check, { volts: body.answer.value, rail });
      passedOver.delete(body.check);
    } else if (ids.has(body.check) && body.answer.kind === 'number') {
      latest.set(body.check, body.answer.value);
      if (!first.has(body.check)) first.set(body.check, body.answer.value);
      fresh.add(body.check);
    }
  }
  const rows = steps.map((step): RailRow => {
    const reads = latest.get(step.id);
    const read = step.watch && watches.get(step.watch.check.id);
    const about = read && reads !== undefined ? (read.volts * reads) / read.rail : undefined;
    const watched = step.watch && { ...step.watch, read, about, passedOver: passedOver.has(step.watch.check.id) };
    // It may be taken no further than what follows it allows.
    const limit = leastOf(step.limit, watched && railLimit(watched));
    return { ...step, limit, reads, first: first.get(step.id), watched };
  });
  const control = open?.control;
  const toRead = rows.filter(({ id }) => !fresh.has(id));
  const due = toRead.find((row) => row.control === control) ?? toRead[0];
  if (due) return { rows, asks: { do: 'read', row: due }, advice: undefined, touches: touches.length };
  close();
  const advised = adviseRails(
    rows.map((row) => ({ ...row, reads: row.reads! })),
    touches,
    true,
  );
  const advice = { ...advised, trouble: [...advised.trouble, ...rows.flatMap(watchTrouble)] };
  const row = rows.find((one) => one.control === advice.next?.control);
  const raises = (one: RailRow) => one === row && Math.abs(advice.next!.aim) > Math.abs(advice.next!.now);
  const watch = rows.find((one) => one.watched && isDue(one.watched, one.reads!, raises(one)));
  if (watch)
    return { rows, asks: { do: 'watch', row: watch, watched: watch.watched! }, advice, touches: touches.length };
  // What is past its limit is a fault: its rail is not raised any more.
  const stops = row !== undefined && raises(row) && watchTrouble(row).length > 0;
  const asks: WalkAsks = advice.next && row && !stops ? { do: 'turn', row, move: advice.next } : { do: 'done' };
  return { rows, asks, advice, touches: touches.length };
}

const leastOf = (...limits: readonly (number | undefined)[]): number | undefined => {
  const known = limits.filter((limit) => limit !== undefined);
  return known.length > 0 ? Math.min(...known) : undefined;
};

/** What follows a rail stands past its limit though the rail is at its target or below it, or would at its target: that is a fault. */
function watchTrouble({ id, title = id, control, reads, target, within, watched }: RailRow): ControlTrouble[] {
  if (!watched || Math.abs(reads!) > Math.abs(target) + within) return [];
  const words = pastLimit(watched, { title, reads: reads!, least: Math.sign(target) * (Math.abs(target) - within) });
  return words ? [{ control, rail: id, kind: 'past its limit', words }] : [];
}
