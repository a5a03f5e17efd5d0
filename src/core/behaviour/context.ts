/** What the set is connected to and doing when something is observed. */
export interface Context {
  /** `proven` is unplugged with a recorded reading that the stores are empty. */
  readonly power: 'live' | 'unplugged' | 'proven';
  /** A lamp in series with the mains. */
  readonly lamp: boolean;
  /** Connectors pulled, in alphabetical order. */
  readonly unplugged: readonly string[];
  /** Run for long enough that everything has reached its heat. */
  readonly warm: boolean;
}

export const liveCold: Context = { power: 'live', lamp: false, unplugged: [], warm: false };

const keys = new WeakMap<Context, string>();

/** Contexts that behave alike have the same key. */
export function contextKey(context: Context): string {
  let key = keys.get(context);
  if (key === undefined) {
    const power = context.power === 'live' ? 'live' : 'off';
    key = `${power}${context.lamp ? '+lamp' : ''}${context.warm ? '+warm' : ''}-${context.unplugged.join(',')}`;
    keys.set(context, key);
  }
  return key;
}

/** The context with `connector` pulled or put back. */
export function withConnector(context: Context, connector: string, pulled: boolean): Context {
  const others = context.unplugged.filter((id) => id !== connector);
  return { ...context, unplugged: pulled ? [...others, connector].sort() : others };
}
