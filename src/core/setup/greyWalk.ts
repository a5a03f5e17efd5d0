import { type BodyNamed, type LogEntry, standing } from '../log';
import { type RailsAdvice } from './rails';
import {
  type Bar,
  bars,
  chromaticOf,
  greyByEye,
  greyByMeter,
  greyControls,
  type GreyEyeAdvice,
  type GreyReading,
  type GreyStep,
  type GreyTouch,
  type Light,
  lightOf,
  tintOf,
} from './grey';

/** What was seen, measured and turned for the grey scale, in order. */
type Line = BodyNamed<'grey'> | BodyNamed<'turned'>;

const linesOf = (log: readonly LogEntry[]): Line[] =>
  standing(log, 'grey', 'turned')
    .map(({ body }) => body)
    .filter((body) => body.kind === 'grey' || greyControls.some((control) => control === body.control));

/** How the grey scale stands by what was seen. */
export const greyByEyeOf = (log: readonly LogEntry[]): GreyEyeAdvice =>
  greyByEye(
    linesOf(log).flatMap((line): GreyStep[] => {
      if (line.kind === 'grey') return line.looks ? [{ bar: line.bar, looks: line.looks }] : [];
      const control = greyControls.find((one) => one === line.control)!;
      return line.turn === undefined ? [] : [{ control, turn: line.turn }];
    }),
  );

/** How the grey scale stands by what was measured. */
export interface GreyMeterWalk {
  /** The bar that is to be measured now; undefined where both were since the last turn. */
  readonly read: Bar | undefined;
  readonly advice: RailsAdvice | undefined;
  /** What a colour meter is to read of the bar while the control is turned. */
  readonly aim: { readonly bar: Bar; readonly x: number; readonly y: number } | undefined;
  /** Just noticeable differences from grey, at first and now. */
  readonly off: Readonly<Record<Bar, { readonly first: number; readonly now: number } | undefined>>;
  readonly turns: number;
}

export function greyByMeterOf(log: readonly LogEntry[]): GreyMeterWalk {
  const now = new Map<Bar, Light>();
  const first = new Map<Bar, Light>();
  const fresh = new Set<Bar>();
  const touches: GreyTouch[] = [];
  let open: Pick<GreyTouch, 'control' | 'turn' | 'before'> | undefined;
  let turns = 0;
  const both = (): GreyReading | undefined =>
    now.size === 2 ? { dark: now.get('dark')!, bright: now.get('bright')! } : undefined;
  for (const line of linesOf(log)) {
    if (line.kind === 'turned') {
      const before = both();
      const control = greyControls.find((one) => one === line.control)!;
      open = before && fresh.size === 2 ? { control, turn: line.turn, before } : undefined;
      fresh.clear();
      turns += 1;
      continue;
    }
    const { bar, x, y, luminance } = line;
    if (x === undefined || y === undefined) continue;
    const light = lightOf({ x, y, Y: luminance ?? 1 });
    now.set(bar, light);
    if (!first.has(bar)) first.set(bar, light);
    fresh.add(bar);
    if (fresh.size === 2 && open) {
      touches.push({ ...open, after: both()! });
      open = undefined;
    }
  }
  const read = bars.find((bar) => !fresh.has(bar));
  const reading = both();
  const advice = reading && read === undefined ? greyByMeter(reading, touches) : undefined;
  const size = (bar: Bar) => {
    const [was, is] = [first.get(bar), now.get(bar)];
    return was && is && { first: tintOf(was).size, now: tintOf(is).size };
  };
  return {
    read,
    advice,
    aim: advice?.next && reading && aimOf(advice.next.rail, advice.next.aim, reading),
    off: { dark: size('dark'), bright: size('bright') },
    turns,
  };
}

/** Where the meter goes when a bar’s red or blue becomes a share of its green, the rest as it is. */
function aimOf(rail: string, share: number, reading: GreyReading) {
  const [bar, colour] = rail.split(' ') as [Bar, 'red' | 'blue'];
  const light = reading[bar];
  return { bar, ...chromaticOf({ ...light, [colour]: share * light.green }) };
}
