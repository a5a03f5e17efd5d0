/** Volts of one cathode. */
export interface Cathode {
  /** At which its beam just goes out. */
  readonly cutOff: number;
  /** At the white that is wanted. */
  readonly white: number;
}

/** What the guns of a tube need, and what is left. */
export interface GunsSaid {
  /** By gun: volts of drive for white, and the light that full drive reaches, as a share of what white needs. */
  readonly guns: Readonly<Record<'red' | 'green' | 'blue', { readonly drive: number; readonly reaches: number }>>;
  /** The gun that gives out first as the picture is made brighter. */
  readonly weakest: 'red' | 'green' | 'blue';
  /** How much more drive the weakest gun needs than the strongest: 1 for guns alike. */
  readonly uneven: number;
  readonly words: string;
}

/** Beam current goes with the drive below cut-off to this power (the three-halves law with the spot’s growth: 2.2 to 2.5 on real tubes). */
const gamma = 2.4;

/**
 * Judges three guns by the volts of their cathodes.
 *
 * @param least volts to which the output stage can pull a cathode
 */
export function gunsSaid(cathodes: Readonly<Record<'red' | 'green' | 'blue', Cathode>>, least: number): GunsSaid {
  const of = ({ cutOff, white }: Cathode) => ({
    drive: cutOff - white,
    reaches: (Math.max(0, cutOff - least) / (cutOff - white)) ** gamma,
  });
  const guns = { red: of(cathodes.red), green: of(cathodes.green), blue: of(cathodes.blue) };
  const order = (['red', 'green', 'blue'] as const).toSorted((a, b) => guns[a].reaches - guns[b].reaches);
  const weakest = order[0]!;
  const drives = order.map((gun) => guns[gun].drive);
  const share = guns[weakest].reaches;
  return {
    guns,
    weakest,
    uneven: Math.max(...drives) / Math.min(...drives),
    words:
      share < 1
        ? `${weakest} does not reach white: at full drive it gives ${Math.round(100 * share)} % of what white needs; lower the white, or the tube is worn`
        : `${weakest} gives out first, at ${Math.round(100 * share)} % of the white that is set`,
  };
}
