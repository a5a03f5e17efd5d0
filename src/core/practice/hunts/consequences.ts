import { type Check, type Context } from '../../behaviour';
import { type BenchState } from '../../log';
import { instrumentFor } from '../../measure';
import { type Minutes } from '../../quantity';
import { drivesItself, harmMinutes, type Harm, minutesOn, onMains, storesToProve } from '../../safety';
import { type Sheet } from '../../sheet';

/** What an act does that it was not meant to do. */
export interface Consequence {
  readonly kind: 'nothing told' | 'live' | 'charged' | 'earthed' | Harm['kind'];
  /** What happens, and the usual precaution. */
  readonly words: string;
  /** What it costs in bench time, with what is spoilt by it. */
  readonly minutes: Minutes;
}

/** What each slip is reckoned at: the meter’s fuse and range; a jolt and a look for what else went; the bridge and its fuse. */
const reckoned = { ohmsLive: 15, charged: 20, handsLive: 40, earthed: 30 } as const;

/** The stores that nobody has measured empty since the plug was pulled, those that hold most first. */
const unproven = ({ sheet, bench }: Scene): string =>
  storesToProve(sheet, bench.stores)
    .map(({ id, volts }) => `${id} (up to ${volts} V)`)
    .join(', ');

/** Face and hands in a set under power. */
const handsIn = (): Consequence => ({
  kind: 'live',
  minutes: reckoned.handsLive,
  words:
    'Hands and iron in a set under power: a hold across the heart, a board shorted by the tip. Plug out, stores measured, then work.',
});

export interface Scene {
  readonly sheet: Sheet;
  readonly bench: BenchState;
}

/** Why a check cannot be read in the state the set is in; undefined where it can. */
export function slipOfProbing(check: Check, scene: Scene): Consequence | undefined {
  const { sheet, bench } = scene;
  const { power } = bench.context;
  if (check.state === 'live') {
    if (power !== 'live')
      return { kind: 'nothing told', minutes: 0, words: 'The plug is out: there is nothing to be read. Power first.' };
    const board = check.point?.board === undefined ? undefined : sheet.boards.get(check.point.board);
    const earthing = check.ground === 'floating' || (onMains({ check, board }) && !bench.isolated);
    if (instrumentFor(check.measure) === 'sampler' && earthing)
      return {
        kind: 'earthed',
        minutes: reckoned.earthed,
        words: `The sampler’s own earth lead shorts ${check.ground === 'floating' ? 'the floating ground' : 'the mains side'}: a fuse and the bridge before it. Isolating transformer in, or a differential probe.`,
      };
    return undefined;
  }
  if (!drivesItself(check.measure)) return power === 'live' ? handsIn() : undefined;
  if (power === 'live')
    return {
      kind: 'live',
      minutes: reckoned.ohmsLive,
      words: `${check.title} drives its own current into a set under power: the meter’s fuse goes, and its range with it. Plug out, stores measured, then probe.`,
    };
  const charged = unproven(scene);
  if (charged !== '')
    return {
      kind: 'charged',
      minutes: reckoned.charged,
      words: `A store may still be charged: ${charged}. It empties through the meter, or through you. Discharge through the tool and measure it first.`,
    };
  return undefined;
}

/** Why nobody works on the set as it stands; undefined where it is unplugged and proven. */
export function slipOfWorking(scene: Scene): Consequence | undefined {
  if (scene.bench.context.power === 'live') return handsIn();
  const charged = unproven(scene);
  return charged === ''
    ? undefined
    : {
        kind: 'charged',
        minutes: reckoned.charged,
        words: `A store may still be charged: ${charged}. The tip finds it before you do. Discharge through the tool and measure it first.`,
      };
}

/** Why no connector is moved and no leg lifted on the set as it stands; undefined where it is unplugged and proven. */
export function slipOfMoving(what: 'connector' | 'leg', scene: Scene): Consequence | undefined {
  const slip = slipOfWorking(scene);
  if (slip?.kind !== 'live' || what === 'leg') return slip;
  return {
    ...slip,
    words:
      'A plug moved under power: its pins part in no order, arc, and take drivers with them. Plug out, stores measured, then move it.',
  };
}

/** What running the set does to it, as it really is. */
export function harmedBy(harms: readonly Harm[], from: Context, to: Context, reading: Minutes): Consequence[] {
  const on = minutesOn(from, to, reading);
  const begun = from.power !== 'live';
  return harms.flatMap((harm): Consequence[] => {
    const minutes = harmMinutes([{ ...harm, once: begun ? harm.once : 0 }], on);
    return minutes > 0 ? [{ kind: harm.kind, minutes, words: `${upperFirst(harm.reason)}.` }] : [];
  });
}

const upperFirst = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
