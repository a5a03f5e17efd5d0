import { requirePositive, type Volts, type Watts } from '../quantity';
import { type Lamp, lampCurrent, seriesLampPoint } from './seriesLamp';

/** What is agreed on before power is applied. */
export interface PowerPlan {
  readonly lamp: Lamp;
  readonly mains: Volts;
  /** What the set draws when it runs. */
  readonly loadWatts: Watts;
  readonly frontEnd: FrontEnd;
  /** Is there a variable transformer, to raise the mains by? */
  readonly variable: boolean;
  /** Volts a boosting front end holds its reservoir at, or a transformer set's reservoir at full mains. */
  readonly reservoir?: Volts;
  /** The lamp stands in place of this rail’s fuse or link, not in the mains. */
  readonly rail?: LampedRail;
}

/** A rail whose fuse or link gives its place to the lamp, and what hangs on it at its volts. */
export interface LampedRail {
  readonly title: string;
  readonly volts: Volts;
  readonly watts: Watts;
}

/** How a set makes direct current of its mains: each kind comes up in its own way. */
export const frontEnds = {
  plain: 'bridge straight to the reservoir',
  doubler: 'doubler, two capacitors in series',
  boost: 'boosting front end',
  transformer: 'mains transformer',
} as const;
export type FrontEnd = keyof typeof frontEnds;

/** A step of the plan with what should be read, in volts of direct current. */
export interface PowerStep {
  readonly id: string;
  readonly title: string;
  /** What is read: the reservoir, or the rail in which the lamp stands. */
  readonly reads: string;
  /** Share of the mains it is raised to. */
  readonly share: number;
  readonly lamp: boolean;
  readonly expected: {
    /** The set starts and runs, or is not yet asked to. */
    readonly healthy: Volts;
    /** It draws next to nothing: it has not started. */
    readonly idle: Volts;
    readonly shorted: Volts;
  };
  /** Light of the lamp against full: healthy, and before a short. */
  readonly light: { readonly healthy: number; readonly shorted: number };
  /** Does the supply have enough to start? */
  readonly starts: boolean;
}

/** A switched supply starts from about this share of its mains. */
const startsFrom = 0.6;
/** A rectifier charges its reservoir to the peak, a doubler to twice that. */
const peakOf = { plain: Math.SQRT2, doubler: 2 * Math.SQRT2, boost: Math.SQRT2 } as const;
/** What a boosting front end holds where nobody says it, and from which share of its mains on. */
const boosted = { volts: 385, from: 0.4 } as const;
/** The load has to keep this share of the mains, or it will not start behind the lamp. */
const enough = 0.75;

const lampSizes: readonly Watts[] = [25, 40, 60, 75, 100, 150, 200, 300];

/** The smallest lamp of a drawer behind which the set still runs; undefined where none lets it. @throws Refusal */
export function lampFor(mains: Volts, loadWatts: Watts): Watts | undefined {
  requirePositive({ mains, 'load in watts': loadWatts });
  const runs = (watts: Watts) => {
    const point = seriesLampPoint({ watts, volts: mains }, mains, { kind: 'watts', watts: loadWatts });
    return point !== undefined && point.loadVolts >= enough * mains;
  };
  return lampSizes.find(runs);
}

/**
 * The steps to first power after a repair: behind a lamp, at raised mains, then without the lamp, each with
 * what a healthy, a shorted and a set that does not start read at the reservoir.
 *
 * @throws Refusal when a quantity is not positive
 */
export function powerSteps(plan: PowerPlan): PowerStep[] {
  const { lamp, mains, loadWatts, frontEnd, variable } = plan;
  requirePositive({
    mains,
    'load in watts': loadWatts,
    'watts of the lamp': lamp.watts,
    'volts of the lamp': lamp.volts,
  });
  if (plan.rail) return railSteps(lamp, plan.rail);
  const step = (id: string, title: string, share: number, behindLamp: boolean): PowerStep => {
    const volts = share * mains;
    const peak = peakFactor(plan);
    const idle = peak * volts;
    // A transformer passes on what it gets; a switched supply waits for most of its mains.
    const gradual = frontEnd === 'transformer';
    const starts = gradual || share >= startsFrom;
    const load = gradual
      ? ({ kind: 'ohms', ohms: mains ** 2 / loadWatts } as const)
      : ({ kind: 'watts', watts: loadWatts } as const);
    // A small lamp never lets a boosting front end start: it draws most at low mains.
    const point = behindLamp && starts && frontEnd !== 'boost' ? seriesLampPoint(lamp, volts, load) : undefined;
    const runs = point !== undefined && (gradual || point.loadVolts >= startsFrom * mains);
    const boosts = frontEnd === 'boost' && !behindLamp && share >= Math.max(boosted.from, startsFrom);
    const shorted = behindLamp ? (seriesLampPoint(lamp, volts, { kind: 'short' })?.brightness ?? 0) : 0;
    return {
      id,
      title,
      reads: 'Reservoir',
      share,
      lamp: behindLamp,
      expected: {
        healthy: boosts ? (plan.reservoir ?? boosted.volts) : runs ? peak * point.loadVolts : idle,
        idle,
        shorted: 0,
      },
      light: { healthy: runs ? point.brightness : 0, shorted },
      starts: behindLamp ? runs : starts,
    };
  };
  const all = [
    step('lamp-low', 'Lamp in, mains at 40 %', 0.4, true),
    step('lamp-full', 'Lamp in, full mains', 1, true),
    step('bare-low', 'Lamp out, mains at 40 %', 0.4, false),
    step('bare-mid', 'Lamp out, mains at 70 %', 0.7, false),
    step('bare-full', 'Lamp out, full mains', 1, false),
  ];
  return variable ? all : all.filter(({ share }) => share === 1);
}

