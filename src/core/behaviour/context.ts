/** What the set is connected to and doing when something is observed. */
export interface Context {
  /** `proven` is unplugged with a recorded reading that the stores are empty. */
  readonly power: 'live' | 'unplugged' | 'proven';
  /** A lamp in series with the mains. */
  readonly lamp: boolean;
  /** Connectors pulled, in alphabetical order. */
  readonly unplugged: readonly string[];
  /** Leads cut at a connector that is in, each as `leadOf` says, in alphabetical order. */
  readonly cut: readonly string[];
  /** Commands held by a wire as if they were given: their nets, in alphabetical order. */
  readonly strapped: readonly string[];
  /** Parts with a leg lifted, in alphabetical order. */
  readonly lifted: readonly string[];
  /** Parts with a wire across them, in alphabetical order. */
  readonly bridged: readonly string[];
  /** Boards replaced for a try by a good one, in alphabetical order. */
  readonly donors: readonly string[];
  /** Run for long enough that everything has reached its heat. */
  readonly warm: boolean;
}

export const liveCold: Context = {
  power: 'live',
  lamp: false,
  unplugged: [],
  cut: [],
  strapped: [],
  lifted: [],
  bridged: [],
  donors: [],
  warm: false,
};

/** The name of one lead of a connector, by the net it carries. */
export const leadOf = (connector: string, net: string): string => `${connector}/${net}`;

const keys = new WeakMap<Context, string>();

/** Contexts that behave alike have the same key. */
export function contextKey(context: Context): string {
  let key = keys.get(context);
  if (key === undefined) {
    const power = context.power === 'live' ? 'live' : 'off';
    key = `${power}${context.lamp ? '+lamp' : ''}${context.warm ? '+warm' : ''}-${context.unplugged.join(',')}`;
    const others = interventions.filter((kind) => kind !== 'unplugged' && context[kind].length > 0);
    for (const kind of others) key += `-${kind} ${context[kind].join(',')}`;
    keys.set(context, key);
  }
  return key;
}

/** Changes made to a set for a try. */
export const interventions = ['unplugged', 'cut', 'strapped', 'lifted', 'bridged', 'donors'] as const;
export type Intervention = (typeof interventions)[number];

/** The context with a connector, part or board changed or put back. */
export function withIntervention(context: Context, kind: Intervention, id: string, on: boolean): Context {
  const others = context[kind].filter((one) => one !== id);
  return { ...context, [kind]: on ? [...others, id].sort() : others };
}

/** The context with everything plugged, soldered and original again. */
export function asBuilt(context: Context): Context {
  return { ...context, unplugged: [], cut: [], strapped: [], lifted: [], bridged: [], donors: [] };
}

/** The context with `connector` pulled or put back. */
export function withConnector(context: Context, connector: string, pulled: boolean): Context {
  return withIntervention(context, 'unplugged', connector, pulled);
}
