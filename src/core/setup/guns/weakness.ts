import { type Gun } from '../../log';
import { median } from '../../statistics';

/** Light of a colour against that of the others, and what it comes from. */
export interface Weakness {
  readonly gun: Gun;
  /** Light by its emission alone, against the mean of the other guns. */
  readonly byGun: number;
  /** Light by its drive alone: how far its cathode stands below cut-off, against the others. */
  readonly byDrive: number;
  /** What makes it weak; undefined where it is not. */
  readonly because: 'the gun' | 'the drive' | 'both' | undefined;
}

/** Beam current goes with the drive below cut-off to this power (three halves, with the spot that grows). */
const gamma = 2.4;
/** A colour below this share of the others is seen to be weak. */
const weak = 0.8;

/**
 * Driver or tube? The light of each colour taken apart into what its gun gives and what its cathode’s voltage asks of it.
 * Colours for which a figure is missing are left out; fewer than two say nothing.
 *
 * @param of per gun: the share it emits, its cut-off in volts, and what its cathode stood at, all on one grey picture
 */
export function weaknesses(
  of: ReadonlyMap<Gun, { readonly share: number; readonly cutOff: number; readonly cathode: number }>,
): Weakness[] {
  const all = [...of];
  if (all.length < 2) return [];
  const others = (gun: Gun, figure: (one: (typeof all)[number][1]) => number) =>
    median(all.filter(([other]) => other !== gun).map(([, one]) => figure(one)));
  const drive = ({ cutOff, cathode }: { readonly cutOff: number; readonly cathode: number }) =>
    (Math.max(0, cutOff - cathode) / cutOff) ** gamma;
  return all.map(([gun, one]): Weakness => {
    const byGun = one.share / others(gun, ({ share }) => share);
    const most = others(gun, drive);
    const byDrive = most > 0 ? drive(one) / most : 1;
    const [gunWeak, driveWeak] = [byGun < weak, byDrive < weak];
    const because =
      gunWeak && driveWeak
        ? 'both'
        : gunWeak
          ? 'the gun'
          : driveWeak && byGun * byDrive < weak
            ? 'the drive'
            : undefined;
    return { gun, byGun, byDrive, because };
  });
}