/**
 * The steps with the lamp in place of a rail’s fuse or link. What hangs on a main rail takes its current in proportion to
 * the volts it gets, as a line stage does: it is a resistance.
 */
function railSteps(lamp: Lamp, { title, volts, watts }: LampedRail): PowerStep[] {
  requirePositive({ 'volts of the rail': volts, 'watts of the rail': watts });
  const healthy = seriesLampPoint(lamp, volts, { kind: 'ohms', ohms: volts ** 2 / watts })!;
  const shorted = seriesLampPoint(lamp, volts, { kind: 'short' })!;
  const common = { reads: title, share: 1, starts: true };
  return [
    {
      ...common,
      id: 'rail-lamp',
      title: `Lamp in place of ${title}’s fuse`,
      lamp: true,
      expected: { healthy: healthy.loadVolts, idle: volts, shorted: 0 },
      light: { healthy: healthy.brightness, shorted: shorted.brightness },
    },
    {
      ...common,
      id: 'rail-bare',
      title: `${title}’s fuse back`,
      lamp: false,
      expected: { healthy: volts, idle: volts, shorted: 0 },
      light: { healthy: 0, shorted: 0 },
    },
  ];
}

/** Volts at the reservoir for each volt of mains, with nothing drawn. */
const peakFactor = ({ frontEnd, mains, reservoir }: PowerPlan): number =>
  frontEnd === 'transformer' ? (reservoir ?? Math.SQRT2 * mains) / mains : peakOf[frontEnd];

/** What a reading at a step comes to. */
export interface StepVerdict {
  readonly go: boolean;
  readonly like: 'healthy' | 'idle' | 'shorted' | 'overload' | 'high';
  readonly words: string;
}

/** How far from what was agreed a reading may lie. */
const slack = 0.12;
const shortedBelow = 0.15;

/** Compares what was read with what was agreed: go on, or stop. */
export function judgeStep(plan: PowerPlan, step: PowerStep, read: Volts): StepVerdict {
  const { lamp, mains, frontEnd, rail } = plan;
  const [peak, before] = rail ? [1, rail.volts] : [peakFactor(plan), step.share * mains];
  const volts = Math.abs(read);
  const { healthy, idle } = step.expected;
  const off = `${Math.round(volts)} V where ${Math.round(healthy)} V were agreed`;
  if (volts < shortedBelow * idle)
    return { go: false, like: 'shorted', words: `${off}: held down. Power off; find the short before the next try` };
  if (volts > Math.max(idle, frontEnd === 'boost' && !rail ? healthy : 0) * (1 + slack / 2))
    return {
      go: false,
      like: 'high',
      words: rail
        ? `${off}: more than ${rail.title} may have. Power off; check what regulates it`
        : `${off}: more than the mains can give here. Power off; check the input`,
    };
  if (volts < healthy * (1 - slack)) {
    const behind = before - volts / peak;
    const watts = step.lamp && behind > 0 ? (lampCurrent(lamp, behind) * volts) / peak : undefined;
    const drawn = watts === undefined ? '' : `, about ${Math.round(watts)} W are drawn`;
    return { go: false, like: 'overload', words: `${off}: too much hangs on it${drawn}. Power off; take loads off` };
  }
  if (volts > healthy * (1 + slack) && step.starts)
    return {
      go: false,
      like: 'idle',
      words: `${off}: it draws next to nothing, so ${rail ? 'what hangs on it does not run' : 'it has not started'}. Find out why first`,
    };
  return { go: true, like: 'healthy', words: `${off}: go on` };
}
