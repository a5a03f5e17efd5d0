import { type Check } from '../behaviour';

/** What follows a rail and must not pass a limit while that is set: high voltage behind B+. */
export interface Watch {
  readonly check: Check;
  readonly title: string;
  /** Volts that its magnitude must not pass. */
  readonly limit: number;
  /** The limit goes by an ordinary value of such sets: its label or manual says its own. */
  readonly guessed: boolean;
}

/** What was read of it, beside what its rail read then. */
export interface WatchRead {
  readonly volts: number;
  readonly rail: number;
}

/** A watch as it stands. */
export interface Watched extends Watch {
  readonly read: WatchRead | undefined;
  /** What it stands at by now, in volts: it follows its rail in proportion. */
  readonly about: number | undefined;
  /** It was passed over: nobody here can read it. */
  readonly passedOver: boolean;
}

/** Nearer to its limit than this share by reckoning, it is read again. */
const near = 0.03;
/** A rail that has moved by less, as a share, has moved nothing that follows it. */
const moved = 0.002;

/** Volts that the rail may be taken to at most for what follows it; undefined where that was not read. */
export const railLimit = ({ read, limit }: Watched): number | undefined =>
  read && read.volts !== 0 ? Math.abs((read.rail * limit) / read.volts) : undefined;

/** Whether it is to be read before its rail is raised, or after it was. */
export function isDue({ read, about, limit, passedOver }: Watched, rail: number, raise: boolean): boolean {
  if (passedOver) return false;
  if (!read) return raise;
  return Math.abs(rail / read.rail - 1) > moved && Math.abs(about!) > (1 - near) * limit;
}

const kilovolts = (volts: number) => `${(Math.abs(volts) / 1000).toFixed(1)} kV`;

/**
 * Says that it stands past its limit, or would as soon as its rail is where it belongs; undefined where it does not.
 *
 * @param rail its title, what it reads, and the least volts at which it counts as right
 */
export function pastLimit(
  { title, read, limit }: Watched,
  rail: { readonly title: string; readonly reads: number; readonly least: number },
): string | undefined {
  if (!read) return undefined;
  const at = (volts: number) => Math.abs((read.volts * volts) / read.rail);
  const most = `and may have ${kilovolts(limit)} at most`;
  if (at(rail.reads) > limit)
    return `${title} stands at ${kilovolts(at(rail.reads))} with ${rail.title} as it is, ${most}`;
  if (at(rail.least) > limit)
    return `${title} would stand at ${kilovolts(at(rail.least))} with ${rail.title} where it belongs, ${most}`;
  return undefined;
}
