/** A way for a part to fail, with all that follows from it whatever the part is. */
export interface FaultModeRow {
  /** How it is said of a part: `C547 dried out`. */
  readonly said: string;
  /** Chance that it can be seen at all by a careful look, where the kind of part says nothing else. */
  readonly visible: number;
  /** What puts it right in the least work. */
  readonly repair: 'replace' | 'resolder' | 'reseat' | 'clean' | 'adjust' | 'trace' | 'follow';
  /** A wire across the part makes it good for a try. */
  readonly bridgeable?: true;
  /** It answers to a touch: joints, latches and cracks. */
  readonly touchy?: true;
  /** Heat brings it about sooner. */
  readonly byHeat?: true;
  /** It comes with the years: what is as old has often gone the same way. */
  readonly byAge?: true;
}

const rows = {
  open: { said: 'open', visible: 0.2, repair: 'replace', bridgeable: true, byHeat: true, byAge: true },
  short: { said: 'shorted', visible: 0.2, repair: 'replace' },
  leaky: { said: 'leaky', visible: 0.15, repair: 'replace', byAge: true },
  dry: { said: 'dried out', visible: 0.5, repair: 'replace', byHeat: true, byAge: true },
  drifted: { said: 'drifted', visible: 0.15, repair: 'replace', byHeat: true, byAge: true },
  joint: {
    said: 'joint cracked',
    visible: 0.7,
    repair: 'resolder',
    bridgeable: true,
    touchy: true,
    byHeat: true,
    byAge: true,
  },
  loose: { said: 'loose', visible: 0.9, repair: 'reseat', bridgeable: true, touchy: true },
  worn: { said: 'worn', visible: 0.2, repair: 'replace', bridgeable: true, byAge: true },
  missing: { said: 'missing', visible: 1, repair: 'replace', bridgeable: true },
  dirty: { said: 'dirty', visible: 0.5, repair: 'clean', bridgeable: true, touchy: true, byAge: true },
  stalled: { said: 'stalled', visible: 0.8, repair: 'replace' },
  dead: { said: 'dead', visible: 0.08, repair: 'replace' },
  misset: { said: 'set wrong', visible: 0.1, repair: 'adjust' },
  cracked: { said: 'cracked', visible: 0.9, repair: 'replace', bridgeable: true, touchy: true },
  /** What no sheet lists: a fault of a block as a whole, until it is traced to its part. */
  unlisted: { said: 'is at fault', visible: 0, repair: 'trace' },
  /** What acts on a net from where no sheet says that anything does, until the net is followed to it. */
  elsewhere: { said: 'is acted on from elsewhere', visible: 0, repair: 'follow' },
} as const satisfies Record<string, FaultModeRow>;

/** How a part can fail. */
export type FaultMode = keyof typeof rows;

/** All ways to fail, with what follows from each. */
export const faultModes: Readonly<Record<FaultMode, FaultModeRow>> = rows;

/** Ways to fail that a sheet may list, in the order in which they are told. */
export const faultModeNames: readonly FaultMode[] = (Object.keys(rows) as FaultMode[]).filter(
  (name) => name !== 'unlisted' && name !== 'elsewhere',
);

/** When a fault shows: always, on a cold or a warm set only, or now and then. */
export const appearances = ['always', 'cold', 'warm', 'sometimes'] as const;
export type Appearance = (typeof appearances)[number];
